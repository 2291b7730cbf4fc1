import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readElements } from './elementString';
import { gtinCheckDigit } from './gtin';

const TODAY = '2026-11-24';
const FNC1 = '\u001d';
const pairs = (raw: string) => readElements(raw, TODAY).elements?.map(({ ai, value }) => [ai, value]);
const GTIN = '09521204100262';

describe('GS1 element strings', () => {
  it.each([
    [`(01)${GTIN}(10)AB-12(21)7/x`],
    [`]d201${GTIN}10AB-12${FNC1}217/x`],
    [`]C1${FNC1}01${GTIN}10AB-12${FNC1}217/x${FNC1}`],
    [`https://label.example/01/${GTIN}/10/AB-12/21/7%2Fx`],
    [`]d201${GTIN}10AB-12<GS>217/x`],
    [`01${GTIN}10AB-12^]217/x`],
    [`01${GTIN}10AB-12␝217/x`],
    [`01${GTIN}10AB-12{GS}217/x`],
    [`]Q3(01)${GTIN}(10)AB-12(21)7/x`],
    [`https://label.example/gtin/${GTIN}/lot/AB-12/ser/7%2Fx`],
    ['HTTPS://label.example/some/path/01/9521204100262/10/AB-12/21/7%2Fx?linkType=all'],
  ])('reads %j', (raw) => {
    expect(pairs(raw)).toEqual([
      ['01', GTIN],
      ['10', 'AB-12'],
      ['21', '7/x'],
    ]);
    expect(readElements(raw, TODAY).problems).toEqual([]);
  });
  it('takes the number of a plain barcode by its symbology identifier', () =>
    expect(pairs(']E09521204100262')).toEqual([['01', GTIN]]));
  it('leaves brackets in a value, and does not lose the rest behind an identifier that it does not know', () => {
    expect(pairs(`(01)${GTIN}(10)AB(12)3(21)7`)).toEqual([
      ['01', GTIN],
      ['10', 'AB(12)3'],
      ['21', '7'],
    ]);
    const none = readElements(`(01)${GTIN}(9999)x(21)7`, TODAY);
    expect(none.elements?.map(({ ai, value }) => [ai, value])).toEqual([
      ['01', GTIN],
      ['21', '7'],
    ]);
    expect(none.notes?.join()).toMatch(/\(9999\)x.*no identifier/);
    const unknown = readElements(`01${GTIN}4399XY${FNC1}217`, TODAY);
    expect(unknown.elements?.map(({ ai }) => ai)).toEqual(['01', '4399', '21']);
    expect(unknown.notes?.join()).toMatch(/4399.*not in the table/);
    expect(pairs(`(01)${GTIN}(22)2A(235)TP(3103)000750(99)own`)?.map(([ai]) => ai)).toEqual([
      '01',
      '22',
      '235',
      '3103',
      '99',
    ]);
  });
  it('reads a Digital Link with more in its path', () =>
    expect(pairs(`https://label.example/shop/01/${GTIN}/22/2A/10/AB/21/7/more?17=270331&x=1`)).toEqual([
      ['01', GTIN],
      ['22', '2A'],
      ['10', 'AB'],
      ['21', '7'],
      ['17', '270331'],
    ]));
  it('finds the place of a lost separator by what is printed beside it, and else calls nothing impossible', () => {
    const lost = `01${GTIN}10AB12217X9`;
    expect(readElements(lost, TODAY, ['AB12']).elements?.slice(1)).toEqual([
      expect.objectContaining({ ai: '10', value: 'AB12' }),
      expect.objectContaining({ ai: '21', value: '7X9' }),
    ]);
    expect(readElements(lost, TODAY, ['AB12']).notes?.join()).toMatch(/separator is missing behind “AB12”/);
    expect(readElements(`01${GTIN}10ABCDEFGHIJKL211234567890123`, TODAY).problems).toEqual([
      expect.objectContaining({ impossible: false }),
    ]);
  });
  it('gives back any identifiers and values, bracketed or run together', () => {
    const value = (length: number) => fc.stringMatching(new RegExp(`^[A-Z0-9/-]{1,${length}}$`));
    const gtin = fc.stringMatching(/^[0-9]{13}$/).map((body) => `${body}${gtinCheckDigit(body)}`);
    const part = fc.oneof(
      gtin.map((each) => ['01', each]),
      value(20).map((each) => ['10', each]),
      value(20).map((each) => ['21', each]),
      value(30).map((each) => ['240', each]),
      value(30).map((each) => ['241', each]),
      fc.constant(['17', '270331']),
    );
    fc.assert(
      fc.property(fc.uniqueArray(part, { minLength: 1, selector: ([ai]) => ai }), (parts) => {
        const scanned = parts.map(([ai, each]) => `${ai}${each}`).join(FNC1);
        const printed = parts.map(([ai, each]) => `(${ai})${each}`).join('');
        expect(pairs(scanned)).toEqual(parts);
        expect(pairs(printed)).toEqual(parts);
        expect(readElements(scanned, TODAY).problems).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
  it.each([
    ['(17)270300', '2027-03-01', '2027-03-31', 'month'],
    ['(11)240229', '2024-02-29', '2024-02-29', 'day'],
    ['(13)770101', '1977-01-01', '1977-01-01', 'day'],
    ['(15)760101', '2076-01-01', '2076-01-01', 'day'],
  ])('reads the date of %s in its century', (raw, from, to, precision) => {
    expect(readElements(raw, TODAY).elements?.[0]?.interval).toEqual({ from, to, precision });
  });
  it.each([
    [`(01)${GTIN.slice(0, -1)}3`, /fails its check digit; it should end in 2/],
    ['(11)250231', /no day 31; that month has 28/],
    ['(11)251301', /no month 13/],
    ['(10)123456789012345678901', /21 characters; it has 1 to 20/],
    ['(10)', /0 characters/],
    ['(21)A(21)B', /stands there twice/],
    ['0109521204', /8 characters; it has 14/],
  ])('says what is wrong with %s', (raw, sentence) => {
    expect(
      readElements(raw, TODAY)
        .problems?.map((each) => each.sentence)
        .join(' '),
    ).toMatch(sentence);
  });
  it.each([
    ['', /nothing to read/],
    ['(01)09521204100262)', /15 characters/],
    ['hello', /begins at position 1/],
    ['https://label.example/about', /no GS1 key/],
    ['https://label.example/01/952%E0%A4%A', /percent sign/],
    ['1'.repeat(100_000), /more than any symbol/],
    ['\u202e\u0000', /position 1/],
    ['(21)Größe', /“ö” at position 7 stands in no symbol/],
  ])('stops at %.24j with a sentence', (raw, sentence) => {
    const { failure, problems } = readElements(raw, TODAY);
    expect(failure?.sentence ?? problems?.map((each) => each.sentence).join(' ')).toMatch(sentence);
  });
});
