import Papa from 'papaparse';

/** A row of a table, and the line on which it begins, from 1. */
export interface TableRow {
  line: number;
  cells: string[];
}

/** More is no table that somebody wrote for this. */
export const MOST_ROWS = 50_000;
const MOST_CELL = 400;

/**
 * The rows of a text with separators, whichever they are; what stands in a cell is text and nothing else.
 *
 * @throws RangeError where it has more than `MOST_ROWS` rows
 */
export function readTable(text: string): TableRow[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  if (errors.some(({ code }) => code === 'MissingQuotes')) throw new RangeError('A quotation mark is not closed.');
  let line = 1;
  const rows: TableRow[] = [];
  for (const cells of data) {
    const at = line;
    line += 1 + cells.reduce((breaks, cell) => breaks + (cell.match(/\n/g)?.length ?? 0), 0);
    const clean = cells.map((cell) => cell.normalize('NFC').trim().slice(0, MOST_CELL));
    if (clean.some((cell) => cell !== '')) rows.push({ line: at, cells: clean });
    if (rows.length > MOST_ROWS)
      throw new RangeError(`It has more than ${MOST_ROWS.toLocaleString('en')} rows; split it.`);
  }
  return rows;
}
