import { type Quality, UNRELATED } from '../quality';
import { type Fitted, type LearningTask, maximiseExpectation } from './em';
import type { Fit } from './fit';

/** How far the strands of a copy may hang together. */
const CORRELATIONS = [0, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8];

const ROUNDS = 4;

/** What little is believed of it before any case; likeliest where the edition states it. */
const doubt = (correlation: number): number => 0.69 * Math.log(correlation + 0.1) + Math.log(1 - correlation);

/**
 * How far the strands of a copy hang together, by how likely it makes the cases, confirmed and not; what needs more is
 * believed less, and nothing is taken for granted.
 *
 * @param first a fit without any hanging together
 */
export function chooseQuality(task: LearningTask, first: Fitted): { quality: Quality; fit: Fit } {
  const frozen = task.stated.rules.frozen?.quality;
  if (frozen) return { quality: frozen, fit: first.fit };
  let best = { quality: UNRELATED, fit: first.fit, score: Number.NEGATIVE_INFINITY };
  let fit = first.fit;
  for (const counterfeit of CORRELATIONS) {
    const quality = { genuine: 0, counterfeit };
    const fitted = maximiseExpectation(task, { ...fit, quality }, ROUNDS);
    fit = fitted.fit;
    const score = fitted.log + doubt(counterfeit);
    if (score > best.score) best = { quality, fit, score };
    else if (score < best.score - 12) break;
  }
  return best;
}
