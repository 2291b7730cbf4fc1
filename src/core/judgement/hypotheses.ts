import { QUALITY_NODES, type Quality } from './quality';
import { type PerWorld, WORLDS } from './worlds';

/**
 * All that a case may be: each world at each quality of the item that matters in it, and where copies of known makes are
 * possible, each of these. Likelihoods are arrays with one entry for each, world by world in the order of `WORLDS`.
 */
export interface Hypotheses {
  /** How many qualities are told apart where the strands of the genuine or the copied side hang together, else 1. */
  genuineNodes: number;
  counterfeitNodes: number;
  /** How many known makes the goods may be of; they stand behind the qualities of the worlds with copied goods. */
  makes: number;
  /** Where each world's entries begin. */
  from: PerWorld;
  count: number;
  /** How likely each is in its world before anything was seen. */
  weights: Float64Array;
}

/** True for worlds in which what hangs together is a genuine item as a whole. */
const wholeGenuine = (world: string): boolean => world === 'own' || world === 'repackedGenuine';

/** True for worlds in which the goods are a copy. */
const copiedGoods = (world: string): boolean => world === 'transplanted' || world === 'copied';

/** @param makes how likely a copy is of each known make; what is left of 1 is of none of them */
export function hypothesesOf({ genuine, counterfeit }: Quality, makes: readonly number[] = []): Hypotheses {
  const genuineNodes = genuine > 0 ? QUALITY_NODES.length : 1;
  const counterfeitNodes = counterfeit > 0 ? QUALITY_NODES.length : 1;
  const from = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  const unknown = 1 - makes.reduce((sum, share) => sum + share, 0);
  const weights: number[] = [];
  for (const world of WORLDS) {
    from[world] = weights.length;
    const nodes = wholeGenuine(world) ? genuineNodes : counterfeitNodes;
    const share = copiedGoods(world) ? unknown : 1;
    for (let node = 0; node < nodes; node++) weights.push(share / nodes);
    if (copiedGoods(world)) weights.push(...makes);
  }
  return {
    genuineNodes,
    counterfeitNodes,
    makes: makes.length,
    from,
    count: weights.length,
    weights: Float64Array.from(weights),
  };
}

const entriesIn = ({ genuineNodes, counterfeitNodes, makes }: Hypotheses, world: string): number =>
  wholeGenuine(world) ? genuineNodes : counterfeitNodes + (copiedGoods(world) ? makes : 0);

/**
 * P of each hypothesis: the prior times what was seen, normalised to a sum of 1.
 *
 * @param logs log-likelihoods, one for each hypothesis
 */
export function updateAll(hypotheses: Hypotheses, prior: PerWorld, logs: Float64Array): Float64Array {
  const { from, count, weights } = hypotheses;
  const after = new Float64Array(count);
  let largest = Number.NEGATIVE_INFINITY;
  for (const log of logs) if (log > largest) largest = log;
  let sum = 0;
  for (const world of WORLDS) {
    const end = from[world] + entriesIn(hypotheses, world);
    for (let at = from[world]; at < end; at++) {
      const value = prior[world] * (weights[at] as number) * Math.exp((logs[at] as number) - largest);
      after[at] = value;
      sum += value;
    }
  }
  for (let at = 0; at < after.length; at++) after[at] = (after[at] as number) / sum;
  return after;
}

/** What hypotheses come to, world by world. */
export function worldsOf(hypotheses: Hypotheses, each: Float64Array): PerWorld {
  const worlds = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  for (const world of WORLDS) {
    const begin = hypotheses.from[world];
    for (let at = begin; at < begin + entriesIn(hypotheses, world); at++) worlds[world] += each[at] as number;
  }
  return worlds;
}

/** What hypotheses come to, make by make. */
export function makesOf({ from, counterfeitNodes, makes }: Hypotheses, each: Float64Array): number[] {
  const at = (world: 'transplanted' | 'copied', make: number) => each[from[world] + counterfeitNodes + make] as number;
  return Array.from({ length: makes }, (_, make) => at('transplanted', make) + at('copied', make));
}

/** The worlds after all that was seen. */
export const update = (hypotheses: Hypotheses, prior: PerWorld, logs: Float64Array): PerWorld =>
  worldsOf(hypotheses, updateAll(hypotheses, prior, logs));

/** How likely all that was seen is, over all hypotheses, as a logarithm. */
export function logOfAll(hypotheses: Hypotheses, prior: PerWorld, logs: Float64Array): number {
  const most = logs.reduce((a, b) => Math.max(a, b));
  let sum = 0;
  for (const world of WORLDS) {
    const begin = hypotheses.from[world];
    for (let at = begin; at < begin + entriesIn(hypotheses, world); at++)
      sum += prior[world] * (hypotheses.weights[at] as number) * Math.exp((logs[at] as number) - most);
  }
  return most + Math.log(sum);
}
