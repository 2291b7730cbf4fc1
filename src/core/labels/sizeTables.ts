import { align } from '../codes/align';
import { columnNames } from '../crossread/label/labelNames';
import type { SizeChart } from '../sizes/sizeChart';
import type { SeenWord } from './seenLabel';

/** Runs of letters in their rows. */
type Rows = SeenWord[][][];

/** A size that stands beside or under the name of its system. */
export interface SeenSize {
  column: string;
  words: SeenWord[];
}

const textOf = (cell: SeenWord[]): string => cell.map(({ text }) => text).join(' ');
const plain = (text: string): string => text.toUpperCase().replace(/[^\p{L}]/gu, '');
const isValue = (text: string): boolean =>
  /^(?:\d{1,3}(?:[.,]\d{1,2})?(?: ?[1-3]\/[2-4]|[½⅓⅔])?|X{0,4}[SML])$/i.test(text.trim());

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

const spanOf = (cell: SeenWord[]): [left: number, right: number] => [
  Math.min(...cell.map(({ corners: [a, , , d] }) => Math.min(a.x, d.x))),
  Math.max(...cell.map(({ corners: [, b, c] }) => Math.max(b.x, c.x))),
];

/** The run of another row that stands over or under this one. */
function facing(cell: SeenWord[], row: SeenWord[][] | undefined): SeenWord[] | null {
  const [left, right] = spanOf(cell);
  const under = (row ?? []).filter((other) => {
    const [l, r] = spanOf(other);
    return Math.min(r, right) - Math.max(l, left) > 0.4 * Math.min(r - l, right - left);
  });
  return under.length === 1 ? (under[0] as SeenWord[]) : null;
}

/**
 * Sizes by where they stand: a system with its value behind it in the row, or a row of systems with their values under
 * them. A system's name may have one wrong letter where the rest of its row is right; a value never.
 *
 * @returns what was taken, and the rows without it
 */
export function takeSizes(rows: Rows, chart: SizeChart | null): { sizes: SeenSize[]; rest: Rows } {
  if (!chart) return { sizes: [], rest: rows };
  const names = new Map(
    chart.columns.flatMap(({ id }) => columnNames(chart, id).map((name): [string, string] => [plain(name), id])),
  );
  const sizes: SeenSize[] = [];
  const taken = new Set<SeenWord[]>();
  const take = (column: string, head: SeenWord[], value: SeenWord[]) => {
    if (sizes.some((each) => each.column === column)) return;
    sizes.push({ column, words: value });
    taken.add(head).add(value);
  };
  for (const [i, row] of rows.entries()) {
    const heads = row.map((cell) => columnOf(textOf(cell), names));
    const sure = heads.filter((head) => head?.sure).length;
    const behind = row.filter((_, k) => heads[k] && row[k + 1] && isValue(textOf(row[k + 1] as SeenWord[]))).length;
    for (const [k, cell] of row.entries()) {
      const head = heads[k];
      if (!head || (!head.sure && sure < 2)) continue;
      const next = row[k + 1];
      const value =
        behind > 0 && next && isValue(textOf(next)) ? next : (facing(cell, rows[i + 1]) ?? facing(cell, rows[i - 1]));
      if (!value || taken.has(value)) continue;
      if (isValue(textOf(value))) take(head.column, cell, value);
      // Under a system stands a value: what is no value was not read, and is not tried as anything else.
      else if (sure >= 2 && behind === 0) taken.add(cell).add(value);
    }
  }
  const rest = rows.map((row) => row.filter((cell) => !taken.has(cell))).filter((row) => row.length > 0);
  return { sizes, rest };
}
