import { describe, expect, it } from 'vitest';
import type { SizeRow } from '@/core/sizes/sizeChart';
import { copiedCells, freshColumn, gridOf, pasteInto, rowsOf } from './chartGrid';

const columns = [
  { id: 'eu', name: 'EU' },
  { id: 'uk', name: 'UK' },
];
const rows: SizeRow[] = [
  { key: '42', values: { eu: '42', uk: '8' } },
  { key: '43', values: { eu: '43' } },
];

describe('chart grid', () => {
  it('comes back as the chart that it was made of, empty lines and cells left out', () => {
    const grid = gridOf({ columns, rows });
    expect(rowsOf({ ...grid, rows: [...grid.rows, ['', ' ', '']] })).toEqual(rows);
  });
  it('takes a table from a spreadsheet, adding lines and cutting what has no column', () => {
    const grid = pasteInto(gridOf({ columns, rows }), copiedCells('9\t99\r\n9,5\t98\r\n'), 1, 2);
    expect(grid.rows).toEqual([
      ['42', '42', '8'],
      ['43', '43', '9'],
      ['', '', '9,5'],
    ]);
  });
  it('never grows beyond what a chart may hold', () => {
    expect(pasteInto(gridOf({ columns, rows }), copiedCells('1\n'.repeat(500)), 0, 0).rows).toHaveLength(80);
  });
  it('gives a new column an id of its own', () => {
    expect(freshColumn([...columns, { id: 'system3', name: 'cm' }]).id).toBe('system4');
  });
});
