import type { DateOrder, TakenOrder } from './dateOrder';
import { type DateToken, dateTokens } from './dateTokens';
import { addDays, type Day, daysInMonth, formatDay, formatMonth, isoDay, WEEKDAYS, weekdayOf } from './day';
import type { DayInterval } from './interval';
import { isoWeekStart } from './isoWeek';

export interface DateReading extends DayInterval {
  /** The order in which its numbers were taken; null where the text itself settles what is what. */
  order: TakenOrder | null;
}

export type DateResult = { readings: DateReading[]; failure?: undefined } | { readings: []; failure: DateFailure };

export interface DateFailure {
  sentence: string;
  /** The text has the form of a date, but no such day exists. */
  impossible: boolean;
}

/** One attempt: a reading, or why there is none; an empty sentence where the text has another form. */
type Attempt = DateReading | string;

const NO_FORM = '';
/** Two-digit years belong to this century; packaged retail goods of the last one are out of scope. */
const yearOf = (text: string): number =>
  text.length === 2 ? 2000 + Number(text) : text.length === 4 ? Number(text) : Number.NaN;
const isYear = (text = ''): boolean => /^(19|20)\d\d$/.test(text);

function onDay(yearText: string, month: number, dayText: string, order: DateOrder | null): Attempt {
  const year = yearOf(yearText);
  const day = Number(dayText);
  if (Number.isNaN(year) || dayText.length > 2) return NO_FORM;
  if (!(month >= 1 && month <= 12)) return `There is no month ${month}.`;
  if (day < 1) return `“${dayText}” is no day.`;
  const length = daysInMonth(year, month);
  if (day > length)
    return `There is no day ${day} in ${formatMonth(isoDay(year, month, 1))}; that month has ${length} days.`;
  const iso = isoDay(year, month, day);
  return { from: iso, to: iso, precision: 'day', order };
}

function inMonth(yearText: string, month: number, order: DateOrder | null): Attempt {
  const year = yearOf(yearText);
  if (Number.isNaN(year)) return NO_FORM;
  if (!(month >= 1 && month <= 12)) return `There is no month ${String(month).padStart(2, '0')}.`;
  return { from: isoDay(year, month, 1), to: isoDay(year, month, daysInMonth(year, month)), precision: 'month', order };
}

function inWeek(yearText: string, weekText: string): Attempt {
  const year = yearOf(yearText);
  if (Number.isNaN(year) || weekText.length > 2) return NO_FORM;
  const from = isoWeekStart(year, Number(weekText));
  if (from === null || Number(weekText) < 1) return `${year} has no week ${weekText}.`;
  return { from, to: addDays(from, 6), precision: 'week', order: null };
}

/** A day of an ISO week, Monday is 1: `2024-W45-7`. */
function onWeekday(yearText: string, weekText: string, weekday: string): Attempt {
  const week = inWeek(yearText, weekText);
  if (typeof week === 'string' || !/^[1-7]$/.test(weekday)) return typeof week === 'string' ? week : NO_FORM;
  const day = addDays(week.from, Number(weekday) - 1);
  return { from: day, to: day, precision: 'day', order: null };
}

/** A day of the year, counted from 1: `2024-308`. */
function onDayOfYear(yearText: string, countText: string): Attempt {
  const year = yearOf(yearText);
  const count = Number(countText);
  if (Number.isNaN(year) || count < 1) return NO_FORM;
  const day = addDays(isoDay(year, 1, 1), count - 1);
  if (!day.startsWith(String(year))) return `${year} has no day ${count}.`;
  return { from: day, to: day, precision: 'day', order: null };
}

/** A run of months; those above 12 lie in the year after. */
function monthsIn(yearText: string, [first, last]: [number, number], precision: 'quarter' | 'span'): Attempt {
  const year = yearOf(yearText);
  if (Number.isNaN(year)) return NO_FORM;
  const end = last > 12 ? { year: year + 1, month: last - 12 } : { year, month: last };
  const to = isoDay(end.year, end.month, daysInMonth(end.year, end.month));
  return { from: isoDay(year, first, 1), to, precision, order: null };
}

