import type { Condition } from '../checks/check';
import type { Day } from '../dates/day';
import { readPrintedDate } from '../dates/printedDate';
import { columnsCalled } from '../tables/columnsCalled';
import { readTable, type TableRow } from '../tables/readTable';
import { type Comparable, MOST_COMPARABLES } from './comparable';
import { MOST_MONEY, type Money, moneyOf } from './money';

type Field = 'price' | 'currency' | 'sold' | 'day' | 'condition' | 'size' | 'channel' | 'seller';

/** What columns are called, in small letters without spaces or signs. */
const CALLED: Record<Field, string[]> = {
  price: ['price', 'amount', 'preis', 'prix', 'precio', 'prezzo', 'betrag', 'asked', 'paid'],
  currency: ['currency', 'curr', 'wahrung', 'devise', 'moneda', 'valuta'],
  sold: ['sold', 'state', 'status', 'verkauft', 'vendu', 'vendido', 'type'],
  day: ['date', 'day', 'datum', 'fecha', 'data', 'soldon', 'listedon'],
  condition: ['condition', 'zustand', 'etat', 'estado', 'condizione'],
  size: ['size', 'grosse', 'groesse', 'taille', 'talla', 'taglia', 'volume'],
  channel: ['channel', 'site', 'where', 'kanal', 'canal', 'marketplace'],
  seller: ['seller', 'shop', 'verkaufer', 'vendeur', 'vendedor', 'venditore'],
};

const SOLD = /^(?:sold|paid|ended|yes|true|1|verkauft|vendu|vendido|venduto)$/i;
const CONDITIONS: [RegExp, Condition][] = [
  [/^(?:new|neu|neuf|nuevo|nuovo|unworn|unused|deadstock|sealed)/i, 'new'],
  [/^(?:worn|used|gebraucht|getragen|usad[oa]|port[ée]|usato|opened|good|very good|fair)/i, 'worn'],
  [/^(?:aged|old|vintage|alt)/i, 'aged'],
];

/** A row that is left out. */
interface WrongRow {
  line: number;
  why: string;
}

/** What a table of prices holds. */
export interface ReadComparables {
  comparables: Comparable[];
  /** Rows that are left out, and why. */
  wrong: WrongRow[];
}

const conditionOf = (text: string): Condition | undefined => CONDITIONS.find(([words]) => words.test(text))?.[1];

/** An amount with or without its currency; a sentence where it is none. */
function amountIn(text: string, currency: string): Money | string {
  const money = moneyOf(text) ?? moneyOf(`${currency} ${text}`);
  if (!money) return `“${text}” in “${currency || 'no currency'}” is no price.`;
  if (money.amount === 0) return 'A price of 0 is none.';
  if (money.amount > MOST_MONEY) return `${text} is more than any item costs.`;
  return money;
}

function dayIn(text: string, today: Day): Day | undefined {
  const day = readPrintedDate(text, { preferred: 'DMY', latest: today }).readings[0]?.from;
  return day !== undefined && day <= today ? day : undefined;
}

/** Which field each cell of a row without headings holds, by what it looks like. */
function fieldsByLook(cells: string[], sizes: string[]): (Field | null)[] {
  const given = new Set<Field>();
  const take = (field: Field) => {
    if (given.has(field)) return null;
    given.add(field);
    return field;
  };
  return cells.map((cell) => {
    if (moneyOf(cell)) return take('price');
    if (SOLD.test(cell) || /^(?:asked|asking|listed)$/i.test(cell)) return take('sold');
    if (conditionOf(cell)) return take('condition');
    if (sizes.some((size) => size.toUpperCase() === cell.toUpperCase())) return take('size');
    if (/\d{4}|[./-]\d/.test(cell) && readPrintedDate(cell, 'DMY').readings.length > 0) return take('day');
    if (/^\d[\d.,]*$/.test(cell)) return take('price');
    return /\p{L}{2}/u.test(cell) ? take('seller') : null;
  });
}

function readRow(
  { line, cells }: TableRow,
  fields: (Field | null)[],
  { currency, today }: { currency: string; today: Day },
): Comparable | WrongRow {
  const of = (field: Field) => cells[fields.indexOf(field)] ?? '';
  const wrong = (why: string) => ({ line, why });
  if (of('price') === '') return wrong('There is no price in it.');
  const money = amountIn(of('price'), of('currency').toUpperCase() || currency);
  if (typeof money === 'string') return wrong(money);
  const day = of('day') === '' ? undefined : dayIn(of('day'), today);
  if (of('day') !== '' && day === undefined) return wrong(`“${of('day')}” is no day up to today.`);
  const condition = conditionOf(of('condition'));
  const text = (field: Field, most: number) => of(field).slice(0, most);
  return {
    ...money,
    sold: SOLD.test(of('sold')),
    ...(day ? { day } : {}),
    ...(condition ? { condition } : {}),
    ...(of('size') ? { size: text('size', 40) } : {}),
    ...(of('channel') ? { channel: text('channel', 80) } : {}),
    ...(of('seller') ? { seller: text('seller', 120) } : {}),
  };
}

/**
 * Prices of others from a table or from lines that somebody typed: with headings, or each cell by what it looks like.
 *
 * @param known the currency of what names none, sizes of the release, and today
 * @example readComparables('120; sold; worn; 42', { currency: 'EUR', sizes: ['42'], today }).comparables
 * @throws RangeError where it is no table that can be read
 */
export function readComparables(
  text: string,
  known: { currency: string; sizes: string[]; today: Day },
): ReadComparables {
  const rows = readTable(text);
  const headed = columnsCalled(rows[0]?.cells ?? [], CALLED);
  const hasHeadings = headed.includes('price') && !rows[0]?.cells.some((cell) => /^\d/.test(cell));
  const read = (hasHeadings ? rows.slice(1) : rows).map((row) =>
    readRow(row, hasHeadings ? headed : fieldsByLook(row.cells, known.sizes), known),
  );
  const wrong = read.filter((row): row is WrongRow => 'why' in row);
  const all = read
    .filter((row): row is Comparable => !('why' in row))
    .sort((a, b) => (b.day ?? '').localeCompare(a.day ?? ''));
  const comparables = all.slice(0, MOST_COMPARABLES);
  if (all.length > comparables.length)
    wrong.push({ line: 0, why: `Of ${all.length.toLocaleString('en')} the newest ${MOST_COMPARABLES} are kept.` });
  return { comparables, wrong };
}
