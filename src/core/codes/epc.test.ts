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
    ['E2801160600002054CC2096F', 'foreign', /Header E2/],
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
  it('does not write what does not fit', () => {
    const fields = { scheme: 'sgtin-96', filter: 1, companyPrefix: '0614141', itemReference: '812345' } as const;
    expect(() => writeEpc({ ...fields, serial: String(2n ** 38n) })).toThrow(/38 bits/);
    expect(() => writeEpc({ ...fields, serial: '007' })).toThrow(/leading zeros/);
    expect(() => writeEpc({ ...fields, itemReference: '81234', serial: '1' })).toThrow(/13 digits/);
    expect(() => writeEpc({ ...fields, scheme: 'sgtin-198', serial: 'ö' })).toThrow(/GS1 set/);
  });
});
