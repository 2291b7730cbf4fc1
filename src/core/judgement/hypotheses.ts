import { QUALITY_NODES, type Quality } from './quality';
import { type PerWorld, WORLDS } from './worlds';

/**
 * All that a case may be: each world at each quality of the item that matters in it. Likelihoods are arrays with
 * one entry for each, world by world in the order of `WORLDS`.
 */
export interface Hypotheses {
  /** How many qualities are told apart where the strands of the genuine or the copied side hang together, else 1. */
  genuineNodes: number;
  counterfeitNodes: number;
  /** Where each world's entries begin. */
  from: PerWorld;
  count: number;
}

/** True for worlds in which what hangs together is a genuine item as a whole. */
const wholeGenuine = (world: string): boolean => world === 'own' || world === 'repackedGenuine';

export function hypothesesOf({ genuine, counterfeit }: Quality): Hypotheses {
  const genuineNodes = genuine > 0 ? QUALITY_NODES.length : 1;
  const counterfeitNodes = counterfeit > 0 ? QUALITY_NODES.length : 1;
  const from = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  let count = 0;
  for (const world of WORLDS) {
    from[world] = count;
    count += wholeGenuine(world) ? genuineNodes : counterfeitNodes;
  }
  return { genuineNodes, counterfeitNodes, from, count };
}

const nodesIn = ({ genuineNodes, counterfeitNodes }: Hypotheses, world: string): number =>
  wholeGenuine(world) ? genuineNodes : counterfeitNodes;

/**
 * P of each hypothesis: the prior times what was seen, normalised to a sum of 1.
 *
 * @param logs log-likelihoods, one for each hypothesis
 */
export function updateAll(hypotheses: Hypotheses, prior: PerWorld, logs: Float64Array): Float64Array {
  const after = new Float64Array(hypotheses.count);
  let largest = Number.NEGATIVE_INFINITY;
  for (const log of logs) if (log > largest) largest = log;
  let sum = 0;
  for (const world of WORLDS) {
    const [from, nodes] = [hypotheses.from[world], nodesIn(hypotheses, world)];
    for (let at = from; at < from + nodes; at++) {
      const value = (prior[world] / nodes) * Math.exp((logs[at] as number) - largest);
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
    const [from, nodes] = [hypotheses.from[world], nodesIn(hypotheses, world)];
    for (let at = from; at < from + nodes; at++) worlds[world] += each[at] as number;
  }
  return worlds;
}

/** The worlds after all that was seen. */
export const update = (hypotheses: Hypotheses, prior: PerWorld, logs: Float64Array): PerWorld =>
  worldsOf(hypotheses, updateAll(hypotheses, prior, logs));
