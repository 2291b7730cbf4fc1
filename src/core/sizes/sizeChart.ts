import { cleanText } from '../codes/clean';
import type { Notch } from './notches';
import { type Amount, convert, normaliseSize, type PrintedSize, readPrintedSize, sizeNumber } from './printedSize';

/** A system in which sizes are printed. The key is also the fact under which a printed size is recorded. */
export interface SizeColumn {
  id: string;
  /** As on the label: `US men`, `EU`, `cm`. */
  name: string;
  unit?: string;
  /** Other ways in which labels name the system: `US M`. */
  aliases?: string[];
}

export interface SizeRow {
  /** The size's name in the records, unique in the chart. */
  key: string;
  /** Column id to printed value. A column may be missing where the maker prints none. */
  values: Record<string, string>;
}

/** A maker's own table of sizes for one line of goods. */
export interface SizeChart {
  id: string;
  maker: string;
  name: string;
  /** The column whose value names the size to people. */
  leading: string;
  columns: SizeColumn[];
  rows: SizeRow[];
  /** What the notches in an insole's edge count; their sum is the size in the leading column. */
  notches?: Notch[];
  /** True where the maker prints the size mirrored, to be seen under UV. */
  mirrored?: boolean;
}

/** Charts are looked through for every printed size of every place, so their own sizes are normalised once. */
const indexed = new WeakMap<SizeChart, Map<string, Map<string, SizeRow[]>>>();

function indexOf(chart: SizeChart): Map<string, Map<string, SizeRow[]>> {
  const known = indexed.get(chart);
  if (known) return known;
  const index = new Map(chart.columns.map(({ id }) => [id, new Map<string, SizeRow[]>()]));
  for (const row of chart.rows) {
    for (const [column, value] of Object.entries(row.values)) {
      const rows = index.get(column);
      const key = normaliseSize(value);
      rows?.set(key, [...(rows.get(key) ?? []), row]);
    }
  }
  indexed.set(chart, index);
  return index;
}

const MM_PER_INCH = 25.4;

/** What a column's own name says of the sizes in it: `US men` is US, for men. */
function namedBy(column: SizeColumn): Pick<PrintedSize, 'system' | 'wearer'> {
  const { system, wearer } = readPrintedSize(`${column.name} 1`);
  return { system, wearer };
}

/** What parts the sizes of one line from one another, and a name from its size. */
export const BETWEEN_SIZES = /[\s/|()·;:]+/;

/** The one row that prints all sizes of a line that gives several: `L EU 50 Chest 106`. */
function rowOfLine(chart: SizeChart, line: string): SizeRow | null {
  const names = new Set(chart.columns.flatMap(({ name }) => name.toUpperCase().split(BETWEEN_SIZES)));
  const sizes = line.split(BETWEEN_SIZES).filter((word) => word !== '' && !names.has(word.toUpperCase()));
  const prints = ({ values }: SizeRow, size: string) =>
    Object.values(values).some((value) => normaliseSize(value) === normaliseSize(size));
  const [row, other] = chart.rows.filter((each) => sizes.every((size) => prints(each, size)));
  return sizes.length > 1 && row && !other ? row : null;
}

/**
 * The key of the row that a text names, by whatever column or several of them; a bare number that is in several rows
 * names none.
 *
 * @returns null where the chart has no such row, or several
 */
export function sizeKeyIn(chart: SizeChart, text: string): string | null {
  const normal = normaliseSize(text);
  const own = chart.rows.find(({ key }) => key === text || normaliseSize(key) === normal);
  if (own) return own.key;
  const [row, other] = new Set(chart.columns.flatMap(({ id }) => fitColumn(chart, id, text).rows));
  return (row && !other ? row.key : rowOfLine(chart, text)?.key) ?? null;
}

/** How a printed size stands to a column of a chart. */
export type SizeFit =
  | { rows: SizeRow[]; note?: string; refusal?: undefined }
  /** `wrong`: no reading makes it a size of this column; else it is only not legible as one. */
  | { rows: []; note?: undefined; refusal: { sentence: string; wrong: boolean } };

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/-]/g, '\\$&').replace(/ +/g, '\\s*');

