import type { Day } from '../../dates/day';
import { isoWeek } from '../../dates/isoWeek';
import { checkCharacter } from './checkCharacter';
import type { CodeScheme, Segment } from './codeScheme';
import { kindOf } from './segments';
import type { CodeContent } from './segments/segmentKind';

/**
 * Write a code as its maker would.
 *
 * @throws RangeError where the content lacks something that the scheme writes
 * @example encode(scheme, { day: '2025-04-27', texts: { plant: 'M', number: '7' } }) // '5M117-007'
 */
export function encode(scheme: CodeScheme, { day, texts = {} }: CodeContent): string {
  const wanted = (): Day => {
    if (!day) throw new RangeError(`The scheme “${scheme.name}” writes a date; none was given.`);
    return day;
  };
  const inWeeks = scheme.segments.some(
    (each) => each.type === 'week' || (each.type === 'dateDigit' && each.part === 'week'),
  );
  const year = day ? (inWeeks ? isoWeek(day).year : Number(day.slice(0, 4))) : 0;
  const parts = new Map<string, string>();
  const left = ({ name, optional }: Segment) => optional === true && texts[name] === undefined;
  for (const segment of scheme.segments) {
    if (left(segment) || (segment.type === 'check' && segment.over)) continue;
    const text = () => {
      const given = texts[segment.name];
      if (given === undefined) throw new RangeError(`The segment “${segment.name}” needs a text.`);
      return given;
    };
    const before = [...parts.values()].join('');
    parts.set(segment.name, kindOf(segment.type).write(segment, { day: wanted, text, year, before }));
  }
  // A check over other segments is written when they are.
  for (const segment of scheme.segments)
    if (segment.type === 'check' && segment.over && !left(segment))
      parts.set(segment.name, checkCharacter(segment, segment.over.map((name) => parts.get(name) ?? '').join('')));
  return scheme.segments.map(({ name }) => parts.get(name) ?? '').join('');
}
