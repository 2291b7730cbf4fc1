import { daysInMonth, isoDay } from '../dates/day';
import type { DayInterval } from '../dates/interval';
import table from './applicationIdentifiers.json';
import { readGtin } from './gtin';

/** An application identifier: what it is called, and the parts of its value: `N14`, `X..20`, `N3 X..9`; D6 is a date. */
interface Identifier {
  name: string;
  parts: { digits: boolean; date: boolean; min: number; max: number }[];
  min: number;
  max: number;
}

/** Letters, digits and signs that GS1 allows in a value: character set 82, and the base64 signs of signatures. */
const SET_82 = /^[!"%-?A-Z_a-z]*$/;

function identifierOf([name, format]: string[]): Identifier {
  const parts = (format as string).split(' ').map((each) => {
    const [, kind, upTo, count] = /^([NXD])(\.\.)?(\d+)$/.exec(each) as unknown as [string, string, string, string];
    const max = Number(count);
    return { digits: kind !== 'X', date: kind === 'D', min: upTo ? 0 : max, max };
  });
  const sum = (key: 'min' | 'max') => parts.reduce((total, part) => total + part[key], 0);
  return { name: name as string, parts, min: Math.max(1, sum('min')), max: sum('max') };
}

const IDENTIFIERS = new Map(Object.entries(table).map(([ai, entry]) => [ai, identifierOf(entry)]));

/** How many digits an identifier has, by its first two: so one that is not in the table can be told from its value. */
const LONG = { three: /^2[345]|^4[012]|^71/, four: /^3[1-69]|^4[3]|^7[02]|^8[012]/ };
const widthOf = (digits: string): number => (LONG.four.test(digits) ? 4 : LONG.three.test(digits) ? 3 : 2);

const identifier = (ai: string): Identifier | undefined =>
  IDENTIFIERS.get(ai) ?? (ai.length > 2 ? IDENTIFIERS.get(`${ai.slice(0, -1)}n`) : undefined);

/** In a Digital Link the keys may be written as words. */
const WORDS: Record<string, string> = {
  gtin: '01',
  lot: '10',
  ser: '21',
  cpv: '22',
  sscc: '00',
  gln: '414',
  itip: '8006',
};
/** The keys with which the path of a Digital Link may begin. */
const KEYS = ['01', '00', '8006', '8003', '8004', '414', '253', '255', '8010', '8017', '8018', '401', '402', '8013'];

export interface Element {
  ai: string;
  name: string;
  value: string;
  /** For dates: the days it may mean; a day of 00 stands for the whole month. */
  interval?: DayInterval;
}

/** What is odd about an element. */
export interface ElementProblem {
  sentence: string;
  /** No reading allows it: a wrong check digit, a day that does not exist. */
  impossible: boolean;
}

export type ElementResult =
  | {
      elements: Element[];
      problems: ElementProblem[];
      /** What had to be assumed to read it. */
      notes: string[];
      failure?: undefined;
    }
  | { elements?: undefined; problems?: undefined; notes?: undefined; failure: { at: number; sentence: string } };

/** FNC1 as it is sent between elements. */
export const GROUP_SEPARATOR = '\u001d';
/** The separator as programs show it. */
const VISIBLE_SEPARATORS = /<GS>|\{GS\}|\[GS\]|<FNC1>|\{FNC1\}|\[FNC1\]|\^\]|␝|\\x1d|\\u001d|%1D/gi;
/** Symbology identifiers, ISO/IEC 15424: a bracket, a letter, a digit. */
const SYMBOLOGY = /^\]([A-Za-z])(\d)/;
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

/** Why a value does not have the form of its identifier; null where it has. */
function misform({ name, parts, min, max }: Identifier, ai: string, value: string): string | null {
  if (value.length < min || value.length > max)
    return `${name} (${ai}) has ${value.length} characters; it has ${min < max ? `${min} to ` : ''}${max}.`;
  let at = 0;
  for (const part of parts) {
    const text = value.slice(at, at + part.max);
    if (text.length < part.min || !(part.digits ? /^\d*$/ : SET_82).test(text))
      return `${name} (${ai}) has a character that it may not have.`;
    at += text.length;
  }
  return null;
}

/** Hold one value against its identifier. Returns the element, and what is wrong with it. */
function element(
  ai: string,
  value: string,
  today: string,
  cut: boolean,
): { element: Element; problem?: ElementProblem } {
  const known = identifier(ai);
  if (!known) return { element: { ai, name: `Identifier ${ai}`, value } };
  const plain = { ai, name: known.name, value };
  const form = misform(known, ai, value);
  // Where no separator is left, what is too long may be two elements.
  if (form) return { element: plain, problem: { sentence: form, impossible: !cut } };
  if (ai === '01' || ai === '02') {
    const [gtin] = readGtin(value).readings;
    if (gtin?.valid) return { element: plain };
    const sentence = `GTIN ${value} fails its check digit; it should end in ${gtin?.expectedCheckDigit}.`;
    return { element: plain, problem: { sentence, impossible: true } };
  }
  if (!known.parts[0]?.date) return { element: plain };
  const interval = dateInterval(value, today);
  return typeof interval === 'string'
    ? { element: plain, problem: { sentence: interval, impossible: true } }
    : { element: { ...plain, interval } };
}

