import { addDays, type Day, daysBetween, daysInMonth, isDay, isoDay, WEEKDAYS, weekdayOf } from '../../../dates/day';
import type { DayInterval } from '../../../dates/interval';
import { isoWeek } from '../../../dates/isoWeek';
import type { DatePart } from '../codeScheme';
import {
  alphabetProblems,
  brief,
  fromAlphabet,
  inAlphabet,
  isDigit,
  listed,
  numeric,
  type SegmentKind,
  two,
} from './segmentKind';

const dayOfYearOf = (day: Day): number => daysBetween(isoDay(Number(day.slice(0, 4)), 1, 1), day) + 1;
const monthOf = (day: Day): number => Number(day.slice(5, 7));

export const day: SegmentKind<'day'> = {
  types: ['day'],
  form: ({ short, alphabet }) =>
    alphabet
      ? listed([...alphabet], `a day (${brief([...alphabet])})`, (_, index) => ({
          says: `day ${index + 1}`,
          date: { day: index + 1 },
        }))
      : numeric(2, [1, 31], 'a day', (value) => ({ says: `day ${value}`, date: { day: value } }), short),
  write: ({ short, alphabet }, writing) => {
    const value = Number(writing.day().slice(8));
    if (alphabet) return alphabet.charAt(value - 1);
    return short ? String(value) : two(value);
  },
  problems: ({ alphabet }) => (alphabet === undefined ? [] : alphabetProblems(alphabet, 31)),
};

export const dayOfYear: SegmentKind<'dayOfYear'> = {
  types: ['dayOfYear'],
  form: ({ short }) =>
    numeric(
      3,
      [1, 366],
      'a day of the year',
      (value) => ({ says: `day ${value} of the year`, date: { dayOfYear: value } }),
      short,
    ),
  write: ({ short }, writing) => String(dayOfYearOf(writing.day())).padStart(short ? 1 : 3, '0'),
};

export const week: SegmentKind<'week'> = {
  types: ['week'],
  form: ({ short }) =>
    numeric(2, [1, 53], 'a week', (value) => ({ says: `week ${value}`, date: { week: value } }), short),
  write: ({ short }, writing) => String(isoWeek(writing.day()).week).padStart(short ? 1 : 2, '0'),
};

export const weekday: SegmentKind<'weekday'> = {
  types: ['weekday'],
  form: ({ alphabet = '1234567' }) =>
    listed([...alphabet], `a day of the week (${[...alphabet].join(', ')})`, (_, index) => ({
      says: WEEKDAYS[index] as string,
      date: { weekday: index + 1 },
    })),
  write: ({ alphabet = '1234567' }, writing) => alphabet.charAt(weekdayOf(writing.day())),
  problems: ({ alphabet }) => (alphabet === undefined ? [] : alphabetProblems(alphabet, 7)),
};

export const quarter: SegmentKind<'quarter'> = {
  types: ['quarter'],
  form: ({ alphabet = '1234' }) =>
    listed([...alphabet], `a quarter (${[...alphabet].join(', ')})`, (_, index) => ({
      says: `quarter ${index + 1}`,
      date: { months: [3 * index + 1, 3 * index + 3] },
    })),
  write: ({ alphabet = '1234' }, writing) => alphabet.charAt(Math.floor((monthOf(writing.day()) - 1) / 3)),
  problems: ({ alphabet }) => (alphabet === undefined ? [] : alphabetProblems(alphabet, 4)),
};

const runOf = (text: string): [number, number] => {
  const [first = Number.NaN, last = first] = text.split('-').map(Number);
  return [first, last];
};

export const season: SegmentKind<'season'> = {
  types: ['season'],
  form: ({ values }) => {
    const texts = Object.keys(values);
    return listed(texts, `a season (${brief(texts)})`, (text) => ({
      says: `months ${values[text]}`,
      date: { months: runOf(values[text] as string) },
    }));
  },
  write: ({ name, values }, { day }) => {
    const at = monthOf(day());
    const found = Object.keys(values).find((text) => {
      const [first, last] = runOf(values[text] as string);
      return at >= first && at <= last;
    });
    if (found === undefined) throw new RangeError(`“${name}” has no season for ${day()}.`);
    return found;
  },
  problems: ({ values }) => [
    ...(Object.keys(values).length === 0 ? ['has no values.'] : []),
    ...Object.entries(values)
      .filter(
        ([, run]) =>
          !(runOf(run)[0] >= 1 && runOf(run)[0] <= 12 && runOf(run)[1] >= runOf(run)[0] && runOf(run)[1] <= 24),
      )
      .map(
        ([text, run]) => `has “${run}” for ${text}; it takes two months such as 1-6, those above 12 in the next year.`,
      ),
  ],
};

