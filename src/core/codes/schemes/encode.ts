import { type Day, daysBetween, isoDay } from '../../dates/day';
import { isoWeekStart } from '../../dates/isoWeek';
import { checkCharacter } from './checkCharacter';
import type { CodeScheme, Segment } from './codeScheme';
import { compact, ROMANS } from './segmentForms';

/** What a code is to say: the day, and a text for each segment that the day does not settle, by segment name. */
export interface CodeContent {
  day?: Day;
  texts?: Record<string, string>;
}

/** The ISO week that a day lies in, with the year that the week belongs to. */
function isoWeek(day: Day): { year: number; week: number } {
  const near = Number(day.slice(0, 4));
  for (const year of [near + 1, near, near - 1]) {
    const start = isoWeekStart(year, 1) as Day;
    if (day >= start) return { year, week: Math.floor(daysBetween(start, day) / 7) + 1 };
  }
  throw new RangeError(`${day} lies in no week.`);
}

function written(segment: Segment, scheme: CodeScheme, { day, texts = {} }: CodeContent, before: string): string {
  const wanted = (): Day => {
    if (!day) throw new RangeError(`The scheme “${scheme.name}” writes a date; none was given.`);
    return day;
  };
  const [year, month, date] = (day ?? '0-0-0').split('-').map(Number) as [number, number, number];
  const two = (value: number) => String(value).padStart(2, '0');
  switch (segment.type) {
    case 'literal':
      return segment.text;
    case 'year': {
      wanted();
      const named = scheme.segments.some(({ type }) => type === 'week') ? isoWeek(wanted()).year : year;
      if (segment.form === 'letter') {
        const { alphabet, base } = segment;
        if (named < base) throw new RangeError(`The year letters begin in ${base}; ${named} has none.`);
        return alphabet.charAt((named - base) % alphabet.length);
      }
      return String(named).slice(-segment.form.length);
    }
    case 'month':
      wanted();
      if (segment.form === 'MM') return two(month);
      if (segment.form === '19Z') return `123456789${segment.letters}`.charAt(month - 1);
      return segment.form === 'letter' ? segment.alphabet.charAt(month - 1) : (ROMANS[month - 1] as string);
    case 'day':
      wanted();
      return two(date);
    case 'dayOfYear':
      return String(daysBetween(isoDay(year, 1, 1), wanted()) + 1).padStart(3, '0');
    case 'week':
      return two(isoWeek(wanted()).week);
    case 'check':
      return checkCharacter(segment, compact(before));
    default: {
      const text = texts[segment.name];
      if (text === undefined) throw new RangeError(`The segment “${segment.name}” needs a text.`);
      return segment.type === 'counter' ? text.padStart(segment.min, '0') : text;
    }
  }
}

/**
 * Write a code as its maker would.
 *
 * @throws RangeError where the content lacks something that the scheme writes
 * @example encode(scheme, { day: '2025-04-27', texts: { plant: 'M', number: '7' } }) // '5M117-007'
 */
export function encode(scheme: CodeScheme, content: CodeContent): string {
  return scheme.segments.reduce((code, segment) => code + written(segment, scheme, content, code), '');
}
