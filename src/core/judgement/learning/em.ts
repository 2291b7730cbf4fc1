import type { Quality } from '../quality';
import type { CaseTable } from './caseTable';
import { Expectation, type Fade, type Tally } from './expectation';
import type { Fit, Stated } from './fit';
import { maximise } from './maximisation';

/** A fit, the expected counts that it was made of, and how likely it makes the cases. */
export interface Fitted {
  fit: Fit;
  tally: Tally;
  log: number;
}

export interface LearningTask {
  table: CaseTable;
  stated: Stated;
  fade: Fade;
  /** Indexes of the cases that are learned from. */
  cases: Uint32Array;
  /** True where confirmed truths may be found wrong. */
  learnErrors: boolean;
}

/**
 * Expectation maximisation of everything that hangs together: hidden classes, shares of copies, truths that err.
 *
 * @param from a fit to begin with
 * @param rounds at most
 * @param settled stop where a round changes the log-likelihood by less than this share of it
 * @source Dempster, Laird, Rubin, Maximum Likelihood from Incomplete Data via the EM Algorithm, 1977
 */
export function maximiseExpectation(task: LearningTask, from: Fit, rounds: number, settled = 1e-5): Fitted {
  const { table, stated, fade, cases, learnErrors } = task;
  const quality: Quality = from.quality;
  let fit = from;
  let log = Number.NEGATIVE_INFINITY;
  let tally: Tally | null = null;
  for (let round = 0; round < rounds; round++) {
    const expectation = new Expectation(table, fit, stated, fade);
    for (const i of cases) expectation.count(i);
    tally = expectation.tally;
    fit = maximise(table, tally, stated, quality, learnErrors);
    const change = tally.log - log;
    log = tally.log;
    if (Math.abs(change) < settled * (1 + Math.abs(log))) break;
  }
  return { fit, tally: tally as Tally, log };
}