type Pair = [ai: string, value: string];
type Pairs = { pairs: Pair[]; notes: string[]; cut?: boolean } | { at: number; sentence: string };

/** `(01)09521204100262(21)A7`: identifiers in brackets, as printed under a symbol. A value may hold brackets too. */
function bracketed(raw: string): Pairs {
  const marks = [...raw.matchAll(/\((\d{2,4})\)/g)].filter(
    ([, ai = '']) => identifier(ai) || widthOf(ai) === ai.length,
  );
  if (marks[0]?.index !== 0) return { at: 0, sentence: 'An identifier in brackets was expected at position 1.' };
  const pairs: Pair[] = [];
  const notes: string[] = [];
  let from = 0;
  for (let i = 0; i < marks.length; i++) {
    const mark = marks[i] as RegExpMatchArray;
    if ((mark.index as number) < from) continue;
    const ai = mark[1] as string;
    const start = (mark.index as number) + mark[0].length;
    const known = identifier(ai);
    const ends = [...marks.slice(i + 1).map(({ index }) => index as number), raw.length];
    const valueTo = (end: number) => raw.slice(start, end).replaceAll(GROUP_SEPARATOR, '').trim();
    // A mark that would leave a value without its form, or begin one that has none, is part of the value.
    const sound = (end: number, j: number) => {
      const next = marks[i + 1 + j];
      const follows = next ? identifier(next[1] as string) : null;
      const after = next ? (next.index as number) + next[0].length : 0;
      const rest = ends[j + 1] ?? raw.length;
      return (
        (!known || misform(known, ai, valueTo(end)) === null) &&
        (!next ||
          !follows ||
          [rest, ...ends.slice(j + 1)].some(
            (to) => misform(follows, next[1] as string, raw.slice(after, to).trim()) === null,
          ))
      );
    };
    // A value of one length ends there, whatever stands in the next brackets.
    const bracket = raw.indexOf('(', start);
    const whole =
      known !== undefined && known.min === known.max && bracket > 0 && misform(known, ai, valueTo(bracket)) === null;
    const end = ends.find(sound) ?? (whole ? bracket : (ends[0] as number));
    pairs.push([ai, valueTo(end)]);
    from = end;
    const next = marks.slice(i + 1).find(({ index }) => (index as number) >= end)?.index ?? raw.length;
    if (whole && next > end)
      notes.push(`“${raw.slice(end, next).slice(0, 20)}” begins with no identifier that there is`);
  }
  return {
    pairs,
    notes: [
      ...pairs.filter(([ai]) => !identifier(ai)).map(([ai]) => `(${ai}) is not in the table of identifiers`),
      ...notes,
    ],
  };
}

/** What a scanner sends: identifiers run into values, values of free length ended by FNC1 (the group separator). */
function concatenated(raw: string, printed: string[]): Pairs {
  const pairs: Pair[] = [];
  const notes: string[] = [];
  let at = 0;
  while (at < raw.length) {
    if (raw[at] === GROUP_SEPARATOR) {
      at += 1;
      continue;
    }
    const width = widthOf(raw.slice(at, at + 2));
    const ai = raw.slice(at, at + width);
    if (!/^\d+$/.test(ai) || ai.length < width)
      return { at, sentence: `No identifier begins at position ${at + 1} (“${raw.slice(at, at + 4)}”).` };
    const known = identifier(ai);
    if (!known && pairs.length === 0)
      return { at, sentence: `No identifier begins at position ${at + 1} (“${raw.slice(at, at + 4)}”).` };
    const from = at + width;
    const separator = raw.indexOf(GROUP_SEPARATOR, from);
    let end =
      known && known.min === known.max
        ? Math.min(from + known.max, raw.length)
        : separator < 0
          ? raw.length
          : separator;
    if (!known) notes.push(`(${ai}) is not in the table of identifiers`);
    const shown = known && known.min < known.max ? lostSeparator(raw.slice(from, end), printed) : null;
    if (shown) {
      notes.push(`a separator is missing behind “${shown}”, as the print shows`);
      end = from + shown.length;
    }
    pairs.push([ai, raw.slice(from, end)]);
    at = end;
  }
  return { pairs, notes, cut: !raw.includes(GROUP_SEPARATOR) };
}

