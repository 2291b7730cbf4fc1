import type { SizeChart, SizeColumn, SizeRow } from '@/core/sizes/sizeChart';

/** A chart as a grid of texts: the size's name first, then a text for each column. */
export interface ChartGrid {
  columns: SizeColumn[];
  rows: string[][];
}

const MOST_ROWS = 80;

export function gridOf({ columns, rows }: Pick<SizeChart, 'columns' | 'rows'>): ChartGrid {
  return { columns, rows: rows.map(({ key, values }) => [key, ...columns.map(({ id }) => values[id] ?? '')]) };
}

/** The rows of a grid as a chart holds them; lines without any text are left out. */
export function rowsOf({ columns, rows }: ChartGrid): SizeRow[] {
  return rows
    .map((cells) => cells.map((cell) => cell.trim()))
    .filter((cells) => cells.some((cell) => cell !== ''))
    .map(([key = '', ...cells]) => ({
      key,
      values: Object.fromEntries(columns.flatMap(({ id }, i) => (cells[i] ? [[id, cells[i]]] : []))),
    }));
}

/** The cells of a copied table, as a spreadsheet puts them on the clipboard. */
export function copiedCells(text: string): string[][] {
  return text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()));
}

/** Lay copied cells over a grid from one of its cells on; rows are added, columns that are not there are cut. */
export function pasteInto(grid: ChartGrid, cells: string[][], atRow: number, atColumn: number): ChartGrid {
  const width = grid.columns.length + 1;
  const height = Math.min(MOST_ROWS, Math.max(grid.rows.length, atRow + cells.length));
  const rows = Array.from({ length: height }, (_, row) =>
    Array.from({ length: width }, (_, column) => {
      const pasted = cells[row - atRow]?.[column - atColumn];
      return (column >= atColumn ? pasted : undefined) ?? grid.rows[row]?.[column] ?? '';
    }),
  );
  return { ...grid, rows };
}

/** An id for a new column, from its name, that no other column has. */
export function freshColumn(columns: SizeColumn[]): SizeColumn {
  for (let i = columns.length + 1; ; i++) {
    const id = `system${i}`;
    if (!columns.some((column) => column.id === id)) return { id, name: '' };
  }
}
