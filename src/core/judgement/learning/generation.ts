import type { Memory } from '../statistics';
import type { LearningTask } from './em';
import { Expectation } from './expectation';
import { fadeOf } from './fade';
import type { Fit } from './fit';
import { maximise } from './maximisation';
import { MONTHS_A_QUARTER, type Quarter, quartersOf, sumOf } from './quarters';

/** Fewer confirmed copies than this in a quarter say nothing. */
const LEAST = 10;

/** So many nats better must a break explain each of the two quarters. */
const CLEARLY = 5;

/** A quarter as its even or its odd copies show it, to be judged by the others. */
function half(task: LearningTask, fit: Fit, { ago, copies }: Quarter, parity: 0 | 1): Quarter {
  const unfaded = fadeOf(task.table, { shares: null, chances: null });
  const expectation = new Expectation(task.table, fit, task.stated, unfaded);
  copies.forEach((i, at) => {
    if (at % 2 === parity) expectation.count(i);
  });
  return { ago, tally: expectation.tally, copies: copies.filter((_, at) => at % 2 !== parity) };
}

/**
 * Whether copies of another generation come by now: the two newest quarters, each, are clearly better explained by
 * themselves alone than by all that was learned before, however fast it fades. One half of their copies is judged by
 * the other.
 *
 * @returns how many months ago it began; null where nothing was noticed
 */
export function noticeGeneration(task: LearningTask, fit: Fit, memory: Memory): number | null {
  const quarters = quartersOf(task, () => fit);
  const newest = quarters.filter(({ ago }) => ago <= 1);
  const before = quarters.filter(({ ago }) => ago > 1);
  if (newest.length < 2 || newest.some(({ copies }) => copies.length < LEAST)) return null;
  if (before.reduce((sum, { copies }) => sum + copies.length, 0) < LEAST) return null;
  const better = new Map(newest.map(({ ago }) => [ago, 0]));
  for (const parity of [0, 1] as const) {
    const halves = newest.map((quarter) => half(task, fit, quarter, parity));
    const reader = (known: Quarter[]) => {
      const learned = maximise(task.table, sumOf(known, 0, memory), task.stated, fit.quality, false);
      return new Expectation(task.table, learned, task.stated, task.fade);
    };
    const [alone, faded] = [reader(halves), reader([...halves, ...before])];
    for (const { ago, copies } of halves)
      for (const i of copies) better.set(ago, (better.get(ago) ?? 0) + alone.read(i) - faded.read(i));
  }
  return [...better.values()].every((nats) => nats > CLEARLY) ? 2 * MONTHS_A_QUARTER : null;
}
