import { describe, expect, it } from 'vitest';
import { CHARTS } from '@/demo/makers';
import { normaliseSize, readPrintedSize, standsFor } from './printedSize';
import { findRow, fitColumn, rowsPrinting, type SizeChart, sizeKeyIn, sizesAgree } from './sizeChart';

const chart = CHARTS[0] as SizeChart;
const printed = { usMen: '8.5', usWomen: '10', uk: '8', eu: '42', cm: '27' };

describe('sizes', () => {
  it.each([
    ['8½', '8.5'],
    ['8 1/2', '8.5'],
    ['8-1/2', '8.5'],
    ['8,5', '8.5'],
    ['08.5', '8.5'],
    ['08', '08'],
    ['085', '085'],
    ['8’5', '8.5'],
    ['42⅔', '42.67'],
    ['42 2/3', '42.67'],
    ['42.66', '42.67'],
    ['EU 42 2/3', '42.67'],
    ['EUR 42', '42'],
    ['US 9', '9'],
    ['US W 9.5', '9.5'],
    ['10C', '10C'],
    ['K10', '10C'],
    ['5Y', '5Y'],
    ['26.50 cm', '265mm'],
    ['265 mm', '265mm'],
    ['CM 26,5', '265mm'],
    ['8.5/42', '8.5/42'],
    ['8,5/42', '8.5/42'],
    ['85/42', '85/42'],
    ['10 cl', '100ml'],
    ['70 cl', '700ml'],
    ['100 ml', '100ml'],
    ['100 ml ℮ 3.4 FL. OZ.', '100ml'],
    ['1.7 oz / 50 ml', '50ml'],
    ['3.4 fl oz / 100 ml', '100ml'],
    ['8 oz 227 g', '227g'],
    ['3XL/XXXL', '3XL'],
    ['M/L', 'M/L'],
    ['Größe 42', '42'],
    ['xl', 'XL'],
    ['X-Large', 'XL'],
    ['XXL', '2XL'],
    ['42/8', '42/8'],
    ['44/9', '44/9'],
    ['S/M', 'S/M'],
  ])('%s is compared as %s', (raw, normal) => expect(normaliseSize(raw)).toBe(normal));
  it('never gives two different numbers one form', () => {
    const forms = new Map<string, string>();
    for (let n = 1; n < 120; n++)
      for (const tail of ['', '.5', ' 1/3', ' 2/3', '/8', '/9', ' cl', ' ml', ' mm', 'C', 'Y', 'XL']) {
        const form = normaliseSize(`${n}${tail}`);
        const before = forms.get(form);
        // Ten centilitres are a hundred millilitres; nothing else may meet.
        if (before && !/cl|ml/.test(before + tail)) throw new Error(`${before} and ${n}${tail} are both ${form}`);
        forms.set(form, `${n}${tail}`);
        expect(form).not.toMatch(/NaN|undefined/);
      }
  });
  it.each([
    ['cm', '270 mm', '42'],
    ['cm', '270', '42'],
    ['cm', '27', '42'],
    ['uk', 'GB 8', '42'],
    ['eu', 'EUR 42', '42'],
    ['usMen', '8½ M', '42'],
  ])('finds under %s what is printed as %s', (column, raw, key) =>
    expect(fitColumn(chart, column, raw).rows.map((row) => row.key)).toEqual([key]),
  );
  it.each([
    ['usMen', 'UK 8.5', false, /“UK” stands before it/],
    ['usMen', 'W 8.5', false, /for women/],
    ['eu', '42C', false, /child/],
    ['cm', '27 in', true, /^27 in|no cm/],
    ['eu', '42 cm', true, /has no unit/],
    ['cm', '27 ml', true, /in cm/],
  ])('under %s, %s: wrong %s', (column, raw, wrong, sentence) => {
    const { rows, refusal } = fitColumn(chart, column, raw);
    expect(rows).toEqual([]);
    if (refusal) expect(refusal).toMatchObject({ wrong, sentence: expect.stringMatching(sentence) });
  });
  it('finds the row by its key and by what it prints', () => {
    expect(findRow(chart, '42')?.key).toBe('42');
    expect(rowsPrinting(chart, 'uk', '8').map(({ key }) => key)).toEqual(['42']);
  });
  it.each([
    ['42', '42'],
    ['8.5 / 42', '42'],
    ['US 8.5 UK 8 EU 42', '42'],
    ['UK 8; EU 42.5', null],
    ['8 9.5', '41'],
    ['8', null],
    ['EU', null],
    ['42 Fog', null],
  ])('names by “%s” the row %s', (text, key) => expect(sizeKeyIn(chart, text)).toBe(key));
  it('accepts the columns of every row of every chart', () => {
    for (const each of CHARTS) {
      for (const row of each.rows) expect(sizesAgree(each, row.values)).toEqual({ rows: [row], problems: [] });
    }
  });
  it('names the one column that strays, whichever it is', () => {
    for (const column of Object.keys(printed) as (keyof typeof printed)[]) {
      const wrong = { ...printed, [column]: chart.rows[9]?.values[column] as string };
      const { rows, problems } = sizesAgree(chart, wrong);
      expect(rows).toEqual([]);
      expect(problems).toEqual([
        expect.objectContaining({ kind: 'columnsDisagree', column, expected: printed[column] }),
      ]);
    }
  });
  it('says which values a column does have', () => {
    const { problems } = sizesAgree(chart, { ...printed, eu: '42.2' });
    expect(problems).toEqual([{ kind: 'notInChart', column: 'eu', value: '42.2', nearest: ['42', '42.5', '43'] }]);
  });
});

it.each<[string, string, boolean]>([
  ['3.4 FL. OZ.', '100 ml', true],
  ['1.7 oz', '50 ml', true],
  ['1.7 oz', '100 ml', false],
  ['100 ml', '3.4 fl oz', false],
  ['8 oz', '227 g', true],
])('%s stands for %s in its market’s rounding: %s', (printed, meant, expected) => {
  const [a, b] = [printed, meant].map((text) => readPrintedSize(text).amounts[0]);
  expect(a && b && standsFor(a, b)).toBe(expected);
});
