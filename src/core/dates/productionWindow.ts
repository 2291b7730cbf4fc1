import type { DateOrder, TakenOrder } from './dateOrder';
import { type DateToken, dateTokens, type PlacedToken } from './dateTokens';
import { addDays, type Day, daysBetween, formatDay, formatSpan } from './day';
import { type DayInterval, daysOutside, formatInterval } from './interval';
import { type DateFailure, type DateHints, type DateReading, readDateTokens } from './printedDate';

/** When production of a batch began and ended, as the inner label prints it. One date alone counts as both. */
export interface ProductionWindow {
  start: DayInterval;
  end: DayInterval;
  /** The order in which its numbers were taken; null where the text itself settles what is what. */
  order: TakenOrder | null;
}

export type WindowResult =
  | {
      /** Every window that the text allows, the likeliest first; empty where only an expiry date is printed. */
      windows: ProductionWindow[];
      /** When it expires, where that stands beside it. */
      expires: DateReading[];
      failure?: undefined;
    }
  | { windows?: undefined; expires?: undefined; failure: DateFailure };

const shape = (tokens: DateToken[]): string =>
  tokens.map(({ kind, text }) => (kind === 'number' ? text.length : kind)).join();

/**
 * Where a text of two dates may be cut, the clearest place first: at a dash with spaces, then where both sides
 * look the same, then at any separator that is used once.
 */
function cuts(tokens: PlacedToken[]): number[] {
  const at = tokens.map((_, i) => i).slice(1);
  const strength = (i: number): number => {
    const gap = tokens[i]?.gap ?? '';
    const once = tokens.slice(1).filter((token) => token.gap === gap).length === 1;
    const alike = shape(tokens.slice(0, i)) === shape(tokens.slice(i));
    return (/[–~→]|\s-|-\s|\s\/|\/\s|\.\./.test(gap) && !/^ ?\.$/.test(gap) ? 4 : 0) + (alike ? 2 : 0) + (once ? 1 : 0);
  };
  return at.filter((i) => strength(i) > 0).sort((a, b) => strength(b) - strength(a));
}

/** A start that leaves out what its end says too: `AUG - SEP 2019`, `03/11 - 05/02/25`. */
function completed(start: PlacedToken[], end: PlacedToken[]): PlacedToken[] | null {
  const lacking = end.length - start.length;
  const numeric = start.every(({ text }) => text.length <= 2) || start.some(({ kind }) => kind === 'month');
  return lacking > 0 && lacking < 3 && numeric ? [...start, ...end.slice(-lacking)] : null;
}

/** Day, month and year in front, and behind them two short numbers only: `03/11/24 - 05/02`. */
function lacksYear(start: PlacedToken[], end: PlacedToken[]): boolean {
  const short = (tokens: PlacedToken[]) => tokens.every(({ kind, text }) => kind === 'number' && text.length <= 2);
  return start.length === 3 && start.every(({ kind }) => kind === 'number') && end.length === 2 && short(end);
}

const yearEarlier = (reading: DateReading): DateReading => {
  const earlier = (day: Day) => `${Number(day.slice(0, 4)) - 1}${day.slice(4)}`.replace('-02-29', '-02-28');
  return { ...reading, from: earlier(reading.from), to: earlier(reading.to) };
};

/** Both dates in one order, wherever the text leaves the order open. */
function together(starts: DateReading[], ends: DateReading[], carried: boolean): ProductionWindow[] {
  const windows: ProductionWindow[] = [];
  for (const given of starts) {
    for (const end of ends) {
      if (given.order !== null && end.order !== null && given.order !== end.order) continue;
      const start = carried && given.from > end.to ? yearEarlier(given) : given;
      if (start.from <= end.to) windows.push({ start, end, order: given.order ?? end.order });
    }
  }
  return windows;
}

type Attempt = { windows: ProductionWindow[]; failure?: DateFailure };

function readCut(tokens: PlacedToken[], at: number, hints: DateOrder | DateHints): Attempt {
  const [first, second] = [tokens.slice(0, at), tokens.slice(at)];
  const ends = readDateTokens(second, hints);
  if (ends.failure) return { windows: [], failure: ends.failure };
  if (lacksYear(first, second))
    return {
      windows: [],
      failure: { sentence: 'The second date has no year; it may be cut off.', impossible: false },
    };
  const whole = completed(first, second);
  const carried = whole !== null && readDateTokens(whole, hints).readings.length > 0;
  const starts = readDateTokens(carried ? whole : first, hints);
  if (starts.failure) return { windows: [], failure: starts.failure };
  const windows = together(starts.readings, ends.readings, carried);
  const even = windows.filter(({ start, end }) => start.precision === end.precision);
  if (windows.length > 0) return { windows: even.length > 0 ? even : windows };
  const [start, end] = [starts.readings[0], ends.readings[0]] as [DateReading, DateReading];
  const sentence = `The window ends (${formatInterval(end)}) before it starts (${formatInterval(start)}).`;
  return { windows: [], failure: { sentence, impossible: true } };
}

