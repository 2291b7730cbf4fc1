import { describe, expect, it } from 'vitest';
import { CHARTS } from '@/demo/makers';
import { findRow, normaliseSize, rowsPrinting, type SizeChart, sizesAgree } from './sizeChart';

const chart = CHARTS[0] as SizeChart;
const printed = { usMen: '8.5', usWomen: '10', uk: '8', eu: '42', cm: '27' };

describe('sizes', () => {
  it.each([
    ['8½', '8.5'],
    ['8,5', '8.5'],
    ['EU 42 2/3', '42.67'],
    ['US 9', '9'],
    ['26.50 cm', '26.5'],
    ['100 ml', '100'],
    ['xl', 'XL'],
  ])('%s is compared as %s', (raw, normal) => expect(normaliseSize(raw)).toBe(normal));
  it('finds the row by its key and by what it prints', () => {
    expect(findRow(chart, '42')?.key).toBe('42');
    expect(rowsPrinting(chart, 'uk', '8').map(({ key }) => key)).toEqual(['42']);
  });
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
