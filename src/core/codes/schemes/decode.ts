import type { Day } from '../../dates/day';
import { type DayInterval, daysOutside } from '../../dates/interval';
import { cleanText } from '../clean';
import type { CodeScheme } from './codeScheme';
import { type Budget, type Parses, type Piece, parse, type Stop } from './parse';
import { datesOf, isDated } from './schemeDates';
import type { DateParts } from './segments/segmentKind';

/** One meaning of a code in one scheme. */
export interface SchemeReading {
  pieces: Piece[];
  /** The days that it names; null where the code carries no date. */
  made: DayInterval | null;
  /** Days by which `made` misses the scheme's own time of use; 0 where it lies in it or nothing is known. */
  daysOutOfUse: number;
  /** Days by which `made` misses what is plausible for the item; negative too early, positive too late. */
  daysOff: number;
}

/** What one scheme makes of a code. */
export interface Decoded {
  scheme: CodeScheme;
  /** The best first; empty where the code does not fit. */
  readings: SchemeReading[];
  stop: Stop | null;
  bounded: boolean;
}

/** When an item of the release can have been made, as far as that is known. */
export interface Plausible {
  earliest: Day;
  latest: Day;
}

const ALWAYS: Plausible = { earliest: '1970-01-01', latest: '2099-12-31' };

function partsOf(pieces: Piece[]): DateParts {
  const dates = pieces.map(({ date }) => date ?? {});
  const digits = dates.flatMap((date) => date.digits ?? []);
  return Object.assign({}, ...dates, digits.length > 0 ? { digits } : {});
}

function meanings(pieces: Piece[], scheme: CodeScheme, plausible: Plausible): SchemeReading[] {
  const parts = partsOf(pieces);
  if (!isDated(parts)) return [{ pieces, made: null, daysOutOfUse: 0, daysOff: 0 }];
  const inUse = { earliest: scheme.from ?? ALWAYS.earliest, latest: scheme.until ?? ALWAYS.latest };
  return datesOf(parts).map((made) => ({
    pieces,
    made,
    daysOutOfUse: daysOutside(made, inUse.earliest, inUse.latest),
    daysOff: daysOutside(made, plausible.earliest, plausible.latest),
  }));
}

const A_YEAR = 366;

/** Nothing is made in years to come, nor in a decade in which the scheme was not used, where another one will do. */
function thinkable(readings: SchemeReading[]): SchemeReading[] {
  const now = readings.filter(({ daysOff }) => daysOff <= A_YEAR);
  const past = now.length > 0 ? now : readings;
  const used = past.filter(({ daysOutOfUse }) => daysOutOfUse === 0);
  return used.length > 0 ? used : past;
}

/** Fit to the item first, then to the scheme's time of use, then the later one: goods for sale are rather new. */
function byFit(a: SchemeReading, b: SchemeReading): number {
  return (
    Math.abs(a.daysOff) + Math.abs(a.daysOutOfUse) - (Math.abs(b.daysOff) + Math.abs(b.daysOutOfUse)) ||
    (b.made?.from ?? '').localeCompare(a.made?.from ?? '')
  );
}

const MOST_CHARACTERS = 60;

/** Letters and digits of a text in capitals: separators are written, never read. */
export const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

const bounded = (raw: string): string => cleanText(raw.slice(0, 4 * MOST_CHARACTERS));

/** Letters and digits of what was printed, with the bound that protects the search. */
export function codeCharacters(raw: string): string {
  return compact(bounded(raw)).slice(0, MOST_CHARACTERS + 1);
}

/** What was printed as a scheme counts it: its case where that matters, the sign of mod 37,2 where it is used. */
export function charactersOf(scheme: CodeScheme, raw: string): string {
  const text = scheme.caseMatters ? bounded(raw) : bounded(raw).toUpperCase();
  const starred = scheme.segments.some((segment) => segment.type === 'check' && segment.method === 'mod37-2');
  return text.replace(starred ? /[^A-Za-z0-9*]/g : /[^A-Za-z0-9]/g, '').slice(0, MOST_CHARACTERS + 1);
}

/**
 * Every meaning that a scheme allows a code, in all decades and letter cycles in which it was used.
 *
 * @param raw as printed; separators and white space do not matter, nor case where the scheme does not say so
 * @param plausible when the item can have been made: ranks the readings; `latest` is today at the latest
 * @param budget work that is shared with other searches
 * @example decode(scheme, '5M117').readings.map((r) => r.made?.from) // ['2025-04-27', '2015-04-27', '2005-04-27', …]
 */
export function decode(scheme: CodeScheme, raw: string, plausible: Plausible = ALWAYS, budget?: Budget): Decoded {
  const code = charactersOf(scheme, raw);
  if (code.length > MOST_CHARACTERS) {
    const stop = { at: MOST_CHARACTERS, expected: [`at most ${MOST_CHARACTERS} letters and digits`] };
    return { scheme, readings: [], stop, bounded: true };
  }
  const { ways, stop, bounded: cut }: Parses = parse(scheme, code, budget);
  const readings = thinkable(ways.flatMap((pieces) => meanings(pieces, scheme, plausible))).sort(byFit);
  const last = ways[0]?.findLast(({ date }) => date);
  const noSuchDay = ways.length > 0 && readings.length === 0 && last;
  return {
    scheme,
    readings,
    stop: noSuchDay ? { at: last.at, expected: ['a day that exists'] } : stop,
    bounded: cut,
  };
}
