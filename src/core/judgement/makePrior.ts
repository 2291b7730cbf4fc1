import type { Beta } from './classes';
import type { MakePriorName } from './statistics';

/** What is known of a make's chance to differ at a check before any of its copies was looked at: a mixture of Betas. */
export type MakePrior = readonly { share: number; beta: Beta }[];

/** A make either does as genuine items do, or has a slip there that nearly all of its copies show. */
const AS_GENUINE = 15;
const SLIP: Beta = [3.75, 1.25];
const SLIP_MEAN = 0.75;
const PLAIN = 2;

/**
 * @param genuine P(differs) on genuine items
 * @param copied P(differs) on copies of all makes
 */
export function makePrior(name: MakePriorName, genuine: number, copied: number): MakePrior {
  if (name === 'plain') return [{ share: 1, beta: [PLAIN * copied, PLAIN * (1 - copied)] }];
  const slip = Math.min(0.9, Math.max(0.05, (copied - genuine) / Math.max(0.1, SLIP_MEAN - genuine)));
  return [
    { share: 1 - slip, beta: [AS_GENUINE * genuine, AS_GENUINE * (1 - genuine)] },
    { share: slip, beta: SLIP },
  ];
}

/** Logarithm of how likely so many of each outcome are under a Beta, one after the other. */
function logSeen([yes, no]: Beta, differs: number, agrees: number): number {
  let log = 0;
  for (let i = 0; i < differs; i++) log += Math.log(yes + i);
  for (let i = 0; i < agrees; i++) log += Math.log(no + i);
  for (let i = 0; i < differs + agrees; i++) log -= Math.log(yes + no + i);
  return log;
}

/** P(the next copy of a make differs), after so many that did and did not. */
export function chanceToDiffer(prior: MakePrior, differs: number, agrees: number): number {
  const logs = prior.map(({ share, beta }) => Math.log(share) + logSeen(beta, differs, agrees));
  const largest = Math.max(...logs);
  let [sum, chance] = [0, 0];
  for (const [i, { beta }] of prior.entries()) {
    const weight = Math.exp((logs[i] as number) - largest);
    sum += weight;
    chance += (weight * (beta[0] + differs)) / (beta[0] + beta[1] + differs + agrees);
  }
  return chance / sum;
}
