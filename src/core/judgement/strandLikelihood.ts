import type { Bearing } from '../checks/check';
import type { ClassMix } from './classes';
import type { OutcomeChances } from './outcomeChances';
import { type PerWorld, sideOf, WORLDS } from './worlds';

/** A piece of evidence within its strand. */
export interface StrandItem {
  bearing: Bearing;
  chances: OutcomeChances;
}

/** Sums of logarithms over the items on each side, by hidden class. */
function logProducts(items: StrandItem[], world: (typeof WORLDS)[number]) {
  let usual = 0;
  let offDay = 0;
  let well = 0;
  let poorly = 0;
  let foreign = 0;
  for (const { bearing, chances } of items) {
    const side = sideOf(world, bearing);
    if (side === 'genuine') {
      usual += Math.log(chances.usual);
      offDay += Math.log(chances.offDay);
    } else if (side === 'counterfeit') {
      well += Math.log(chances.well);
      poorly += Math.log(chances.poorly);
    } else foreign += Math.log(chances.foreign);
  }
  return { usual, offDay, well, poorly, foreign };
}

/** log(w exp(a) + (1 - w) exp(b)) without overflow. */
function logMix(weight: number, a: number, b: number): number {
  const largest = Math.max(a, b);
  return largest + Math.log(weight * Math.exp(a - largest) + (1 - weight) * Math.exp(b - largest));
}

/**
 * Log-likelihood of all that was seen in one strand, in each world: per side, the mixture over its two hidden
 * classes of the products of the outcome chances.
 */
export function strandLogLikelihood(items: StrandItem[], mix: ClassMix<number>): PerWorld {
  const result = {} as PerWorld;
  for (const world of WORLDS) {
    const { usual, offDay, well, poorly, foreign } = logProducts(items, world);
    result[world] = foreign + logMix(1 - mix.offDay, usual, offDay) + logMix(mix.wellCopied, well, poorly);
  }
  return result;
}

/** Add log-likelihoods of independent strands. */
export function addLogs(parts: PerWorld[]): PerWorld {
  const sum = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  for (const part of parts) for (const world of WORLDS) sum[world] += part[world];
  return sum;
}
