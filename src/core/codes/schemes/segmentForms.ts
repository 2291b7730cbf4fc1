import { checkCharacter } from './checkCharacter';
import type { Segment } from './codeScheme';

/** What one segment says of the date, each part as it was written; years as all that the text may mean. */
export interface DateParts {
  years?: number[];
  month?: number;
  day?: number;
  dayOfYear?: number;
  week?: number;
}

/** A segment's text understood. */
export interface Understood {
  /** For people: `November`, `plant 3, Marrowland`. */
  says: string;
  date?: DateParts;
}

/** How one segment is read and written. */
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

const isDigit = (character: string): boolean => /^[0-9]$/.test(character);
const isLetter = (character: string): boolean => /^[A-Z]$/.test(character);
const isEither = (character: string): boolean => isDigit(character) || isLetter(character);

/** Letters and digits of a text in capitals: separators are written, never read. */
export const compact = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

export const ROMANS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII', 'IX', 'X', 'XI', 'XII'];
const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** The years that a scheme can speak of: nothing older is worth reselling as new, nothing later is made yet. */
export const FIRST_YEAR = 1970;
export const LAST_YEAR = 2099;

const everyYear = (fits: (year: number) => boolean): number[] => {
  const years: number[] = [];
  for (let year = FIRST_YEAR; year <= LAST_YEAR; year++) if (fits(year)) years.push(year);
  return years;
};

/** A number of fixed width within limits. */
function numeric(
  width: number,
  from: number,
  to: number,
  what: string,
  say: (value: number) => Understood,
): SegmentForm {
  const expects = `${what}, ${String(from).padStart(width, '0')} to ${to}`;
  return {
    min: width,
    max: width,
    expects,
    accepts: isDigit,
    read: (text) => {
      const value = Number(text);
      return value >= from && value <= to ? say(value) : null;
    },
  };
}

/** One of a list of texts. */
function listed(texts: string[], expects: string, say: (text: string, index: number) => Understood): SegmentForm {
  const keys = texts.map(compact);
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

const brief = (texts: string[]): string =>
  texts.length > 6 ? `${texts.slice(0, 5).join(', ')} … ${texts.at(-1)}` : texts.join(', ');

function month(index: number): Understood {
  return { says: MONTHS[index] as string, date: { month: index + 1 } };
}

function yearForm(segment: Extract<Segment, { type: 'year' }>): SegmentForm {
  if (segment.form === 'letter') {
    const letters = [...segment.alphabet];
    return listed(letters, `a year letter (${brief(letters)})`, (text, index) => {
      const years = everyYear((year) => year >= segment.base && (year - segment.base - index) % letters.length === 0);
      return { says: `year letter ${text}`, date: { years } };
    });
  }
  const width = segment.form.length;
  const limit = 10 ** width;
  if (width === 4)
    return numeric(4, FIRST_YEAR, LAST_YEAR, 'a year', (year) => ({ says: String(year), date: { years: [year] } }));
  return numeric(width, 0, limit - 1, width === 2 ? 'two digits of a year' : 'the last digit of a year', (value) => ({
    says: width === 2 ? `year ending in ${String(value).padStart(2, '0')}` : `year ending in ${value}`,
    date: { years: everyYear((year) => year % limit === value) },
  }));
}

function monthForm(segment: Extract<Segment, { type: 'month' }>): SegmentForm {
  switch (segment.form) {
    case 'MM':
      return numeric(2, 1, 12, 'a month', (value) => month(value - 1));
    case 'roman':
      return listed(ROMANS, 'a Roman month, I to XII', (_, index) => month(index));
    case '19Z': {
      const texts = [...'123456789', ...segment.letters];
      return listed(texts, `a month, 1 to 9 or ${[...segment.letters].join(', ')}`, (_, index) => month(index));
    }
    case 'letter':
      return listed([...segment.alphabet], `a month letter (${brief([...segment.alphabet])})`, (_, index) =>
        month(index),
      );
  }
}

const CLASSES = {
  letters: { accepts: isLetter, one: 'a letter', many: 'letters' },
  digits: { accepts: isDigit, one: 'a digit', many: 'digits' },
  either: { accepts: isEither, one: 'a letter or digit', many: 'letters or digits' },
};

function classForm(segment: Extract<Segment, { min: number }>): SegmentForm {
  const { min, max } = segment;
  const { accepts, one, many } = CLASSES[segment.type === 'counter' ? 'digits' : segment.type];
  const count = min === max ? String(min) : `${min} to ${max}`;
  const form = { min, max, accepts, expects: max === 1 ? one : `${count} ${many}` };
  if (segment.type !== 'counter') return { ...form, read: (text) => ({ says: text }) };
  const { first = 0, last = 10 ** max - 1 } = segment;
  return {
    ...form,
    expects: `a counter of ${count} digits`,
    read: (text) => {
      const value = Number(text);
      // A counter is padded to its least width only, so a longer one has no zero in front.
      if (text.length > min && text.startsWith('0')) return null;
      return value >= first && value <= last ? { says: `number ${value}` } : null;
    },
  };
}

/** How a segment is read: its length, what it accepts, what it says. */
export function segmentForm(segment: Segment): SegmentForm {
  switch (segment.type) {
    case 'literal':
      return listed([segment.text], `“${segment.text}”`, (text) => ({ says: text }));
    case 'letters':
    case 'digits':
    case 'either':
    case 'counter':
      return classForm(segment);
    case 'table':
    case 'shift': {
      const texts = Object.keys(segment.values);
      return listed(texts, `${segment.name}: ${brief(texts)}`, (text) => ({ says: segment.values[text] as string }));
    }
    case 'year':
      return yearForm(segment);
    case 'month':
      return monthForm(segment);
    case 'day':
      return numeric(2, 1, 31, 'a day', (day) => ({ says: `day ${day}`, date: { day } }));
    case 'dayOfYear':
      return numeric(3, 1, 366, 'a day of the year', (dayOfYear) => ({
        says: `day ${dayOfYear} of the year`,
        date: { dayOfYear },
      }));
    case 'week':
      return numeric(2, 1, 53, 'a week', (week) => ({ says: `week ${week}`, date: { week } }));
    case 'hour':
      return numeric(2, 0, 23, 'an hour', (hour) => ({ says: `${String(hour).padStart(2, '0')}:00` }));
    case 'check':
      return {
        min: 1,
        max: 1,
        expects: 'a check character',
        accepts: isEither,
        read: (text, before) => (checkCharacter(segment, before) === text ? { says: 'right' } : null),
      };
  }
}
