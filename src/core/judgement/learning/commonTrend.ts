import { sigmoid } from './sigmoid';

/** What was counted of one thing, quarter by quarter: how often it was one way and the other. */
export interface Course {
  yes: number[];
  no: number[];
}

/** How the odds of many things have moved together. */
export interface Trend {
  /** Of their logits, by month; 0 where they have not moved. */
  slope: number;
  /** The logit of each thing today. */
  now: number[];
  /** So many nats better is what was counted explained than by no slope. */
  gain: number;
}

/** Steepest slope that is tried: odds that grow elevenfold in half a year. */
const STEEPEST = 0.4;
const STEPS = 40;
/** What is counted beside everything, so that no chance is certain. */
const HALF = 0.5;
const ROUNDS = 12;

/** The likeliest logit of a thing today where its odds move by a slope, and the log-likelihood there. */
function likeliest({ yes, no }: Course, ages: number[], slope: number): { logit: number; log: number } {
  const total = (counts: number[]) => counts.reduce((a, b) => a + b, HALF);
  let logit = Math.log(total(yes) / total(no));
  for (let round = 0; round < ROUNDS; round++) {
    const here = sigmoid(logit);
    let gradient = HALF * (1 - 2 * here);
    let curve = 2 * HALF * here * (1 - here);
    for (const [q, age] of ages.entries()) {
      const p = sigmoid(logit - slope * age);
      const n = (yes[q] as number) + (no[q] as number);
      gradient += (yes[q] as number) - n * p;
      curve += n * p * (1 - p);
    }
    const step = Math.max(-2, Math.min(2, gradient / curve));
    logit += step;
    if (Math.abs(step) < 1e-6) break;
  }
  let log = HALF * (Math.log(sigmoid(logit)) + Math.log(sigmoid(-logit)));
  for (const [q, age] of ages.entries()) {
    const then = logit - slope * age;
    log += (yes[q] as number) * Math.log(sigmoid(then)) + (no[q] as number) * Math.log(sigmoid(-then));
  }
  return { logit, log };
}

/**
 * How the odds of many things have moved together. Each by itself is seen too seldom to tell; copyists get better at
 * everything at once.
 *
 * @param ages of the quarters, in months
 * @source logistic regression on time with one slope and an intercept for each thing, by Newton's method
 */
export function commonTrend(courses: Course[], ages: number[]): Trend {
  const at = (slope: number) => {
    const each = courses.map((course) => likeliest(course, ages, slope));
    return { slope, log: each.reduce((sum, { log }) => sum + log, 0), now: each.map(({ logit }) => logit) };
  };
  const still = at(0);
  let best = still;
  for (let step = -STEPS; step <= STEPS; step++) {
    const tried = at((STEEPEST * step) / STEPS);
    if (tried.log > best.log) best = tried;
  }
  return { slope: best.slope, now: best.now, gain: best.log - still.log };
}
