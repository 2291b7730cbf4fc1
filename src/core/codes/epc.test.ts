import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readEpc, writeEpc } from './epc';
import { readGtin } from './gtin';

const digits = (length: number) => fc.stringMatching(new RegExp(`^[0-9]{${length}}$`));
const split = fc.integer({ min: 6, max: 12 }).chain((company) => fc.tuple(digits(company), digits(13 - company)));
const serials = {
  'sgtin-96': fc.bigInt({ min: 0n, max: 2n ** 38n - 1n }).map(String),
  'sgtin-198': fc.stringMatching(/^[!"%-?A-Z_a-z]{1,20}$/),
};

describe('EPC', () => {
  it('decodes the example of the Tag Data Standard', () => {
    expect(readEpc('3074257BF7194E4000001A85').reading).toMatchObject({
      tagUri: 'urn:epc:tag:sgtin-96:3.0614141.812345.6789',
      pureUri: 'urn:epc:id:sgtin:0614141.812345.6789',
      gtin14: '80614141123458',
      partition: 5,
    });
  });
  it('decodes the SGTIN-198 example of the Tag Data Standard', () => {
    const hex = '3674257BF7194E59B2C2BF100000000000000000000000000000';
    expect(readEpc(hex).reading).toMatchObject({
      pureUri: 'urn:epc:id:sgtin:0614141.812345.32a%2Fb',
      serial: '32a/b',
      problems: ['Filter 3 is reserved.'],
    });
  });
  for (const scheme of ['sgtin-96', 'sgtin-198'] as const) {
    it(`gives back what was written, ${scheme}`, () => {
      fc.assert(
        fc.property(
          split,
          serials[scheme],
          fc.constantFrom(0, 1, 2, 4, 6, 7),
          ([companyPrefix, itemReference], serial, filter) => {
            const { reading } = readEpc(writeEpc({ scheme, filter, companyPrefix, itemReference, serial }));
            expect(reading).toMatchObject({ scheme, filter, companyPrefix, itemReference, serial, problems: [] });
            expect(readGtin(reading?.gtin14 ?? '').readings[0]?.valid).toBe(true);
          },
        ),
        { numRuns: 300 },
      );
    });
  }
  it.each([
    ['', 'malformed', /hexadecimal/],
    ['3074257BF7194E4000001A8', 'malformed', /odd number/],
    ['3074 257B F719', 'malformed', /96 bits; 48 were read/],
    ['000000000000000000000000', 'blank', /never written/],
    ['E2801160600002054CC2096F', 'otherBank', /TID memory.*maker is number 001h, its model 160h/],
    [
      '3114257BF4499602D2000000',
      'foreign',
      /SSCC-96 \(company prefix 0614141, serial reference 1234567890\).*no trade item/,
    ],
    ['3214257BF46072000000162E', 'foreign', /SGLN-96 .*a place/],
    ['3314257BF40C0E400000162E', 'foreign', /GRAI-96 .*serial 5678/],
    ['3414257BF4000000000004D2', 'foreign', /GIAI-96 .*asset reference 1234/],
    ['350E86F8610F4240001A8500', 'foreign', /GID-96/],
    ['3F14257BF460720000001A85', 'foreign', /SGCN-96/],
    ['C0FFEE00C0FFEE00C0FFEE00', 'malformed', /Header C0 is none/],
    ['urn:epc:id:sscc:0614141.1234567890', 'foreign', /SSCC/],
    ['urn:epc:id:sgtin:0614141.81234.1', 'malformed', /13 digits/],
    ['urn:epc:id:sgtin:0614141.812345.A%GG', 'malformed', /percent/],
    ['307C257BF7194E4000001A85', 'malformed', /Partition 7/],
    ['F'.repeat(100_000), 'malformed', /more than any EPC memory/],
    ['3674257BF7194E59B2C2BF100000000000000001000000000000', 'malformed', /behind the end of the serial/],
    ['zz', 'malformed', /hexadecimal/],
  ])('refuses %.30s', (hex, kind, sentence) => {
    expect(readEpc(hex).failure).toMatchObject({ kind, sentence: expect.stringMatching(sentence) });
  });
  it('refuses numbers that are larger than their partition, and reports bits after the end', () => {
    // Partition 5, company prefix 2^24 - 1: eight digits where seven belong.
    const bits = `00110000${'001'}${'101'}${'1'.repeat(24)}${'0'.repeat(20)}${'0'.repeat(37)}1`;
    const hex = (bits.match(/.{4}/g) ?? []).map((four) => Number.parseInt(four, 2).toString(16)).join('');
    expect(readEpc(hex).failure?.sentence).toMatch(/Partition 5 has 7 and 6 digits/);
    expect(readEpc('3074257BF7194E4000001A850001').reading?.problems).toContain('The bits after the EPC are not zero.');
  });
  const EPC = '3074257BF7194E4000001A85';
  it.each([
    ['0x3074257BF7194E4000001A85'],
    ['30:74:25:7B:F7:19:4E:40:00:00:1A:85'],
    ['3074-257B-F719-4E40-0000-1A85'],
    ['3074257bf7194e4000001a85'],
    [`3000${EPC}`],
    [`3400 ${EPC}`],
    ['urn:epc:tag:sgtin-96:3.0614141.812345.6789'],
    ['urn:epc:id:sgtin:0614141.812345.6789'],
    ['urn:epc:raw:96.x3074257BF7194E4000001A85'],
  ])('reads %s as readers send it', (text) =>
    expect(readEpc(text).reading).toMatchObject({
      gtin14: '80614141123458',
      serial: '6789',
      pureUri: 'urn:epc:id:sgtin:0614141.812345.6789',
    }),
  );
  it('holds a check sum that is sent against what it sums', () => {
    // By long division, bit by bit: preset and complement as ISO/IEC 13239 has them.
    const message = [...`3000${EPC}`].map((digit) => Number.parseInt(digit, 16).toString(2).padStart(4, '0')).join('');
    const register = [...message].reduce((value, bit) => {
      const out = ((value >> 15) & 1) ^ Number(bit);
      return ((value << 1) & 0xffff) ^ (out ? 0x1021 : 0);
    }, 0xffff);
    const sum = (~register & 0xffff).toString(16).padStart(4, '0');
    expect(readEpc(`${sum}3000${EPC}`).reading?.serial).toBe('6789');
    expect(readEpc(`3000${EPC}${sum}`).reading?.serial).toBe('6789');
    expect(readEpc(`3000${EPC}0000`).failure?.sentence).toMatch(/check sum/);
  });
  it('refuses a serial with a character outside of the set', () => {
    const head = [...'3674257BF7194E4']
      .map((digit) => Number.parseInt(digit, 16).toString(2).padStart(4, '0'))
      .join('');
    const bits = `${head.slice(0, 58)}${'#'.charCodeAt(0).toString(2).padStart(7, '0')}`.padEnd(208, '0');
    const hex = (bits.match(/.{4}/g) ?? []).map((four) => Number.parseInt(four, 2).toString(16)).join('');
    expect(readEpc(hex).failure).toMatchObject({
      kind: 'malformed',
      sentence: expect.stringMatching(/outside of the set/),
    });
  });
  it('reads the newer schemes, which hold the GTIN as it is printed', () => {
    // Header, no data behind it, filter 3, GTIN; then a serial of 4 decimal digits in 14 bits.
    const bits = `${'11110111'}${'0'}${'011'}${[...'09521204100262'].map((d) => Number(d).toString(2).padStart(4, '0')).join('')}${'000'}${'00100'}${(6789).toString(2).padStart(14, '0')}`;
    const hex = (bits.padEnd(112, '0').match(/.{4}/g) ?? [])
      .map((four) => Number.parseInt(four, 2).toString(16))
      .join('');
    expect(readEpc(hex).reading).toMatchObject({
      scheme: 'sgtin+',
      gtin14: '09521204100262',
      serial: '6789',
      filter: 3,
      problems: [],
    });
  });
  it('does not write what does not fit', () => {
    const fields = { scheme: 'sgtin-96', filter: 1, companyPrefix: '0614141', itemReference: '812345' } as const;
    expect(() => writeEpc({ ...fields, serial: String(2n ** 38n) })).toThrow(/38 bits/);
    expect(() => writeEpc({ ...fields, serial: '007' })).toThrow(/leading zeros/);
    expect(() => writeEpc({ ...fields, itemReference: '81234', serial: '1' })).toThrow(/13 digits/);
    expect(() => writeEpc({ ...fields, scheme: 'sgtin-198', serial: 'ö' })).toThrow(/GS1 set/);
  });
});
