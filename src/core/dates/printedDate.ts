import { cleanText } from '../codes/clean';
import { daysInMonth, formatMonth, isoDay } from './day';
import type { DayInterval } from './interval';

/** The order in which a maker or market prints the parts of a date. */
export type DateOrder = 'YMD' | 'DMY' | 'MDY';

export interface DateReading extends DayInterval {
  order: DateOrder;
}

export type DateResult = { readings: DateReading[]; failure?: undefined } | { readings: []; failure: DateFailure };

export interface DateFailure {
  sentence: string;
  /** The text has the form of a date, but no such day exists. */
  impossible: boolean;
}

const MONTHS = ['JAN', 'FEB', 'MAR', 'APR', 'MAY', 'JUN', 'JUL', 'AUG', 'SEP', 'OCT', 'NOV', 'DEC'];

/** Two-digit years belong to this century; packaged retail goods of the last one are out of scope. */
const fullYear = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

function monthNumber(text: string): number {
  const named = MONTHS.indexOf(text.slice(0, 3).toUpperCase());
  return named >= 0 ? named + 1 : Number(text);
}

function monthInterval(year: number, month: number, order: DateOrder): DateReading {
  const from = isoDay(year, month, 1);
  return { from, to: isoDay(year, month, daysInMonth(year, month)), precision: 'month', order };
}

function readParts(parts: string[], order: DateOrder): DateReading | string {
  const [yearText, monthText, dayText] = {
    YMD: [parts[0], parts[1], parts[2]],
    DMY: [parts[2], parts[1], parts[0]],
    MDY: [parts[2], parts[0], parts[1]],
  }[order] as [string, string, string];
  const year = fullYear(yearText);
  const month = monthNumber(monthText);
  const day = Number(dayText);
  if (![2, 4].includes(yearText.length) || !Number.isInteger(year)) return `“${yearText}” is no year.`;
  if (!(month >= 1 && month <= 12)) return `There is no month ${monthText}.`;
  if (!Number.isInteger(day) || day < 1) return `“${dayText}” is no day.`;
  const length = daysInMonth(year, month);
  if (day > length) {
    return `There is no day ${day} in ${formatMonth(isoDay(year, month, 1))}; that month has ${length} days.`;
  }
  const iso = isoDay(year, month, day);
  return { from: iso, to: iso, precision: 'day', order };
}

function readMonth(parts: string[]): DateReading | string {
  const yearFirst = (parts[0] as string).length === 4;
  const [yearText, monthText] = (yearFirst ? parts : [parts[1], parts[0]]) as [string, string];
  const month = monthNumber(monthText);
  if (!(month >= 1 && month <= 12)) return `There is no month ${monthText}.`;
  return monthInterval(fullYear(yearText), month, yearFirst ? 'YMD' : 'DMY');
}

/**
 * Every reading of a printed date: `2024-11-03`, `03/11/24`, `3 NOV 2024`, `11/24`, `NOV 2024`, `2024-11`, `2024`.
 * A day/month order that the text itself does not settle gives two readings; the preferred order comes first.
 *
 * @param raw the text of one date
 * @param preferred the order that the maker or market uses
 * @example readPrintedDate('03/11/24', 'DMY').readings.map((r) => r.from) // ['2024-11-03', '2024-03-11']
 */
export function readPrintedDate(raw: string, preferred: DateOrder): DateResult {
  const text = cleanText(raw);
  const fail = (sentence: string, impossible = false): DateResult => ({
    readings: [],
    failure: { sentence, impossible },
  });
  if (text === '') return fail('The date is empty.');
  const parts = /^[\p{L}\p{N}]+([ ./-][ ]?[\p{L}\p{N}]+){0,2}$/u.test(text) ? text.split(/[ ./-]+/) : [];
  if (parts.length === 0 || parts.some((part) => !/^(\d{1,2}|\d{4}|[A-Za-z]{3,9})$/.test(part))) {
    return fail(`“${text.slice(0, 40)}” is no date; write it as on the label, for example 03/11/24 or 2024-11.`);
  }
  if (parts.length === 1) {
    const year = parts[0] as string;
    if (!/^(19|20)\d\d$/.test(year)) return fail(`“${year}” is no date.`);
    return { readings: [{ from: `${year}-01-01`, to: `${year}-12-31`, precision: 'year', order: 'YMD' }] };
  }
  if (parts.length === 2) {
    const month = readMonth(parts);
    return typeof month === 'string' ? fail(month, true) : { readings: [month] };
  }
  const named = parts.findIndex((part) => /^[A-Za-z]/.test(part));
  let orders: DateOrder[];
  if ((parts[0] as string).length === 4) orders = ['YMD'];
  else if (named === 0) orders = ['MDY'];
  else if (named === 1) orders = preferred === 'YMD' && (parts[2] as string).length !== 4 ? ['YMD', 'DMY'] : ['DMY'];
  else orders = ['DMY', 'MDY'];
  if (preferred === 'YMD' && named < 0 && (parts[2] as string).length === 2 && !orders.includes('YMD'))
    orders.push('YMD');
  orders.sort((a, b) => Number(b === preferred) - Number(a === preferred));

  const readings: DateReading[] = [];
  let firstFailure = '';
  for (const order of orders) {
    const reading = readParts(parts, order);
    if (typeof reading === 'string') firstFailure ||= reading;
    else if (!readings.some((earlier) => earlier.from === reading.from)) readings.push(reading);
  }
  return readings.length > 0 ? { readings } : fail(firstFailure, true);
}