function part(yearText: string, countText: string, months: 3 | 6): Attempt {
  const count = Number(countText);
  if (countText.length !== 1 || count < 1 || count * months > 12) return `There is no ${countText} of ${12 / months}.`;
  return monthsIn(yearText, [months * (count - 1) + 1, months * count], months === 3 ? 'quarter' : 'span');
}

const numbers = (tokens: DateToken[]): string[] =>
  tokens.filter(({ kind }) => kind === 'number').map(({ text }) => text);

/** Three numbers in every order that their lengths allow. */
function triple([a, b, c]: [string, string, string]): Attempt[] {
  if (a.length === 4) return [onDay(a, Number(b), c, null)];
  const dayFirst = onDay(c, Number(b), a, 'DMY');
  const monthFirst = onDay(c, Number(a), b, 'MDY');
  return c.length === 4 ? [dayFirst, monthFirst] : [dayFirst, monthFirst, onDay(a, Number(b), c, 'YMD')];
}

/** Two numbers: month and year, or week and year. */
function pair([a, b]: [string, string]): Attempt[] {
  if (a.length === 4 && b.length === 3) return [onDayOfYear(a, b)];
  if (a.length === 4) {
    const month = inMonth(a, Number(b), null);
    return typeof month === 'string' && Number(b) > 12 ? [inWeek(a, b), month] : [month];
  }
  if (b.length === 4) {
    const month = inMonth(b, Number(a), null);
    const week = inWeek(b, a);
    // No month has so high a number: whoever wrote it meant a week.
    if (Number(a) > 12 && typeof week === 'string') return [week];
    return [month, typeof week === 'string' || typeof month === 'string' ? week : { ...week, order: 'WY' }];
  }
  // `3/11` is as likely the third of November: a year is missing.
  if (a.length === 1 && Number(b) <= 12) return [];
  const months = [inMonth(b, Number(a), 'DMY'), inMonth(a, Number(b), 'YMD')];
  return months.some((each) => typeof each !== 'string') ? months : [...months, inWeek(b, a), inWeek(a, b)];
}

/** Digits without separators: `2019`, `0819`, `110819`, `201908`, `20190811`. */
function run(text: string): Attempt[] {
  const cut = (first: number, second: number): [string, string, string] => [
    text.slice(0, first),
    text.slice(first, first + second),
    text.slice(first + second),
  ];
  switch (text.length) {
    case 8:
      return isYear(text.slice(0, 4)) ? [...triple(cut(4, 2)), ...triple(cut(2, 2))] : triple(cut(2, 2));
    case 6:
      return [
        ...(isYear(text.slice(0, 4)) ? pair([text.slice(0, 4), text.slice(4)]) : []),
        ...(text.slice(2, 4) === '20' ? pair([text.slice(0, 2), text.slice(2)]) : []),
        ...triple(cut(2, 2)),
      ];
    case 4: {
      const parts = pair([text.slice(0, 2), text.slice(2)]);
      if (!isYear(text)) return parts;
      const year: Attempt = { from: `${text}-01-01`, to: `${text}-12-31`, precision: 'year', order: null };
      return [year, ...parts.filter((each) => typeof each !== 'string' && each.precision === 'month')];
    }
    default:
      return [];
  }
}

function namedMonth(tokens: DateToken[], month: number): Attempt[] {
  const [a = '', b = ''] = numbers(tokens);
  const at = tokens.findIndex(({ kind }) => kind === 'month');
  if (tokens.length === 2) return at === 0 || a.length === 4 ? [inMonth(a, month, null)] : [];
  if (at === 0) return b.length === 1 || a.length === 4 ? [onDay(a, month, b, null)] : [onDay(b, month, a, null)];
  if (at === 2) return [a.length === 4 ? onDay(a, month, b, null) : NO_FORM];
  if (a.length === 4) return [onDay(a, month, b, null)];
  return b.length === 4 || a.length === 1
    ? [onDay(b, month, a, null)]
    : [onDay(b, month, a, 'DMY'), onDay(a, month, b, 'YMD')];
}

