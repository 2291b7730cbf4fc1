import { cleanText } from '../codes/clean';
import type { Notch } from './notches';

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

const FRACTIONS: Record<string, string> = { '1/2': '.5', '1/3': '.33', '2/3': '.67', '1/4': '.25', '3/4': '.75' };

/**
 * A printed size as it is compared: system words and units dropped, halves and thirds made decimals, upper case.
 *
 * @example normaliseSize('EU 42 2/3') // '42.67'
 * @example normaliseSize('8½') // '8.5'
 */
export function normaliseSize(raw: string): string {
  const text = cleanText(raw).replace('⁄', '/').toUpperCase();
  const number =
    /^(?:(?:US|UK|EU|EUR|JP|CM|MM|W|M|WMNS|MENS?)[ .:]*)*(\d+(?:[.,]\d+)?)[ ]*(\d\/\d)?[ ]*(?:CM|MM|ML|EU|US|UK)?$/.exec(
      text.replace(/(\d)(\d\/\d)$/, '$1 $2'),
    );
  if (!number) return text.replace(/[ .]/g, '');
  const fraction = number[2] ? (FRACTIONS[number[2]] ?? `.${number[2]}`) : '';
  const decimal = `${(number[1] as string).replace(',', '.')}${fraction}`;
  return /\.\d*\./.test(decimal) ? decimal : String(Number(decimal));
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

/** The rows of a chart that print this value in this column; several where a maker rounds. */
export function rowsPrinting(chart: SizeChart, column: string, raw: string): SizeRow[] {
  return indexOf(chart).get(column)?.get(normaliseSize(raw)) ?? [];
}

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
  const wanted = Number(normaliseSize(raw));
  const values = chart.rows.map((row) => row.values[column]).filter((value) => value !== undefined);
  if (Number.isNaN(wanted)) return values.slice(0, 3);
  const gap = (value: string) => Math.abs(Number(normaliseSize(value)) - wanted);
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
