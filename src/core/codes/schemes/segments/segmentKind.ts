import type { Day } from '../../../dates/day';
import type { DayInterval } from '../../../dates/interval';
import type { DatePart, Segment, SegmentType } from '../codeScheme';

/** What one segment says of the date, each part as it was written; years as all that the text may mean. */
export interface DateParts {
  years?: number[];
  month?: number;
  day?: number;
  dayOfYear?: number;
  week?: number;
  /** 1 is Monday. */
  weekday?: number;
  /** A run of months; those above 12 lie in the next year. */
  months?: [first: number, last: number];
  /** The date as a whole, for counts since a day. */
  interval?: DayInterval;
  /** Single digits of a part, by their place from the left, in a part of so many. */
  digits?: { part: DatePart; digit: number; of: number; value: number }[];
}

/** A segment's text understood. */
export interface Understood {
  /** For people: `November`, `plant 3, Marrowland`. */
  says: string;
  date?: DateParts;
}

/** How one segment is read. */
export interface SegmentForm {
  min: number;
  max: number;
  /** What may stand there, to complete “expected …”. */
  expects: string;
  /** True where the character may stand at this place of the segment. */
  accepts(character: string, at: number): boolean;
  /** The meaning of a whole segment's text, or null where it means nothing. `before`: the code up to it. */
  read(text: string, before: string): Understood | null;
}

/** What a code is to say: the day, and a text for each segment that the day does not settle, by segment name. */
export interface CodeContent {
  day?: Day;
  texts?: Record<string, string>;
}

/** What a segment is written from. */
export interface Writing {
  /** Fails where the content has no day. */
  day(): Day;
  /** Fails where the content has no text for the segment. */
  text(): string;
  /** The year that the date belongs to: that of its ISO week where the scheme writes weeks. */
  year: number;
  /** The code up to the segment. */
  before: string;
}

type SegmentOf<T extends SegmentType> = Extract<Segment, { type: T }>;

/** All that varies between kinds of segments, in one place. */
export interface SegmentKind<T extends SegmentType = SegmentType> {
  types: T[];
  form(segment: SegmentOf<T>): SegmentForm;
  write(segment: SegmentOf<T>, writing: Writing): string;
  /** What is wrong with it on its own, each to complete “The segment …”. */
  problems?(segment: SegmentOf<T>): string[];
}

export const isDigit = (character: string): boolean => /^[0-9]$/.test(character);
export const isLetter = (character: string): boolean => /^[A-Za-z]$/.test(character);
export const isEither = (character: string): boolean => isDigit(character) || isLetter(character);

/** The years that a scheme can speak of: nothing older is worth reselling as new, nothing later is made yet. */
export const FIRST_YEAR = 1970;
export const LAST_YEAR = 2099;
const YEARS = Array.from({ length: LAST_YEAR - FIRST_YEAR + 1 }, (_, i) => FIRST_YEAR + i);
export const everyYear = (fits: (year: number) => boolean): number[] => YEARS.filter(fits);

/** A number within limits, of fixed width or without leading zeros. */
export function numeric(
  width: number,
  [from, to]: [number, number],
  what: string,
  say: (value: number) => Understood,
  short = false,
): SegmentForm {
  return {
    min: short ? 1 : width,
    max: width,
    expects: `${what}, ${short ? from : String(from).padStart(width, '0')} to ${to}`,
    accepts: isDigit,
    read: (text) => {
      const value = Number(text);
      if (short && text.length > 1 && text.startsWith('0')) return null;
      return value >= from && value <= to ? say(value) : null;
    },
  };
}

/** One of a list of texts, letters and digits only. */
export function listed(
  texts: string[],
  expects: string,
  say: (text: string, index: number) => Understood,
): SegmentForm {
  const keys = texts.map((text) => text.replace(/[^A-Za-z0-9*]/g, ''));
  const lengths = keys.map((key) => key.length);
  return {
    min: Math.min(...lengths),
    max: Math.max(...lengths),
    expects,
    accepts: (character, at) => keys.some((key) => key.charAt(at) === character),
    read: (text) => {
      const index = keys.indexOf(text);
      return index < 0 ? null : say(texts[index] as string, index);
    },
  };
}

export const brief = (texts: string[]): string =>
  texts.length > 6 ? `${texts.slice(0, 5).join(', ')} … ${texts.at(-1)}` : texts.join(', ');

/** What is wrong with an alphabet. */
export function alphabetProblems(letters: string, count?: number): string[] {
  const problems: string[] = [];
  if (new Set(letters).size < letters.length) problems.push('has a letter twice.');
  if (/[^A-Za-z0-9]/.test(letters)) problems.push('is written in letters and digits only.');
  if (count !== undefined && letters.length !== count)
    problems.push(`needs ${count} characters; it has ${letters.length}.`);
  return problems;
}

/** The number that a text is in an alphabet of its own, the first character being 0. */
export const inAlphabet = (text: string, alphabet: string): number =>
  [...text].reduce((value, character) => value * alphabet.length + alphabet.indexOf(character), 0);

/** A number in an alphabet of its own, padded with its first character. */
export function fromAlphabet(value: number, alphabet: string, width: number): string {
  let text = '';
  for (let rest = value; rest > 0; rest = Math.floor(rest / alphabet.length))
    text = alphabet.charAt(rest % alphabet.length) + text;
  return text.padStart(width, alphabet.charAt(0));
}

export const two = (value: number): string => String(value).padStart(2, '0');