/** One date, or the first way of cutting the text into two that comes out. */
function readMade(tokens: PlacedToken[], hints: DateOrder | DateHints): Attempt {
  const one = readDateTokens(tokens, hints);
  if (!one.failure) return { windows: one.readings.map((each) => ({ start: each, end: each, order: each.order })) };
  const order = tokens.filter(({ kind }) => kind === 'order');
  const dated = tokens.filter(({ kind }) => kind !== 'order' && kind !== 'made');
  const tried = cuts(dated).map((at) => {
    const marked = [...dated.slice(0, at), ...order];
    return readCut([...marked, ...dated.slice(at), ...order], marked.length, hints);
  });
  const impossible = tried.find(({ failure }) => failure?.impossible) ?? tried[0];
  // A text of one date that cannot be is impossible; a text of two says what is wrong with its clearest cut.
  const refused = { windows: [], failure: one.failure };
  return (
    tried.find(({ windows }) => windows.length > 0) ?? (one.failure.impossible ? refused : (impossible ?? refused))
  );
}

/**
 * Read a production window. Both dates are taken in the same order; every order that is possible is kept, the
 * maker's own first. `MFG … EXP …` is a day of making with a day of expiry.
 *
 * @param raw e.g. `03/11/24 - 05/02/25`
 * @param hints the maker's order, with what else is known
 * @returns the windows, or a sentence that says what is wrong with the text
 */
export function readProductionWindow(raw: string, hints: DateOrder | DateHints): WindowResult {
  const { tokens = [], unknown } = dateTokens(raw);
  if (unknown !== undefined || tokens.length === 0) {
    const what =
      unknown === undefined ? 'There is no date in it.' : `“${unknown.slice(0, 20)}” has no meaning in a date.`;
    return {
      failure: { sentence: `${what} Write it as on the label, for example 03/11/24 - 05/02/25.`, impossible: false },
    };
  }
  const expiry = tokens.findIndex(({ kind }) => kind === 'expires');
  const making = tokens.findIndex(({ kind }) => kind === 'made');
  const splitAt = expiry >= 0 && making > expiry ? making : expiry;
  const [front, back] = expiry < 0 ? [tokens, []] : [tokens.slice(0, splitAt), tokens.slice(splitAt)];
  const [made, expiring] = expiry >= 0 && making > expiry ? [back, front] : [front, back];
  const expires = expiring.length > 0 ? readDateTokens(expiring, 'DMY') : null;
  if (expires?.failure) return { failure: expires.failure };
  if (made.length === 0) return { windows: [], expires: expires?.readings ?? [] };
  const { windows, failure } = readMade(made, hints);
  return failure ? { failure } : { windows, expires: expires?.readings ?? [] };
}

/** How long before its release a product is made: both ends in days, from the release record. */
export interface LeadTime {
  minDays: number;
  maxDays: number;
}

/** The days in which production may have started, from the release date and the lead time limits. */
export function plausibleStart(releaseDate: Day, lead: LeadTime): { earliest: Day; latest: Day } {
  return { earliest: addDays(releaseDate, -lead.maxDays), latest: addDays(releaseDate, -lead.minDays) };
}

export interface WindowVerdict {
  /** 0 where it fits; negative days too early, positive days too late. */
  daysOff: number;
  sentence: string;
}

/**
 * Compare a production window with the release. Its start must lie within the lead time limits; a window whose
 * start cannot be told more finely than a month is given the benefit of that month.
 */
export function compareWithRelease(window: ProductionWindow, releaseDate: Day, lead: LeadTime): WindowVerdict {
  const { earliest, latest } = plausibleStart(releaseDate, lead);
  const daysOff = daysOutside(window.start, earliest, latest);
  const start = formatInterval(window.start);
  const release = formatDay(releaseDate);
  const gap = daysBetween(window.start.from, releaseDate);
  if (daysOff < 0) {
    return {
      daysOff,
      sentence: `Production began ${start}, ${formatSpan(gap)} before the release on ${release}; the record allows ${formatSpan(lead.maxDays)} at most, so it is ${formatSpan(daysOff)} too early.`,
    };
  }
  if (daysOff > 0) {
    const against =
      gap < 0
        ? `${formatSpan(gap)} after the release on ${release}`
        : `only ${formatSpan(gap)} before the release on ${release}`;
    return {
      daysOff,
      sentence: `Production began ${start}, ${against}; the record wants at least ${formatSpan(lead.minDays)} before it, so it is ${formatSpan(daysOff)} too late.`,
    };
  }
  return {
    daysOff: 0,
    sentence: `Production began ${start}, ${formatSpan(gap)} before the release on ${release}; that is within the record's lead time.`,
  };
}
