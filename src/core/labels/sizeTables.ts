import { align } from '../codes/align';
import { columnNames } from '../crossread/label/labelNames';
import { normaliseSize } from '../sizes/printedSize';
import type { SizeChart, SizeRow } from '../sizes/sizeChart';
import type { SeenWord } from './readPrint';

/** Runs of letters in their rows. */
type Rows = SeenWord[][][];

/** A size that stands beside or under the name of its system. */
export interface SeenSize {
  column: string;
  raw: string;
  words: SeenWord[];
}

/** So many values in a row are a row of the chart by no chance. */
const LEAST_VALUES = 3;

const textOf = (cell: SeenWord[]): string => cell.map(({ text }) => text).join(' ');
const plain = (text: string): string => text.toUpperCase().replace(/[^\p{L}]/gu, '');
const isValue = (text: string): boolean =>
  /^(?:\d{1,3}(?:[.,]\d{1,2})?(?: ?[1-3]\/[2-4]|[½⅓⅔])?|X{0,4}[SML])$/i.test(text.trim());

/** Strokes that recognition takes for letters where sizes have figures. */
const STROKES: Record<string, string> = { l: '1', I: '1', i: '1', '|': '1', O: '0', o: '0' };

/** A text of figures, its strokes read as such; null where anything else is in it. */
function figuresIn(text: string): string | null {
  const figures = text.replace(/[lIi|Oo]/g, (stroke) => STROKES[stroke] ?? stroke);
  return /\d/.test(figures) && isValue(figures) && !/[XSML]/i.test(figures) ? figures : null;
}

/** A system and its value in one run, as in `usm10.5`. */
function joined(text: string, names: Map<string, string>): { column: string; value: string } | null {
  const run = text.replace(/\s+/g, '');
  for (const [name, column] of [...names].sort((a, b) => b[0].length - a[0].length)) {
    if (!run.toUpperCase().startsWith(name)) continue;
    const value = figuresIn(run.slice(name.length));
    if (value !== null) return { column, value };
  }
  return null;
}

/** The column that a run names, surely or but for one letter; letters alone are no value. */
function columnOf(text: string, names: Map<string, string>): { column: string; sure: boolean } | null {
  const word = plain(text);
  if (word === '' || word.length > 8 || /\d/.test(text)) return null;
  const exact = names.get(word);
  if (exact) return { column: exact, sure: true };
  const near = [...names].filter(([name]) => name.length > 1 && align(name, word).distance <= 1);
  const columns = new Set(near.map(([, column]) => column));
  return columns.size === 1 ? { column: [...columns][0] as string, sure: false } : null;
}

/** Systems with their values within one run: `usm10.5 usw12`. */
function pairsIn(cell: SeenWord[], names: Map<string, string>): { run: SeenWord[]; column: string; value: string }[] {
  const whole = joined(textOf(cell), names);
  if (whole) return [{ run: cell, ...whole }];
  const each = cell.map((word) => ({ run: [word], pair: joined(word.text, names) }));
  return each.flatMap(({ run, pair }) => (pair ? [{ run, ...pair }] : []));
}

const spanOf = (cell: SeenWord[]): [left: number, right: number] => [
  Math.min(...cell.map(({ span }) => span[0])),
  Math.max(...cell.map(({ span }) => span[1])),
];

/** The run that stands over or under this one, in the first of some rows that has any there. */
function facing(cell: SeenWord[], rows: (SeenWord[][] | undefined)[]): SeenWord[] | null {
  const [left, right] = spanOf(cell);
  for (const row of rows) {
    const under = (row ?? []).filter((other) => {
      const [l, r] = spanOf(other);
      return Math.min(r, right) - Math.max(l, left) > 0.4 * Math.min(r - l, right - left);
    });
    if (under.length > 0) return under.length === 1 ? (under[0] as SeenWord[]) : null;
  }
  return null;
}

/** A run as what it says where sizes stand: figures, where it was read as no size otherwise. */
function asSize(cell: SeenWord[]): SeenWord[] {
  const [word] = cell;
  const text = textOf(cell);
  if (cell.length !== 1 || !word?.figures || isValue(text) || figuresIn(text) !== null) return cell;
  return [{ ...word, ...word.figures }];
}

/** A value in the form in which sizes are compared; null where the cell holds none. */
function valueIn(cell: SeenWord[]): string | null {
  const text = textOf(asSize(cell));
  const figures = figuresIn(text) ?? (isValue(text) ? text : null);
  return figures === null ? null : normaliseSize(figures);
}

/** The columns of a chart's row in which a row of values stands, in the order of the chart; null where it does not. */
function columnsOf(values: string[], chart: SizeChart, row: SizeRow): string[] | null {
  const columns: string[] = [];
  let at = 0;
  for (const { id } of chart.columns) {
    const printed = row.values[id];
    if (at < values.length && printed !== undefined && normaliseSize(printed) === values[at]) {
      columns.push(id);
      at++;
    }
  }
  return at === values.length ? columns : null;
}

