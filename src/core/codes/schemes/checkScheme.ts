import { formatDay, isDay } from '../../dates/day';
import { repeated } from '../../repeated';
import type { CodeScheme, Segment } from './codeScheme';
import { decode } from './decode';
import { formsOf } from './parse';
import { kindOf } from './segments';

const MOST_WAYS = 2_000;
const LONGEST = 60;

/** What is wrong with one segment on its own. */
const segmentProblems = (segment: Segment): string[] =>
  (kindOf(segment.type).problems?.(segment) ?? []).map((what) => `“${segment.name}” ${what}`);

/** Checks over segments that are not there, or over themselves. */
function checkProblems({ segments }: CodeScheme): string[] {
  const names = segments.map(({ name }) => name);
  return segments.flatMap((segment) => {
    if (segment.type !== 'check' || !segment.over) return [];
    const strange = segment.over.filter((name) => !names.includes(name));
    const checks = segment.over.filter((name) => segments.some((each) => each.name === name && each.type === 'check'));
    return [
      ...strange.map((name) => `“${segment.name}” is computed over “${name}”, which is no segment.`),
      ...checks.map((name) => `“${segment.name}” is computed over “${name}”, which is a check itself.`),
      ...(segment.over.length === 0 ? [`“${segment.name}” is computed over nothing.`] : []),
    ];
  });
}

/** Date parts that contradict one another or say nothing together. */
function dateProblems({ segments }: CodeScheme): string[] {
  const digits = (part: string) => segments.some((each) => each.type === 'dateDigit' && each.part === part);
  const count = (type: Segment['type']) => segments.filter((segment) => segment.type === type).length;
  const has = (type: Segment['type']) => count(type) + (digits(type) ? 1 : 0);
  const problems: string[] = [];
  for (const type of ['year', 'month', 'day', 'dayOfYear', 'week', 'since'] as const)
    if (has(type) > 1) problems.push(`It writes the ${type === 'dayOfYear' ? 'day of the year' : type} twice.`);
  const ways = ['dayOfYear', 'week', 'month', 'quarter', 'season', 'since'] as const;
  if (ways.filter((type) => has(type) > 0).length > 1)
    problems.push('It writes the date in two ways (month, week, day of the year …), which can contradict.');
  if (has('since') > 0 && has('year') > 0)
    problems.push('It counts since a day and writes a year, which can contradict.');
  if (has('day') > 0 && has('month') === 0) problems.push('It writes a day without a month.');
  if (has('weekday') > 0 && has('week') === 0) problems.push('It writes a day of the week without a week.');
  if (ways.some((type) => type !== 'since' && has(type) > 0) && has('year') === 0)
    problems.push('It writes part of a date without a year.');
  return problems;
}

/** In how many ways a code may be cut into segments at most. */
function cuts(scheme: CodeScheme): number {
  const lengths = formsOf(scheme)
    .map(({ min, max }, i) => max - min + 1 + (scheme.segments[i]?.optional ? 1 : 0))
    .filter((count) => count > 1);
  // The length of the last free segment follows from the others.
  return lengths.slice(1).reduce((ways, count) => ways * count, 1);
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
  for (const name of repeated(names)) problems.push(`Two segments are called “${name}”.`);
  if (scheme.from && scheme.until && scheme.from > scheme.until)
    problems.push(`It is in use from ${formatDay(scheme.from)} until ${formatDay(scheme.until)}, which is earlier.`);
  problems.push(...checkProblems(scheme), ...dateProblems(scheme));
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
