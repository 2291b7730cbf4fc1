import type { Day } from '../dates/day';
import type { Beta, ClassMix, PerClass } from './classes';

/** What was learned of the checks of one strand. */
export interface LearnedStrand {
  mix: ClassMix<Beta>;
  checks: Record<string, PerClass<Beta>>;
}

/** Where known counterfeits of a release lie in a measure, against the record. */
export interface KnownShift {
  /** Weight of the confirmed counterfeits that were measured. */
  n: number;
  /** Mean distance from the record, in the unit of the measure. */
  mean: number;
}

/**
 * What confirmed cases taught about the checks of one kind of goods. A document: computed anew whenever a truth
 * is confirmed, pinned by verdicts.
 */
export interface TellStatistics {
  /** The kind of goods. */
  id: string;
  asOf: Day;
  /** Weights of the cases that it rests on, counterfeits faded. */
  genuine: number;
  counterfeit: number;
  strands: Record<string, LearnedStrand>;
  /** Check id and release id, with a slash between, to the known shift. */
  shifts: Record<string, KnownShift>;
}