/** A row of values that is one row of the chart and no other: the names over it need not be read. */
function rowOfChart(cells: SeenWord[][], chart: SizeChart): string[] | null {
  const values = cells.map(valueIn);
  if (values.length < LEAST_VALUES || values.some((value) => value === null)) return null;
  const fitting = chart.rows.flatMap((row) => {
    const columns = columnsOf(values as string[], chart, row);
    return columns ? [columns] : [];
  });
  return fitting.length === 1 ? (fitting[0] as string[]) : null;
}

/** The one row of the chart that has all of these sizes; null where they are too few, or of several rows. */
function rowWith(sizes: SeenSize[], chart: SizeChart): SizeRow | null {
  if (sizes.length < 2) return null;
  const rows = chart.rows.filter((row) =>
    sizes.every(({ column, raw }) => normaliseSize(row.values[column] ?? '') === normaliseSize(raw)),
  );
  return rows.length === 1 ? (rows[0] as SizeRow) : null;
}

/** A row without the runs that were read as nothing but figures. */
const legible = (row: SeenWord[][]): SeenWord[][] => row.filter((cell) => textOf(cell) !== '');

/**
 * Sizes by where they stand: a system with its value behind it in the row, or a row of systems with their values under
 * them. A system's name may have one wrong letter where the rest of its row is right, and need not be read at all where
 * the values are one row of the chart; a value is never mended.
 *
 * @returns what was taken, and the rows without it
 */
export function takeSizes(rows: Rows, chart: SizeChart | null): { sizes: SeenSize[]; rest: Rows } {
  if (!chart) return { sizes: [], rest: rows.map(legible).filter((row) => row.length > 0) };
  const names = new Map(
    chart.columns.flatMap(({ id }) => columnNames(chart, id).map((name): [string, string] => [plain(name), id])),
  );
  const sizes: SeenSize[] = [];
  const taken = new Set<SeenWord[]>();
  const take = (column: string, head: SeenWord[], value: SeenWord[], said?: string) => {
    if (sizes.some((each) => each.column === column)) return;
    const size = asSize(value);
    const raw = said ?? textOf(size);
    sizes.push({ column, raw: figuresIn(raw) ?? raw, words: size });
    taken.add(head).add(value);
  };
  const reads = (cell: SeenWord[]): boolean => valueIn(cell) !== null;
  for (const [i, row] of rows.entries()) {
    const columns = rowOfChart(row, chart);
    if (!columns) continue;
    for (const [k, cell] of row.entries()) take(columns[k] as string, cell, cell);
    // Their names, as far as they were read, are none of anything else.
    for (const cell of [...(rows[i - 1] ?? []), ...(rows[i - 2] ?? [])])
      if (columnOf(textOf(cell), names)) taken.add(cell);
  }
  const pending: { column: string; head: SeenWord[]; value: SeenWord[] }[] = [];
  for (const [i, row] of rows.entries()) {
    const pairs = row.map((cell) => pairsIn(cell, names));
    const heads = row.map((cell, k) => {
      const free = cell.filter((word) => !pairs[k]?.some(({ run }) => run.includes(word)));
      return columnOf(textOf(free), names);
    });
    const sure = heads.filter((head) => head?.sure).length;
    const behind = row.filter((_, k) => heads[k] && row[k + 1] && reads(row[k + 1] as SeenWord[])).length;
    for (const [k, cell] of row.entries()) {
      for (const { run, column, value } of pairs[k] ?? []) take(column, run, run, value);
      const head = heads[k];
      if (!head || taken.has(cell)) continue;
      const next = row[k + 1];
      if (!head.sure && sure < 2) {
        if (next && reads(next)) pending.push({ column: head.column, head: cell, value: next });
        continue;
      }
      const value =
        behind > 0 && next && reads(next)
          ? next
          : (facing(cell, [rows[i + 1], rows[i + 2]]) ?? facing(cell, [rows[i - 1]]));
      if (!value || taken.has(value) || taken.has(cell)) continue;
      if (reads(value)) take(head.column, cell, value);
      // Under a system stands a value: what is no value was not read, and is not tried as anything else.
      else if (sure >= 2 && behind === 0) taken.add(cell).add(value);
    }
  }
  // A name with one wrong letter is believed where the value beside it is that of all other sizes.
  const chartRow = rowWith(sizes, chart);
  for (const { column, head, value } of pending)
    if (!taken.has(value) && valueIn(value) === normaliseSize(chartRow?.values[column] ?? ''))
      take(column, head, value);
  const seen = new Set([...taken].flat());
  const rest = rows
    .map((row) => legible(row.filter((cell) => !taken.has(cell) && !cell.every((word) => seen.has(word)))))
    .filter((row) => row.length > 0);
  return { sizes, rest };
}
