import { describe, expect, it } from 'vitest';
import { CHARTS } from '@/demo/makers';
import { rectangle } from '../measure/homography';
import type { SeenWord } from './readPrint';
import { takeSizes } from './sizeTables';

const COURT = CHARTS.find(({ id }) => id === 'veskarn-court') ?? null;

/** Rows of runs as they stand: a run may hold several words, `_` is a gap. */
function rowsOf(...rows: string[]): SeenWord[][][] {
  return rows.map((row, y) =>
    row.split(/\s{2,}/).flatMap((run, x) =>
      run === '_'
        ? []
        : [
            run.split(' ').map(
              (text, i): SeenWord => ({
                text,
                confidence: 0.9,
                corners: rectangle(100 * x + 20 * i, 40 * y, 18, 20),
                span: [100 * x + 20 * i, 100 * x + 20 * i + 18],
              }),
            ),
          ],
    ),
  );
}

const taken = (...rows: string[]): Record<string, string> =>
  Object.fromEntries(takeSizes(rowsOf(...rows), COURT).sizes.map(({ column, raw }) => [column, raw]));

describe('sizes by where they stand', () => {
  it.each<[string, string[], Record<string, string>]>([
    [
      'values under their systems',
      ['USM  USW  UK  EU  CM', '8.5  10  8  42  27'],
      { usMen: '8.5', usWomen: '10', uk: '8', eu: '42', cm: '27' },
    ],
    [
      'a system with one wrong letter among right ones',
      ['USM  USW  UK  EV  CM', '8.5  10  8  42  27'],
      { usMen: '8.5', usWomen: '10', uk: '8', eu: '42', cm: '27' },
    ],
    [
      'a value that was not read is left out, not shifted',
      ['USM  USW  UK  EU  CM', '8.5  n  8  42  27'],
      { usMen: '8.5', uk: '8', eu: '42', cm: '27' },
    ],
    [
      'a system that was not seen, over a value of no such row',
      ['USM  _  UK  EU  CM', '8.5  10.5  8  42  27'],
      { usMen: '8.5', uk: '8', eu: '42', cm: '27' },
    ],
    [
      'values that are one row of the chart, whatever was read over them',
      ['Sw  i  L', '8.5  10  8  42  27'],
      { usMen: '8.5', usWomen: '10', uk: '8', eu: '42', cm: '27' },
    ],
    ['values of several rows of the chart, under nothing that can be read', ['Sw  i  L', '8.5  10  8  43  27'], {}],
    ['two values alone, which may be anything', ['Sw  i', '42  27'], {}],
    [
      'a name with one wrong letter, by the value that all other sizes have',
      ['UK  8', 'EV  42  CM  27'],
      { uk: '8', eu: '42', cm: '27' },
    ],
    ['no such name beside a value of another row', ['UK  8', 'EV  43  CM  27'], { uk: '8', cm: '27' }],
    ['values behind their systems', ['UK  8  EU  42', 'CM  27'], { uk: '8', eu: '42', cm: '27' }],
    ['run together', ['usm8.5 uswl0', 'UK 8'], { usMen: '8.5', usWomen: '10', uk: '8' }],
    [
      'strokes that were taken for letters',
      ['USM  USW  UK', 'll  12.5  lO'],
      { usMen: '11', usWomen: '12.5', uk: '10' },
    ],
    ['nothing where no system is named', ['TARN  COURT', '42  27'], {}],
    ['nothing from one doubtful name', ['EV', '42'], {}],
  ])('%s', (_, rows, sizes) => {
    expect(taken(...rows)).toEqual(sizes);
  });

  it('takes a run for the figures that it may be where a size stands, and for nothing elsewhere', () => {
    const rows = rowsOf('USM  USW  UK  EU  CM', '8.5  n  8  42  ?', 'Bs');
    const figures = (row: number, run: number, text: string) => {
      const [word] = rows[row]?.[run] ?? [];
      if (word) word.figures = { text, confidence: 0.7 };
    };
    figures(1, 1, '10');
    figures(1, 4, '27');
    figures(2, 0, '85');
    for (const word of rows[1]?.[4] ?? []) word.text = '';
    const { sizes, rest } = takeSizes(rows, COURT);
    const read = sizes.map(({ column, raw, words }) => [column, raw, words[0]?.confidence]);
    expect(read).toContainEqual(['usWomen', '10', 0.7]);
    expect(read).toContainEqual(['cm', '27', 0.7]);
    expect(rest.flat(2).map(({ text }) => text)).toEqual(['Bs']);
  });

  it('finds a value under its system where something else was read between them', () => {
    expect(taken('EU  _', '_  nn', '43  _')).toEqual({ eu: '43' });
  });

  it('takes what it has read out of the rows, and leaves the rest', () => {
    const { rest } = takeSizes(rowsOf('TARN COURT', 'UK  EU', '8  42', 'MADE IN'), COURT);
    expect(rest.map((row) => row.flat().map(({ text }) => text))).toEqual([
      ['TARN', 'COURT'],
      ['MADE', 'IN'],
    ]);
  });
});