/** Patterns of the words by which a column is called, before and behind a size. */
const calling = new WeakMap<SizeColumn, { before: RegExp; behind: RegExp }>();

/** A print without what its column is called: `D/F/I 39` where the chart knows that EU is printed as D, F and I too. */
function uncalled(column: SizeColumn, raw: string): string {
  let patterns = calling.get(column);
  if (!patterns) {
    const names = [column.name, ...(column.aliases ?? [])].sort((a, b) => b.length - a.length).map(escaped);
    const called = String.raw`(?<![\p{L}\d])(?:${names.join('|')})(?!\p{L})`;
    patterns = {
      before: new RegExp(String.raw`^(?:${called}[\s/.,:;|-]*)+`, 'iu'),
      behind: new RegExp(String.raw`(?<=\d)(?:[\s/.,:;|(-]+${called}\)?)+$`, 'iu'),
    };
    calling.set(column, patterns);
  }
  return raw.trim().replace(patterns.before, '').replace(patterns.behind, '');
}

/**
 * Every row of a chart that a printed text may stand for in one column: lengths in whatever unit, a bare number of
 * millimetres where the column has centimetres, with or without the words by which the column is called. A system word
 * of another column, or a child's mark in a column that has none, makes it unreadable there; a unit that cannot stand
 * there is wrong.
 */
export function fitColumn(chart: SizeChart, columnId: string, raw: string): SizeFit {
  const fit = fitAsPrinted(chart, columnId, raw);
  const column = chart.columns.find(({ id }) => id === columnId);
  const rest = column && fit.rows.length === 0 ? uncalled(column, raw) : raw;
  if (rest === raw || rest === '') return fit;
  const uncalledFit = fitAsPrinted(chart, columnId, rest);
  return uncalledFit.rows.length > 0 ? uncalledFit : fit;
}

/** The rows that a length in inches stands for, as exactly as it is printed: 39 in is 98 to 100 cm. */
function rowsNear(chart: SizeChart, column: SizeColumn, { value, unit }: Amount): SizeRow[] {
  if (unit !== 'in' || !column.unit) return [];
  const decimals = String(value).split('.')[1]?.length ?? 0;
  const [meant, half] = [value, 0.5 * 10 ** -decimals].map((inches) =>
    convert({ value: inches, unit, dimension: 'mm', inBase: inches * MM_PER_INCH }, column.unit as string),
  ) as [number, number];
  return chart.rows.filter(({ values }) => Math.abs(sizeNumber(values[column.id] ?? '') - meant) <= half);
}

/** The rows that a number with a nought in front stands for: `06` is 6, and `085` is how some print 8.5. */
const rowsOfOpenForm = (index: Map<string, SizeRow[]>, normal: string): SizeRow[][] =>
  /^0\d{1,2}$/.test(normal)
    ? [Number(normal), Number(normal) / 10].flatMap((number) => {
        const rows = index.get(String(number));
        return rows ? [rows] : [];
      })
    : [];

