import type { Finding } from '../checks/finding';
import { type Evidence, posteriorOf, type StrandEvidence } from './evidence';
import { update } from './hypotheses';
import { logLikelihoods, productsOf } from './strandLikelihood';
import { type PerWorld, weightOf } from './worlds';

/** What one check added, given the rest of its strand: the change that taking it away would make. */
export interface CheckWeight {
  finding: Finding;
  /** Decibans; positive speaks for genuine goods. */
  weight: number;
}

/** The evidence of one strand on its own. */
export interface StrandWeight {
  strand: string;
  weight: number;
  /** Heaviest first. */
  checks: CheckWeight[];
}

export interface Weighing {
  prior: PerWorld;
  posterior: PerWorld;
  /** Decibans of all evidence together. */
  weight: number;
  /** Heaviest first; only strands in which something was seen. */
  strands: StrandWeight[];
  /** What the strands' weights do not add up to: goods and packaging are weighed together, not one by one. */
  interplay: number;
}

const heaviestFirst = (a: { weight: number }, b: { weight: number }) => Math.abs(b.weight) - Math.abs(a.weight);

/**
 * Weigh all evidence: four states, strands with hidden classes.
 *
 * @source docs/architecture.md, “How a case is weighed”
 */
export function weigh(evidence: Evidence): Weighing {
  const { prior, parameters, hypotheses } = evidence;
  const weightAlone = (logs: Float64Array) => weightOf(prior, update(hypotheses, prior, logs));
  const weighStrand = ([strand, { pieces, logs }]: [string, StrandEvidence]): StrandWeight => {
    const weight = weightAlone(logs);
    const all = [...pieces.values()];
    const checks = all.map((piece): CheckWeight => {
      const rest = productsOf(all.filter((each) => each !== piece));
      return { finding: piece.finding, weight: weight - weightAlone(logLikelihoods(rest, parameters.shares(strand))) };
    });
    return { strand, weight, checks: checks.sort(heaviestFirst) };
  };
  const strands = [...evidence.strands].map(weighStrand).sort(heaviestFirst);
  const posterior = posteriorOf(evidence);
  const weight = weightOf(prior, posterior);
  const interplay = weight - strands.reduce((sum, strand) => sum + strand.weight, 0);
  return { prior, posterior, weight, strands, interplay };
}

/** The strand of what the seller says, in every kind of goods. */
export const LISTING_STRAND = 'listing';

/** Decibans of all evidence but the listing's. */
export const weightOfItem = ({ weight, strands }: Pick<Weighing, 'weight' | 'strands'>): number =>
  weight - (strands.find(({ strand }) => strand === LISTING_STRAND)?.weight ?? 0);
