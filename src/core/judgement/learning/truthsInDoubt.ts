import { type Fitted, type LearningTask, maximiseExpectation } from './em';
import type { Fit } from './fit';

/** From so many confirmed truths on they may be found wrong; before, wrong chances would pass for wrong truths. */
export const TRUTHS_TO_DOUBT = 200;

/** So many nats better must wrong truths explain what was seen. */
const DOUBT = 3;

const ROUNDS = 4;

/**
 * Whether some of the confirmed truths are wrong, and the fit that goes with the answer. Copies that are too good for what
 * is known of copies yet look like wrong truths one by one, so they have to make all cases together likelier.
 *
 * @param task one that may find truths wrong, if there are enough of them
 */
export function truthsInDoubt(task: LearningTask, fit: Fit): { learnErrors: boolean; fitted: Fitted } {
  const believed = maximiseExpectation({ ...task, learnErrors: false }, { ...fit, truthErrors: 0 }, ROUNDS);
  if (!task.learnErrors) return { learnErrors: false, fitted: believed };
  const doubted = maximiseExpectation(task, fit, ROUNDS);
  const learnErrors = doubted.log > believed.log + DOUBT;
  return { learnErrors, fitted: learnErrors ? doubted : believed };
}