function week(tokens: DateToken[]): Attempt[] {
  const [a = '', b = ''] = numbers(tokens);
  const marked = tokens.findIndex(({ kind }) => kind === 'week') + 1;
  if (tokens.length === 2 && a.length === 4)
    return [inWeek(a.slice(2), a.slice(0, 2)), inWeek(a.slice(0, 2), a.slice(2))];
  const [, , weekday] = numbers(tokens);
  if (tokens.length === 4 && marked === 2 && weekday) return [onWeekday(a, b, weekday)];
  if (tokens.length !== 3) return [];
  if (b.length === 4 || marked === 1) return [inWeek(b, a)];
  if (a.length === 4) return [inWeek(a, b)];
  // Of two pairs, most print the year in front of the mark; `45 KW 24` is printed too.
  return [inWeek(a, b), inWeek(b, a)];
}

/** A quarter or half, before or behind its mark: `Q3 2019`, `2019 Q3`, `3Q19`. */
function yearPart(tokens: DateToken[], months: 3 | 6): Attempt[] {
  const [a = '', b = ''] = numbers(tokens);
  if (tokens.length !== 3) return [];
  return [a.length === 1 ? part(b, a, months) : part(a, b, months)];
}

function season(tokens: DateToken[]): Attempt[] {
  const named = tokens.flatMap((token) => (token.kind === 'season' ? [token.months] : []));
  const years = numbers(tokens);
  const [year = '', next] = years;
  if (named.length > 2 || years.length === 0 || years.length > 2) return [];
  if (next && yearOf(next) !== yearOf(year) + 1) return [`A season does not run from ${year} to ${next}.`];
  const months: [number, number] = [
    Math.min(...named.map(([first]) => first)),
    Math.max(...named.map(([, last]) => last)),
  ];
  return [monthsIn(year, months, 'span')];
}

/** Every attempt to read the tokens as one date. */
function attempts(tokens: DateToken[]): Attempt[] {
  const texts = numbers(tokens);
  const kinds = new Set(tokens.map(({ kind }) => kind));
  kinds.delete('number');
  if (texts.length > 3 || kinds.size > 1) return [];
  // Of several numbers none has more digits than a year: what has is no wrong date, but none.
  if (texts.length > 1 && texts.some((each) => each.length > 4)) return [];
  const [kind] = kinds;
  const months = tokens.flatMap((token) => (token.kind === 'month' ? [token.month] : []));
  switch (kind) {
    case undefined:
      if (texts.length === 3) return triple(texts as [string, string, string]);
      return texts.length === 2 ? pair(texts as [string, string]) : run(texts[0] ?? '');
    case 'month':
      return months.length === 1 && texts.length > 0 ? namedMonth(tokens, months[0] as number) : [];
    case 'week':
      return week(tokens);
    case 'quarter':
      return yearPart(tokens, 3);
    case 'half':
      return yearPart(tokens, 6);
    case 'season':
      return season(tokens);
    default:
      return [];
  }
}

/** What a reader of dates may know beforehand. */
export interface DateHints {
  /** The order that the maker or market uses: it comes first. */
  preferred: DateOrder;
  /** Nothing was printed after that day: an order that only a later day would bear out is none. */
  latest?: Day;
}

const hintsOf = (hints: DateOrder | DateHints): DateHints => (typeof hints === 'string' ? { preferred: hints } : hints);

/** The readings that fall on the weekday which is printed beside them. */
function onPrintedWeekday(readings: DateReading[], tokens: DateToken[]): DateResult {
  const printed = tokens.find((token) => token.kind === 'weekday');
  const fits = ({ precision, from }: DateReading) => precision !== 'day' || weekdayOf(from) === printed?.weekday;
  const fitting = printed ? readings.filter(fits) : readings;
  const [best] = readings;
  if (fitting.length > 0 || !best) return { readings: fitting };
  const sentence = `${formatDay(best.from)} is a ${WEEKDAYS[weekdayOf(best.from)]}, not “${printed?.text}”.`;
  return { readings: [], failure: { sentence, impossible: true } };
}