function fitAsPrinted(chart: SizeChart, columnId: string, raw: string): SizeFit {
  const column = chart.columns.find(({ id }) => id === columnId);
  const index = indexOf(chart).get(columnId);
  if (!column || !index) return { rows: [] };
  const size = readPrintedSize(raw);
  const { system, wearer } = namedBy(column);
  const refuse = (sentence: string, wrong: boolean): SizeFit => ({ rows: [], refusal: { sentence, wrong } });
  if (size.system && system && size.system !== system)
    return refuse(`“${size.system}” stands before it, and this is the column ${column.name}.`, false);
  if (size.wearer && wearer && size.wearer !== wearer)
    return refuse(`It is marked as a size for ${size.wearer}, and this is the column ${column.name}.`, false);
  const exact = index.get(size.normal);
  if (exact) return { rows: exact };
  const [amount] = size.amounts;
  if (amount) {
    const value = column.unit ? convert(amount, column.unit) : null;
    if (value === null)
      return refuse(
        `${amount.value} ${amount.unit} cannot stand under ${column.name}${column.unit ? `, which is in ${column.unit}` : ', which has no unit'}.`,
        true,
      );
    const note = amount.unit === column.unit ? undefined : `${amount.unit} as ${column.unit}`;
    const rows = index.get(normaliseSize(String(Number(value.toFixed(2))))) ?? rowsNear(chart, column, amount);
    if (rows.length > 0 && new Set(rows.map(({ values }) => values[columnId])).size === 1) return { rows, note };
    return rows.length > 0
      ? refuse(
          `${amount.value} ${amount.unit} may be any of ${rows.map(({ values }) => values[columnId]).join(', ')}.`,
          false,
        )
      : { rows: [] };
  }
  const open = rowsOfOpenForm(index, size.normal);
  if (open[0] && open.length === 1) return { rows: open[0], note: `${size.normal} as ${open[0][0]?.values[columnId]}` };
  if (open.length > 1)
    return refuse(`${size.normal} may be ${open.map(([row]) => row?.values[columnId]).join(' or ')}.`, false);
  if (size.child && ![...index.keys()].some((key) => key.endsWith(size.child as string)))
    return refuse(
      `It is marked as a child’s size (${size.child}); ${chart.name} marks none under ${column.name}.`,
      false,
    );
  if (size.wearer && column.unit)
    return refuse(`What “${cleanText(raw).slice(0, 20)}” measures under ${column.name} cannot be told.`, false);
  const millimetres = column.unit === 'cm' && size.number !== null ? index.get(String(size.number / 10)) : undefined;
  return millimetres ? { rows: millimetres, note: 'mm as cm' } : { rows: [] };
}

/** The rows of a chart that print this value in this column; several where a maker rounds. */
export const rowsPrinting = (chart: SizeChart, column: string, raw: string): SizeRow[] =>
  fitColumn(chart, column, raw).rows;

/** A printed text as a mirror shows it. */
export const mirrored = (text: string): string => [...text].reverse().join('');

/** The row whose key or leading value this is. */
export function findRow(chart: SizeChart, size: string): SizeRow | undefined {
  return chart.rows.find((row) => row.key === size) ?? rowsPrinting(chart, chart.leading, size)[0];
}

export type SizeProblem =
  | { kind: 'notInChart'; column: string; value: string; nearest: string[] }
  | { kind: 'columnsDisagree'; column: string; value: string; expected: string | null; others: string[] };

export interface SizeConsistency {
  /** The sizes of the chart that account for every printed column. */
  rows: SizeRow[];
  problems: SizeProblem[];
}

/** Up to three values of the column that are closest to what was printed, for a helpful refusal. */
function nearestValues(chart: SizeChart, column: string, raw: string): string[] {
  const wanted = sizeNumber(raw);
  const values = chart.rows.map((row) => row.values[column]).filter((value) => value !== undefined);
  if (Number.isNaN(wanted)) return values.slice(0, 3);
  const gap = (value: string) => Math.abs(sizeNumber(value) - wanted);
  return [...values].sort((a, b) => gap(a) - gap(b)).slice(0, 3);
}

/**
 * Whether sizes printed together in several systems can all be one size of the chart. Where they cannot, the
 * size that most columns print is taken as meant and the columns that stray from it are the problems.
 *
 * @param printed column id to raw value
 */
export function sizesAgree(chart: SizeChart, printed: Record<string, string>): SizeConsistency {
  const problems: SizeProblem[] = [];
  const fitting = new Map<string, SizeRow[]>();
  for (const [column, value] of Object.entries(printed)) {
    const rows = rowsPrinting(chart, column, value);
    if (rows.length > 0) fitting.set(column, rows);
    else problems.push({ kind: 'notInChart', column, value, nearest: nearestValues(chart, column, value) });
  }
  const columnsOf = (row: SizeRow) => [...fitting.keys()].filter((column) => fitting.get(column)?.includes(row));
  const most = Math.max(0, ...chart.rows.map((row) => columnsOf(row).length));
  const rows = most === 0 ? [] : chart.rows.filter((row) => columnsOf(row).length === most);
  const [meant] = rows;
  if (meant) {
    const others = columnsOf(meant);
    for (const column of fitting.keys()) {
      if (others.includes(column)) continue;
      problems.push({
        kind: 'columnsDisagree',
        column,
        value: printed[column] as string,
        expected: meant.values[column] ?? null,
        others,
      });
    }
  }
  return { rows: problems.length > 0 ? [] : rows, problems };
}
