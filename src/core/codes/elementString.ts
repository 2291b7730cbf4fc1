import { daysInMonth, isoDay } from '../dates/day';
import type { DayInterval } from '../dates/interval';
import { readGtin } from './gtin';

/** An application identifier that Pinprick reads: what it is called, and the form of its value. */
interface Identifier {
  name: string;
  /** Fixed values have exactly this length; the others at most, and end at a separator. */
  length: number;
  fixed: boolean;
  pattern: RegExp;
}

/** Letters, digits and signs that GS1 allows in a value: character set 82. */
const SET_82 = /^[!"%-?A-Z_a-z]+$/;
const DIGITS = /^\d+$/;

const date = (name: string): Identifier => ({ name, length: 6, fixed: true, pattern: DIGITS });
const text = (name: string, length: number): Identifier => ({ name, length, fixed: false, pattern: SET_82 });

const IDENTIFIERS: Record<string, Identifier> = {
  '01': { name: 'GTIN', length: 14, fixed: true, pattern: DIGITS },
  10: text('Batch code', 20),
  11: date('Production date'),
  13: date('Packaging date'),
  15: date('Best before date'),
  17: date('Expiry date'),
  21: text('Serial', 20),
  240: text('Additional product identification', 30),
  241: text('Customer part number', 30),
};

/** In a Digital Link, identifiers of these stand in the path; the others follow as a query. */
const PATH_IDENTIFIERS = ['01', '10', '21'];

export interface Element {
  ai: string;
  name: string;
  value: string;
  /** For dates: the days it may mean; a day of 00 stands for the whole month. */
  interval?: DayInterval;
}

export type ElementResult =
  | { elements: Element[]; problems: string[]; failure?: undefined }
  | { elements?: undefined; problems?: undefined; failure: { at: number; sentence: string } };

/** FNC1 as it is sent between elements. */
export const GROUP_SEPARATOR = '\u001d';
const LONGEST = 8_000;

/**
 * The century of a two-digit year, by how far it lies from the present one.
 *
 * @source GS1 General Specifications, section 7.12
 */
function fullYear(year: number, today: string): number {
  const now = Number(today.slice(0, 4));
  const century = now - (now % 100);
  const difference = year - (now % 100);
  if (difference >= 51) return century - 100 + year;
  if (difference <= -50) return century + 100 + year;
  return century + year;
}

function dateInterval(value: string, today: string): DayInterval | string {
  const year = fullYear(Number(value.slice(0, 2)), today);
  const month = Number(value.slice(2, 4));
  const day = Number(value.slice(4, 6));
  if (month < 1 || month > 12) return `${value} has no month ${value.slice(2, 4)}.`;
  const last = daysInMonth(year, month);
  if (day === 0) return { from: isoDay(year, month, 1), to: isoDay(year, month, last), precision: 'month' };
  if (day > last) return `${value} has no day ${day}; that month has ${last} days.`;
  return { from: isoDay(year, month, day), to: isoDay(year, month, day), precision: 'day' };
}

/** Hold one value against its identifier. Returns the element, or what is wrong with it. */
function element(ai: string, value: string, today: string): { element: Element; problem: string | null } {
  const identifier = IDENTIFIERS[ai] as Identifier;
  const { name, length, fixed, pattern } = identifier;
  const plain = { ai, name, value };
  if (fixed ? value.length !== length : value.length < 1 || value.length > length) {
    return {
      element: plain,
      problem: `${name} (${ai}) has ${value.length} characters; it has ${fixed ? '' : '1 to '}${length}.`,
    };
  }
  if (!pattern.test(value)) return { element: plain, problem: `${name} (${ai}) has a character that it may not have.` };
  if (ai === '01') {
    const [gtin] = readGtin(value).readings;
    const problem = gtin?.valid
      ? null
      : `GTIN ${value} fails its check digit; it should end in ${gtin?.expectedCheckDigit}.`;
    return { element: plain, problem };
  }
  if (length !== 6) return { element: plain, problem: null };
  const interval = dateInterval(value, today);
  return typeof interval === 'string'
    ? { element: plain, problem: interval }
    : { element: { ...plain, interval }, problem: null };
}

type Pair = [ai: string, value: string];
type Pairs = { pairs: Pair[] } | { at: number; sentence: string };

/** `(01)09521204100262(21)A7`: identifiers in brackets, as printed under a symbol. */
function bracketed(raw: string): Pairs {
  const pairs: Pair[] = [];
  const part = /\((\d{2,4})\)([^(]*)/y;
  while (part.lastIndex < raw.length) {
    const at = part.lastIndex;
    const match = part.exec(raw);
    if (!match) return { at, sentence: `An identifier in brackets was expected at position ${at + 1}.` };
    const [, ai = '', value = ''] = match;
    if (!IDENTIFIERS[ai]) return { at, sentence: `Identifier (${ai}) is none that Pinprick reads.` };
    pairs.push([ai, value.trim()]);
  }
  return { pairs };
}

/** What a scanner sends: identifiers run into values, values of free length ended by FNC1 (the group separator). */
function concatenated(raw: string): Pairs {
  const pairs: Pair[] = [];
  let at = 0;
  while (at < raw.length) {
    if (raw[at] === GROUP_SEPARATOR) {
      at += 1;
      continue;
    }
    const ai = [2, 3].map((width) => raw.slice(at, at + width)).find((each) => IDENTIFIERS[each]);
    const identifier = ai ? IDENTIFIERS[ai] : undefined;
    if (!ai || !identifier)
      return {
        at,
        sentence: `No identifier that Pinprick reads begins at position ${at + 1} (“${raw.slice(at, at + 4)}”).`,
      };
    const from = at + ai.length;
    const separator = raw.indexOf(GROUP_SEPARATOR, from);
    const end = identifier.fixed
      ? Math.min(from + identifier.length, raw.length)
      : separator < 0
        ? raw.length
        : separator;
    pairs.push([ai, raw.slice(from, end)]);
    at = end;
  }
  return { pairs };
}

/** A GS1 Digital Link: whoever's site it names, the path and query say the same as an element string. */
function digitalLink(raw: string): Pairs {
  let url: URL;
  try {
    url = new URL(raw);
  } catch {
    return { at: 0, sentence: 'This is no whole web address.' };
  }
  const steps = url.pathname.split('/').filter((step) => step !== '');
  const start = steps.findIndex((step, i) => step === '01' && i + 1 < steps.length);
  if (start < 0)
    return { at: 0, sentence: 'The address has no /01/ followed by a GTIN, so it is no Digital Link of a trade item.' };
  const pairs: Pair[] = [];
  for (let i = start; i + 1 < steps.length; i += 2) {
    const ai = steps[i] as string;
    if (!PATH_IDENTIFIERS.includes(ai))
      return { at: raw.indexOf(`/${ai}/`), sentence: `/${ai}/ is none that Pinprick reads in the path.` };
    const value = decodeURIComponent(steps[i + 1] as string);
    pairs.push([ai, ai === '01' ? value.padStart(14, '0') : value]);
  }
  for (const [ai, value] of url.searchParams) if (IDENTIFIERS[ai]) pairs.push([ai, value]);
  return { pairs };
}

/**
 * Read a GS1 element string or Digital Link, as a DataMatrix, QR or GS1-128 symbol holds it.
 *
 * @param raw with symbology identifier or without, bracketed, with group separators, or a web address
 * @param today for the century of two-digit years
 * @returns the elements with what is wrong with each; or where reading stopped
 * @source GS1 General Specifications, section 3 (identifiers) and 7.8 (processing); GS1 Digital Link: URI Syntax
 * @example readElements('(01)09521204100262(21)A7', '2026-11-24').elements?.map(({ ai }) => ai) // ['01', '21']
 */
export function readElements(raw: string, today: string): ElementResult {
  if (raw.length > LONGEST)
    return { failure: { at: LONGEST, sentence: `${raw.length} characters are more than any symbol holds.` } };
  const content = raw.trim().replace(/^\](C1|d2|Q3|e0|J1)/, '');
  let found: Pairs;
  try {
    found = /^https?:\/\//i.test(content)
      ? digitalLink(content)
      : content.startsWith('(')
        ? bracketed(content)
        : concatenated(content);
  } catch {
    return { failure: { at: 0, sentence: 'The address has a percent sign that stands for nothing.' } };
  }
  if (!('pairs' in found)) return { failure: found };
  if (found.pairs.length === 0) return { failure: { at: 0, sentence: 'There is nothing to read.' } };
  const problems: string[] = [];
  const seen = new Set<string>();
  const elements = found.pairs.map(([ai, value]) => {
    const read = element(ai, value, today);
    if (read.problem) problems.push(read.problem);
    if (seen.has(ai)) problems.push(`${read.element.name} (${ai}) stands there twice.`);
    seen.add(ai);
    return read.element;
  });
  return { elements, problems };
}