/** The Thai solar calendar counts so many years more. */
const THAI_YEARS = 543;

/** A year far ahead that another calendar makes an ordinary one: of which of them it is has to be said by a person. */
function inAnotherCalendar(readings: DateReading[], latest: Day | undefined): DateResult | null {
  const [first] = readings;
  const now = Number(latest?.slice(0, 4) ?? Number.NaN);
  const years = readings.map(({ from }) => Number(from.slice(0, 4)) - THAI_YEARS);
  if (!first || !years.every((year) => year <= now && year > now - 100)) return null;
  const sentence = `${(years[0] as number) + THAI_YEARS} may be a year of the Thai calendar, ${years[0]} of ours; enter it as one of them.`;
  return { readings: [], failure: { sentence, impossible: false } };
}

/** Where every digit is a nought, no date was filled in: that is none that cannot be. */
const isBlank = (tokens: DateToken[]): boolean =>
  numbers(tokens).length > 1 && numbers(tokens).every((each) => /^0+$/.test(each));

/**
 * Every reading of the tokens of one date; a label such as MFG before it is passed over, a weekday beside it is held
 * against it, and an order behind it (`04/11/25 MDY`) is the person's own decision.
 */
export function readDateTokens(given: DateToken[], hints: DateOrder | DateHints): DateResult {
  const { preferred, latest } = hintsOf(hints);
  const chosen = given.find(({ kind }) => kind === 'order')?.text as DateOrder | undefined;
  const tokens = given.filter(({ kind }) => !['made', 'expires', 'order', 'weekday'].includes(kind));
  if (isBlank(tokens))
    return { readings: [], failure: { sentence: 'Noughts alone: no date is filled in.', impossible: false } };
  const text = tokens.map((token) => token.text).join(' ');
  const all = attempts(tokens);
  const rank = ({ order }: DateReading) => (order === null || order === (chosen ?? preferred) ? 0 : 1);
  const readings = all
    .filter((each) => typeof each !== 'string')
    .filter(({ order, from }) => order === null || order === preferred || !latest || from <= latest)
    .filter(({ order }) => !chosen || order === null || order === chosen)
    .sort((a, b) => rank(a) - rank(b))
    .filter((each, i, sorted) => sorted.findIndex((other) => other.from === each.from && other.to === each.to) === i);
  if (readings.length > 0) return inAnotherCalendar(readings, latest) ?? onPrintedWeekday(readings, given);
  const [refused] = all.filter((each) => typeof each === 'string' && each !== NO_FORM) as string[];
  const sentence =
    refused ?? `“${text.slice(0, 40)}” is no date; write it as on the label, for example 03/11/24 or 2024-11.`;
  return { readings: [], failure: { sentence, impossible: refused !== undefined } };
}

/**
 * Every reading of a printed date, in words of many languages (dateWords.json): `2024-11-03`, `03/11/24`,
 * `3 NOV 2024`, `11AUG19`, `20190811`, `11/24`, `W32 2019`, `Q3 2019`, `AW19`, `2024`. An order of day, month and
 * year that the text does not settle gives several readings; the preferred order comes first.
 *
 * @param raw the text of one date
 * @param hints the order that the maker or market uses, with what else is known
 * @returns readings; or a failure, `impossible` where the form is that of a date and no such day exists
 * @example readPrintedDate('03/11/24', 'DMY').readings.map((r) => r.from) // ['2024-11-03', '2024-03-11', '2003-11-24']
 */
export function readPrintedDate(raw: string, hints: DateOrder | DateHints): DateResult {
  const { tokens, unknown } = dateTokens(raw);
  if (tokens && tokens.length > 0) return readDateTokens(tokens, hints);
  const sentence =
    unknown === undefined
      ? 'The date is empty.'
      : `“${raw.trim().slice(0, 40)}” is no date: “${unknown.slice(0, 20)}” has no meaning in one. Write it as on the label, for example 03/11/24 or 2024-11.`;
  return { readings: [], failure: { sentence, impossible: false } };
}
