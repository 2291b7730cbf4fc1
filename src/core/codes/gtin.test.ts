import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { expandUpcE, groupGtin, gtinCheckDigit, gtinCorrections, readGtin, sameGtin } from './gtin';

const digitString = (length: number) => fc.stringMatching(new RegExp(`^[0-9]{${length}}$`));
const withCheck = (body: string) => `${body}${gtinCheckDigit(body)}`;

describe('check digit', () => {
  it.each([
    // Examples of the General Specifications.
    ['629104150021', 3],
    ['061414100003', 6],
    ['1061414100041', 5],
  ])('of %s is %i', (body, expected) => {
    expect(gtinCheckDigit(body)).toBe(expected);
  });
  it('makes the weighted sum a multiple of ten, whatever the length', () => {
    fc.assert(fc.property(fc.stringMatching(/^[0-9]{5,17}$/), (body) => gtinCheckDigit(body) === bruteForce(body)));
  });
  it('changes whenever one digit changes', () => {
    fc.assert(
      fc.property(digitString(12), fc.nat(11), fc.integer({ min: 1, max: 9 }), (body, at, by) => {
        const other = `${body.slice(0, at)}${(Number(body[at]) + by) % 10}${body.slice(at + 1)}`;
        return gtinCheckDigit(body) !== gtinCheckDigit(other);
      }),
    );
  });
});

/** The digit that makes the weighted sum a multiple of ten, found by trying. */
function bruteForce(body: string): number {
  for (let digit = 0; digit < 10; digit++) {
    const all = [...`${body}${digit}`].reverse();
    const sum = all.reduce((total, each, i) => total + Number(each) * (i % 2 === 0 ? 1 : 3), 0);
    if (sum % 10 === 0) return digit;
  }
  throw new Error('no digit fits');
}

describe('reading', () => {
  it('takes any spacing and dashes, and says which form it is', () => {
    for (const raw of [
      '6291041500213',
      ' 6 291041 500213 ',
      '6-291041-500213',
      '６２９１０４１５００２１３',
      '6291\u200b041500213',
    ]) {
      const [reading] = readGtin(raw).readings;
      expect(reading).toMatchObject({ form: 'GTIN-13', gtin14: '06291041500213', valid: true });
    }
  });
  it('keeps both readings of eight digits that begin with 0 or 1', () => {
    const forms = readGtin('04252614').readings.map(({ form }) => form);
    expect(new Set(forms)).toEqual(new Set(['GTIN-8', 'UPC-E']));
    expect(readGtin('42526149').readings.map(({ form }) => form)).toEqual(['GTIN-8']);
  });
  it.each([
    ['425261', '04210000526'],
    ['123450', '01200000345'],
    ['123453', '01230000045'],
    ['123454', '01234000005'],
    ['123459', '01234500009'],
  ])('expands UPC-E %s', (six, body) => {
    expect(expandUpcE('0', six)).toBe(body);
    const [reading] = readGtin(six).readings;
    expect(reading?.gtin14).toBe(`00${withCheck(body)}`);
  });
  it('finds one trade item equal across its forms', () => {
    expect(sameGtin('614141000036', '0614141000036')).toBe(true);
    expect(sameGtin('04252614', '042100005264')).toBe(true);
    expect(sameGtin('614141000036', '614141000043')).toBe(false);
  });
  it.each([
    ['', /empty/],
    ['12345', /5 digits make no barcode number/],
    ['1'.repeat(10_000), /10000 digits/],
    ['952120410O076', /“O” at position 10/],
    ['952😀', /“😀” at position 4/],
    ['<b>1</b>', /“<” at position 1/],
    ['٩٥٢١٢٠٤١٠٠٠٧٦', /digits only/],
  ])('refuses %.20s with a sentence', (raw, sentence) => {
    const { readings, failure } = readGtin(raw);
    expect(readings).toEqual([]);
    expect(failure?.sentence).toMatch(sentence);
  });
});

describe('corrections', () => {
  it('hold the true number where a digit is missing or stands there twice', () => {
    fc.assert(
      fc.property(digitString(12), fc.nat(12), (body, at) => {
        const truth = withCheck(body);
        for (const slip of [
          truth.slice(0, at) + truth.slice(at + 1),
          truth.slice(0, at) + truth.charAt(at) + truth.slice(at),
        ]) {
          const sound = readGtin(slip).readings.some(({ valid }) => valid);
          if (!sound)
            expect(gtinCorrections({ digits: slip }).map(({ gtin14 }) => gtin14)).toContain(truth.padStart(14, '0'));
        }
      }),
    );
  });
  it('hold the true number for every single misread digit and every swap that the check digit notices', () => {
    fc.assert(
      fc.property(digitString(12), fc.nat(12), fc.integer({ min: 1, max: 9 }), fc.boolean(), (body, at, by, swap) => {
        const truth = withCheck(body);
        const slip = swap
          ? `${truth.slice(0, at)}${truth[at + 1] ?? ''}${truth[at]}${truth.slice(at + 2)}`
          : `${truth.slice(0, at)}${(Number(truth[at]) + by) % 10}${truth.slice(at + 1)}`;
        const [reading] = readGtin(slip).readings;
        if (!reading || reading.valid) return;
        const corrections = gtinCorrections(reading);
        expect(corrections.map(({ gtin14 }) => gtin14)).toContain(truth.padStart(14, '0'));
        expect(corrections.length).toBeLessThanOrEqual(60);
        for (const { digits } of corrections) expect(readGtin(digits).readings[0]?.valid).toBe(true);
      }),
    );
  });
  it('offers for a number that passes only the swaps that the check digit does not notice', () => {
    fc.assert(
      fc.property(digitString(12), (body) => {
        const [reading] = readGtin(withCheck(body)).readings;
        for (const { kind, at } of reading ? gtinCorrections(reading) : []) {
          expect(kind).toBe('swap');
          expect(Math.abs(Number(reading?.digits[at]) - Number(reading?.digits[at + 1]))).toBe(5);
        }
      }),
    );
    const [blind] = readGtin(withCheck('952120016111')).readings;
    expect(blind && gtinCorrections(blind)).toContainEqual(
      expect.objectContaining({ at: 7, digits: withCheck('952120061111') }),
    );
  });
});

it('groups each form as it is printed', () => {
  expect(readGtin('6291041500213').readings.map(groupGtin)).toEqual(['6 291041 500213']);
  expect(readGtin('614141000036').readings.map(groupGtin)).toEqual(['6 14141 00003 6']);
});
