import type { Memory } from '../statistics';
import type { LearningTask } from './em';
import { Expectation } from './expectation';
import type { Fit } from './fit';
import { maximise } from './maximisation';
import { type Quarter, quartersOf, sumOf } from './quarters';

/** Half-lives that are tried, in months; null fades nothing. */
const HALF_LIVES = [null, 36, 18, 12, 6, 3];

/** Whoever forgets knows less: so many nats must each be better than what forgets nothing. */
const DOUBT = [0, 0.7, 1, 1.2, 1.5, 2.5];

/** With fewer confirmed counterfeits than this after the first quarter, what is stated stands. */
const LEAST = 30;

/** How likely each quarter's confirmed counterfeits are under what was learned before. */
function foresight(task: LearningTask, quarters: Quarter[], fit: Fit, memory: Memory): number {
  const { table, stated, fade } = task;
  let log = 0;
  quarters.forEach(({ ago, copies }, i) => {
    const before = quarters.slice(i + 1);
    if (before.length === 0 || copies.length === 0) return;
    const known = maximise(table, sumOf(before, ago, memory), stated, fit.quality, false);
    const reader = new Expectation(table, known, stated, fade);
    for (const each of copies) log += reader.read(each);
  });
  return log;
}

/**
 * How fast copies change: half-lives for the shares of well copied strands and for the chances of the checks, each
 * by how well what was learned before a quarter foresaw it.
 *
 * @param fit what the cases come to when nothing is tried
 */
export function chooseMemory(task: LearningTask, fit: Fit): Memory {
  const { halfLifeMonths, frozen } = task.stated.rules;
  const stated: Memory = { shares: halfLifeMonths, chances: halfLifeMonths };
  if (frozen?.memory) return stated;
  const quarters = quartersOf(task, () => fit);
  if (quarters.slice(0, -1).reduce((sum, { copies }) => sum + copies.length, 0) < LEAST) return stated;
  let best: Memory = { shares: null, chances: null };
  let highest = foresight(task, quarters, fit, best);
  for (const what of ['chances', 'shares'] as const) {
    for (const [i, months] of HALF_LIVES.entries()) {
      const tried: Memory = { ...best, [what]: months };
      const log = foresight(task, quarters, fit, tried) - (DOUBT[i] as number);
      if (log > highest) [best, highest] = [tried, log];
    }
  }
  return best;
}
