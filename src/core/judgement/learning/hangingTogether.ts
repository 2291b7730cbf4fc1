import { CORRELATIONS, chancesOf, doubt, type Quality, UNRELATED } from '../quality';
import { type Fitted, type LearningTask, maximiseExpectation } from './em';
import type { Fit } from './fit';

const ROUNDS = 4;

/** So many nats more is it believed that they do not hang together at all: that is a thing of its own, not the least of many. */
const NOTHING = 1;

/**
 * How far the strands of a copy hang together, by how likely it makes the cases, confirmed and not; what needs more is
 * believed less, and nothing is taken for granted.
 *
 * @param first a fit without any hanging together
 */
export function chooseQuality(task: LearningTask, first: Fitted): { quality: Quality; fit: Fit; qualities?: number[] } {
  const frozen = task.stated.rules.frozen?.quality;
  if (frozen) return { quality: frozen, fit: first.fit };
  let best = { quality: UNRELATED, fit: first.fit, score: Number.NEGATIVE_INFINITY };
  let fit = first.fit;
  const scores = CORRELATIONS.map(() => Number.NEGATIVE_INFINITY);
  for (const [i, counterfeit] of CORRELATIONS.entries()) {
    const quality = { genuine: 0, counterfeit };
    const fitted = maximiseExpectation(task, { ...fit, quality }, ROUNDS);
    fit = fitted.fit;
    const score = fitted.log + doubt(counterfeit) + (counterfeit === 0 ? NOTHING : 0);
    scores[i] = score;
    if (score > best.score) best = { quality, fit, score };
    else if (score < best.score - 12) break;
  }
  return { quality: best.quality, fit: best.fit, qualities: chancesOf(scores) };
}
