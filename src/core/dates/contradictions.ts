import { type Day, daysBetween, formatDay } from './day';
import type { DayInterval } from './interval';

/** Something with a date: every interval that it may mean, the likeliest first. */
export interface DatedFact {
  id: string;
  /** For sentences: `the production start on the inner label`. */
  name: string;
  readings: DayInterval[];
}

/** `later` comes at least `min` and at most `max` days after `earlier`; negative figures allow it to come before. */
export interface DateConstraint {
  earlier: string;
  later: string;
  min: number;
  max: number;
  /** Why, as a clause: `nothing is bought before it was made`. */
  why: string;
}

export interface DateContradiction {
  earlier: string;
  later: string;
  /** By how many days it certainly misses; more than 0. */
  days: number;
  /** The two are too close together, or in the wrong order; or too far apart. */
  kind: 'tooClose' | 'tooFar';
  sentence: string;
}

export interface DatesTogether {
  contradictions: DateContradiction[];
  /** By fact id, the readings that the other dates leave possible; never none. */
  kept: Record<string, DayInterval[]>;
  /** Facts whose readings were narrowed by the other dates, with those that did it. */
  settled: { fact: string; by: string[] }[];
}

/** By how many days two intervals miss a constraint at best; 0 where they may keep it. */
function miss(earlier: DayInterval, later: DayInterval, { min, max }: DateConstraint): number {
  const most = daysBetween(earlier.from, later.to);
  const least = daysBetween(earlier.to, later.from);
  if (most < min) return most - min;
  return least > max ? least - max : 0;
}

const textOf = ({ from, to }: DayInterval): string =>
  from === to ? formatDay(from) : `${formatDay(from)} – ${formatDay(to)}`;

/** The pair of readings that misses by least. */
function best(earlier: DayInterval[], later: DayInterval[], constraint: DateConstraint) {
  const pairs = earlier.flatMap((a) => later.map((b) => ({ a, b, days: miss(a, b, constraint) })));
  return pairs.reduce((least, pair) => (Math.abs(pair.days) < Math.abs(least.days) ? pair : least));
}

function sentence(
  earlier: DatedFact,
  a: DayInterval,
  later: DatedFact,
  b: DayInterval,
  days: number,
  why: string,
): string {
  const name = earlier.name.charAt(0).toUpperCase() + earlier.name.slice(1);
  const count = `${Math.abs(days).toLocaleString('en')} ${Math.abs(days) === 1 ? 'day' : 'days'}`;
  return `${name} (${textOf(a)}) and ${later.name} (${textOf(b)}) contradict by ${count}: ${why}.`;
}

/**
 * Hold dates against one another. Readings that no reading of another fact can stand beside are dropped while
 * one that can is left; what then still misses is a contradiction, by the number of days that it misses at best.
 *
 * @param facts each with at least one reading
 * @param constraints those that name a fact which is not there are passed over
 */
export function holdTogether(facts: DatedFact[], constraints: DateConstraint[]): DatesTogether {
  const byId = new Map(facts.map((fact) => [fact.id, fact]));
  const kept: Record<string, DayInterval[]> = Object.fromEntries(facts.map(({ id, readings }) => [id, readings]));
  const live = constraints.filter(({ earlier, later }) => byId.has(earlier) && byId.has(later));
  const settledBy = new Map<string, Set<string>>();

  const narrow = (id: string, other: string, possible: (reading: DayInterval) => boolean): boolean => {
    const readings = kept[id] as DayInterval[];
    const left = readings.filter(possible);
    if (left.length === 0 || left.length === readings.length) return false;
    kept[id] = left;
    settledBy.set(id, (settledBy.get(id) ?? new Set()).add(other));
    return true;
  };
  // Each round drops a reading or is the last.
  for (let changed = true; changed; ) {
    changed = false;
    for (const constraint of live) {
      const { earlier, later } = constraint;
      const goes = (a: DayInterval, b: DayInterval) => miss(a, b, constraint) === 0;
      const first = narrow(earlier, later, (a) => (kept[later] as DayInterval[]).some((b) => goes(a, b)));
      const second = narrow(later, earlier, (b) => (kept[earlier] as DayInterval[]).some((a) => goes(a, b)));
      changed ||= first || second;
    }
  }

  const contradictions = live.flatMap((constraint): DateContradiction[] => {
    const { earlier, later, why } = constraint;
    const { a, b, days } = best(kept[earlier] as DayInterval[], kept[later] as DayInterval[], constraint);
    if (days === 0) return [];
    const said = sentence(byId.get(earlier) as DatedFact, a, byId.get(later) as DatedFact, b, days, why);
    return [{ earlier, later, days: Math.abs(days), kind: days < 0 ? 'tooClose' : 'tooFar', sentence: said }];
  });
  return { contradictions, kept, settled: [...settledBy].map(([fact, by]) => ({ fact, by: [...by] })) };
}

/**
 * Age in whole months as a range, since the day of making is rarely known to the day.
 *
 * @returns the least and the most full months from the interval to the day; 0 where it lies after it
 * @example ageInMonths({ from: '2025-03-01', to: '2025-03-31', precision: 'month' }, '2026-03-15') // [11, 12]
 */
export function ageInMonths(made: DayInterval, today: Day): [least: number, most: number] {
  const months = (from: Day) => {
    const [a, b] = [from, today].map((day) => day.split('-').map(Number)) as [number[], number[]];
    const whole = ((b[0] ?? 0) - (a[0] ?? 0)) * 12 + (b[1] ?? 0) - (a[1] ?? 0);
    return Math.max(0, whole - ((b[2] ?? 0) < (a[2] ?? 0) ? 1 : 0));
  };
  return [months(made.to), months(made.from)];
}