const PARTS: Record<DatePart, { name: string; of(day: Day, year: number): number }> = {
  year: { name: 'the year', of: (_, year) => year },
  month: { name: 'the month', of: (day) => monthOf(day) },
  day: { name: 'the day', of: (day) => Number(day.slice(8)) },
  dayOfYear: { name: 'the day of the year', of: dayOfYearOf },
  week: { name: 'the week', of: (day) => isoWeek(day).week },
};
const WIDTHS: Record<DatePart, number[]> = { year: [1, 2, 4], month: [2], day: [2], dayOfYear: [3], week: [2] };

export const dateDigit: SegmentKind<'dateDigit'> = {
  types: ['dateDigit'],
  form: ({ part, digit, of }) => ({
    min: 1,
    max: 1,
    accepts: isDigit,
    expects: `digit ${digit} of ${PARTS[part].name}`,
    read: (text) => ({
      says: `digit ${digit} of ${PARTS[part].name}`,
      date: { digits: [{ part, digit, of, value: Number(text) }] },
    }),
  }),
  write: ({ part, digit, of }, { day, year }) =>
    String(PARTS[part].of(day(), year))
      .padStart(of, '0')
      .slice(-of)
      .charAt(digit - 1),
  problems: ({ part, digit, of }) => [
    ...(WIDTHS[part].includes(of)
      ? []
      : [`takes a digit of ${of}; ${PARTS[part].name} has ${WIDTHS[part].join(' or ')}.`]),
    ...(digit > of ? [`takes digit ${digit} of ${of}.`] : []),
  ],
};

/** The days that a count since a day means. */
function since(from: Day, unit: 'day' | 'week' | 'month', count: number): DayInterval {
  if (unit === 'day') return { from: addDays(from, count), to: addDays(from, count), precision: 'day' };
  if (unit === 'week') return { from: addDays(from, 7 * count), to: addDays(from, 7 * count + 6), precision: 'week' };
  const months = Number(from.slice(0, 4)) * 12 + monthOf(from) - 1 + count;
  const [year, month] = [Math.floor(months / 12), (months % 12) + 1];
  return { from: isoDay(year, month, 1), to: isoDay(year, month, daysInMonth(year, month)), precision: 'month' };
}

function countTo(from: Day, unit: 'day' | 'week' | 'month', day: Day): number {
  if (unit === 'day') return daysBetween(from, day);
  if (unit === 'week') return Math.floor(daysBetween(from, day) / 7);
  return Number(day.slice(0, 4)) * 12 + monthOf(day) - (Number(from.slice(0, 4)) * 12 + monthOf(from));
}

/** A century of days: no count reaches further. */
const MOST_COUNT = 40_000;

export const sinceDay: SegmentKind<'since'> = {
  types: ['since'],
  form: ({ unit, day: from, min, max, alphabet = '0123456789' }) => ({
    min,
    max,
    expects: `a number of ${unit}s since ${from}`,
    accepts: (character) => alphabet.includes(character),
    read: (text) => {
      const count = inAlphabet(text, alphabet);
      if (count > MOST_COUNT || (text.length > min && text.startsWith(alphabet.charAt(0)))) return null;
      return { says: `${count} ${unit}s since ${from}`, date: { interval: since(from, unit, count) } };
    },
  }),
  write: ({ unit, day: from, min, alphabet = '0123456789' }, writing) => {
    const count = countTo(from, unit, writing.day());
    if (count < 0) throw new RangeError(`It counts from ${from}; ${writing.day()} lies before.`);
    return fromAlphabet(count, alphabet, min);
  },
  problems: ({ day: from, min, max, alphabet }) => [
    ...(isDay(from) ? [] : [`counts from “${from}”, which is no day.`]),
    ...(min > max ? [`has at least ${min} and at most ${max} characters.`] : []),
    ...(alphabet === undefined ? [] : alphabetProblems(alphabet)),
  ],
};

export const clock: SegmentKind<'hour' | 'time'> = {
  types: ['hour', 'time'],
  form: ({ type }) =>
    type === 'hour'
      ? numeric(2, [0, 23], 'an hour', (hour) => ({ says: `${two(hour)}:00` }))
      : {
          min: 4,
          max: 4,
          expects: 'a time, 00:00 to 23:59',
          accepts: isDigit,
          read: (text) =>
            Number(text.slice(0, 2)) < 24 && Number(text.slice(2)) < 60
              ? { says: `${text.slice(0, 2)}:${text.slice(2)}` }
              : null,
        },
  write: (_, { text }) => text(),
};