/** The printed text with which a value begins, where what follows it is elements: there the separator was lost. */
function lostSeparator(value: string, printed: string[]): string | null {
  for (const text of printed) {
    const rest = value.slice(text.length);
    if (text === '' || rest === '' || !value.toUpperCase().startsWith(text.toUpperCase())) continue;
    const tail = concatenated(rest, printed);
    const sound =
      'pairs' in tail &&
      tail.pairs.every(([ai, each]) => {
        const known = identifier(ai);
        return known !== undefined && misform(known, ai, each) === null;
      });
    if (sound) return value.slice(0, text.length);
  }
  return null;
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
  const aiOf = (step = '') => WORDS[step.toLowerCase()] ?? step;
  const start = steps.findIndex(
    (step, i) => KEYS.includes(aiOf(step)) && /^[\w!"%-?]+$/.test(steps[i + 1] ?? '') && i + 1 < steps.length,
  );
  if (start < 0)
    return { at: 0, sentence: 'The address has no GS1 key such as /01/ followed by a GTIN, so it is no Digital Link.' };
  const pairs: Pair[] = [];
  const notes: string[] = [];
  for (let i = start; i < steps.length; i += 2) {
    const ai = aiOf(steps[i]);
    const value = steps[i + 1];
    if (value === undefined || !identifier(ai)) {
      notes.push(`“/${steps.slice(i).join('/').slice(0, 40)}” in the path says nothing`);
      break;
    }
    const text = decodeURIComponent(value);
    pairs.push([ai, ai === '01' && /^\d{8,13}$/.test(text) ? text.padStart(14, '0') : text]);
  }
  for (const [key, value] of url.searchParams) if (/^\d{2,4}$/.test(key) && identifier(key)) pairs.push([key, value]);
  return { pairs, notes };
}

/** A plain trade item number from a symbol that holds nothing else. */
const numberAlone = (digits: string): Pairs => ({ pairs: [['01', digits.padStart(14, '0')]], notes: [] });

/**
 * Read a GS1 element string or Digital Link, as a DataMatrix, QR, GS1-128 or EAN symbol holds it.
 *
 * @param raw with symbology identifier or without, bracketed, with group separators (sent or made visible), or a web address
 * @param today for the century of two-digit years
 * @param printed batch codes and serials that are printed beside it: they show where a separator was lost
 * @returns the elements with what is odd about them; or where reading stopped
 * @source GS1 General Specifications, section 3 (identifiers) and 7.8 (processing); GS1 Digital Link: URI Syntax
 * @example readElements('(01)09521204100262(21)A7', '2026-11-24').elements?.map(({ ai }) => ai) // ['01', '21']
 */
export function readElements(raw: string, today: string, printed: string[] = []): ElementResult {
  if (raw.length > LONGEST)
    return { failure: { at: LONGEST, sentence: `${raw.length} characters are more than any symbol holds.` } };
  const trimmed = raw.trim();
  const [, symbology = ''] = SYMBOLOGY.exec(trimmed) ?? [];
  const unmarked = trimmed.replace(SYMBOLOGY, '');
  const isLink = /^https?:\/\//i.test(unmarked);
  const content = isLink ? unmarked : unmarked.normalize('NFKC').replace(VISIBLE_SEPARATORS, GROUP_SEPARATOR);
  // No symbol of GS1 holds such a letter: what shows one was typed, or read by something that guessed.
  const foreign = /[^ -~]/u.exec(content.replaceAll(GROUP_SEPARATOR, ' '));
  if (foreign && !isLink)
    return {
      failure: {
        at: foreign.index,
        sentence: `“${foreign[0]}” at position ${foreign.index + 1} stands in no symbol; scan it again.`,
      },
    };
  let found: Pairs;
  try {
    found = isLink
      ? digitalLink(content)
      : symbology.toUpperCase() === 'E' && /^\d{8,13}$/.test(content)
        ? numberAlone(content)
        : content.startsWith('(')
          ? bracketed(content)
          : concatenated(content, printed);
  } catch {
    return { failure: { at: 0, sentence: 'The address has a percent sign that stands for nothing.' } };
  }
  if (!('pairs' in found)) return { failure: found };
  if (found.pairs.length === 0) return { failure: { at: 0, sentence: 'There is nothing to read.' } };
  const problems: ElementProblem[] = [];
  const seen = new Map<string, string>();
  const elements = found.pairs.map(([ai, value]) => {
    const read = element(ai, value, today, 'cut' in found && found.cut === true);
    if (read.problem) problems.push(read.problem);
    // GS1 allows an element twice where it says the same both times.
    if (seen.has(ai) && seen.get(ai) !== value)
      problems.push({
        sentence: `${read.element.name} (${ai}) stands there twice and says two things.`,
        impossible: true,
      });
    seen.set(ai, value);
    return read.element;
  });
  return { elements, problems, notes: found.notes };
}
