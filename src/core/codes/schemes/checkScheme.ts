import { formatDay, isDay } from '../../dates/day';
import type { CodeScheme, Segment } from './codeScheme';
import { decode } from './decode';
import { formsOf } from './parse';
import { compact } from './segmentForms';

const MOST_WAYS = 2_000;
const LONGEST = 60;

const alphabetOf = (segment: Segment): { letters: string; count?: number } | null => {
  if (segment.type === 'year' && segment.form === 'letter') return { letters: segment.alphabet };
  if (segment.type === 'month' && segment.form === '19Z') return { letters: segment.letters, count: 3 };
  if (segment.type === 'month' && segment.form === 'letter') return { letters: segment.alphabet, count: 12 };
  return null;
};

/** What is wrong with one segment on its own. */
function segmentProblems(segment: Segment): string[] {
  const say = (what: string) => `“${segment.name}” ${what}`;
  const problems: string[] = [];
  if ('min' in segment && segment.min > segment.max)
    problems.push(say(`has at least ${segment.min} and at most ${segment.max} characters.`));
  if (
    segment.type === 'counter' &&
    segment.first !== undefined &&
    segment.last !== undefined &&
    segment.first > segment.last
  )
    problems.push(say(`counts from ${segment.first} to ${segment.last}.`));
  if (segment.type === 'literal' && compact(segment.text) === '' && !/^[ ./:-]+$/.test(segment.text))
    problems.push(say('has neither a letter, a digit nor a separator.'));
  if (segment.type === 'table' || segment.type === 'shift') {
    const keys = Object.keys(segment.values).map(compact);
    if (keys.length === 0) problems.push(say('has no values.'));
    if (keys.includes('')) problems.push(say('has a value without letters or digits.'));
    if (new Set(keys).size < keys.length) problems.push(say('has two values that read the same.'));
  }
  const alphabet = alphabetOf(segment);
  if (alphabet) {
    const { letters, count } = alphabet;
    if (new Set(letters).size < letters.length) problems.push(say('has a letter twice.'));
    if (compact(letters) !== letters) problems.push(say('is written in capitals and digits only.'));
    if (count !== undefined && letters.length !== count)
      problems.push(say(`needs ${count} characters; it has ${letters.length}.`));
  }
  return problems;
}

/** Date parts that contradict one another or say nothing together. */
function dateProblems(scheme: CodeScheme): string[] {
  const has = (type: Segment['type']) => scheme.segments.filter((segment) => segment.type === type).length;
  const problems: string[] = [];
  for (const type of ['year', 'month', 'day', 'dayOfYear', 'week'] as const)
    if (has(type) > 1) problems.push(`It writes the ${type === 'dayOfYear' ? 'day of the year' : type} twice.`);
  const ways = [has('dayOfYear') > 0, has('week') > 0, has('month') > 0].filter(Boolean).length;
  if (ways > 1) problems.push('It writes the date in two ways (month, week, day of the year), which can contradict.');
  if (has('day') > 0 && has('month') === 0) problems.push('It writes a day without a month.');
  if (ways > 0 && has('year') === 0) problems.push('It writes part of a date without a year.');
  return problems;
}

/** In how many ways a code may be cut into segments at most. */
function cuts(scheme: CodeScheme): number {
  const free = formsOf(scheme).filter(({ min, max }) => max > min);
  // The length of the last free segment follows from the others.
  return free.slice(1).reduce((count, { min, max }) => count * (max - min + 1), 1);
}

/**
 * What is wrong with a scheme that follows its format: contradictory segments, too many ways to cut a code,
 * and worked examples that do not come out.
 *
 * @returns sentences; empty where it may be saved
 */
export function checkScheme(scheme: CodeScheme): string[] {
  const days = [scheme.from, scheme.until, ...scheme.examples.map(({ day }) => day)];
  const undated = days.filter((day) => day !== null && !isDay(day));
  if (undated.length > 0) return undated.map((day) => `“${day}” is no day; write it like 2026-03-09.`);
  const problems = scheme.segments.flatMap(segmentProblems);
  const names = scheme.segments.map(({ name }) => name);
  for (const name of new Set(names.filter((each, i) => names.indexOf(each) !== i)))
    problems.push(`Two segments are called “${name}”.`);
  if (scheme.from && scheme.until && scheme.from > scheme.until)
    problems.push(`It is in use from ${formatDay(scheme.from)} until ${formatDay(scheme.until)}, which is earlier.`);
  problems.push(...dateProblems(scheme));
  if (problems.length > 0) return problems;

  const longest = formsOf(scheme).reduce((sum, { max }) => sum + max, 0);
  if (longest > LONGEST)
    return [`Its codes may have ${longest} letters and digits; ${LONGEST} are the most that are read.`];
  if (longest === 0) return ['Its codes have no letter and no digit.'];
  const ways = cuts(scheme);
  if (ways > MOST_WAYS)
    return [
      `A code could be cut in ${ways.toLocaleString('en')} ways; fix the length of some segments, so that there are at most ${MOST_WAYS.toLocaleString('en')}.`,
    ];
  for (const { code, day } of scheme.examples) {
    const { readings, stop } = decode(scheme, code);
    if (readings.length === 0) {
      problems.push(
        `The example “${code}” does not fit: at position ${(stop?.at ?? 0) + 1}, ${stop?.expected.join(' or ')} was expected.`,
      );
    } else if (day && !readings.some(({ made }) => made && made.from <= day && day <= made.to)) {
      const said = readings[0]?.made;
      problems.push(
        `The example “${code}” should mean ${formatDay(day)}; it means ${said ? formatDay(said.from) : 'no day at all'}.`,
      );
    }
  }
  if (scheme.examples.length === 0) problems.push('It needs a worked example, so that a slip in it shows.');
  return problems;
}
