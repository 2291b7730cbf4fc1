import { align } from '../codes/align';
import { columnNames } from '../crossread/label/labelNames';
import type { SizeChart } from '../sizes/sizeChart';
import type { SeenWord } from './seenLabel';

/** Runs of letters in their rows. */
type Rows = SeenWord[][][];

/** A size that stands beside or under the name of its system. */
export interface SeenSize {
  column: string;
  raw: string;
  words: SeenWord[];
}

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
  const take = (column: string, head: SeenWord[], value: SeenWord[], raw = textOf(value)) => {
    if (sizes.some((each) => each.column === column)) return;
    sizes.push({ column, raw: figuresIn(raw) ?? raw, words: value });
    taken.add(head).add(value);
  };
  const reads = (cell: SeenWord[]): boolean => isValue(textOf(cell)) || figuresIn(textOf(cell)) !== null;
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
      if (!head || (!head.sure && sure < 2)) continue;
      const next = row[k + 1];
      const value = behind > 0 && next && reads(next) ? next : (facing(cell, rows[i + 1]) ?? facing(cell, rows[i - 1]));
      if (!value || taken.has(value) || taken.has(cell)) continue;
      if (reads(value)) take(head.column, cell, value);
      // Under a system stands a value: what is no value was not read, and is not tried as anything else.
      else if (sure >= 2 && behind === 0) taken.add(cell).add(value);
    }
  }
  const seen = new Set([...taken].flat());
  const rest = rows
    .map((row) => row.filter((cell) => !taken.has(cell) && !cell.every((word) => seen.has(word))))
    .filter((row) => row.length > 0);
  return { sizes, rest };
}
