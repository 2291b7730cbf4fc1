import type { Day } from '../dates/day';
import type { LearnedPrices } from '../listing/learnedPrices';
import type { Beta, ClassMix, PerClass } from './classes';
import type { EditionNumber } from './edition';
import type { Quality } from './quality';
import type { CheckerSlips } from './slips';

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

/** Half-lives in months; null where nothing fades. */
export interface Memory {
  /** Of the shares of well and poorly copied strands. */
  shares: number | null;
  /** Of the chances of the checks. */
  chances: number | null;
}

/** How the odds of copies move, as slopes of their logits by month; 0 where they do not. */
export interface Trends {
  /** That a strand is well copied. */
  shares: number;
  /** That a check differs on a poor copy. */
  chances: number;
}

/** How far releases of a kind are alike. */
export interface ReleaseStatistics {
  /** How many observations of a release the kind's chances are worth; null where releases do not differ. */
  worth: number | null;
  /** Release id to check id to what was seen on it. */
  counts: Record<string, Record<string, PerClass<Beta>>>;
}

/** A make of copies as it was learned: what its copies showed. */
export interface LearnedMake {
  /** Stays the same from one learning to the next, as far as its cases do. */
  id: string;
  /** Numbers of the confirmed cases that it is made of. */
  cases: string[];
  /** Check id to how many of them differed and agreed. */
  seen: Record<string, [differs: number, agrees: number]>;
}

/** How a make's chances are known before it is met: as in genuine items or a slip of this make, or just like any copy. */
export type MakePriorName = 'slips' | 'plain';

/** The makes of copies of a kind's releases. */
export interface MakeStatistics {
  /** How far a release's copies are of known makes, where very many are known; 0 where makes foresee nothing. */
  share: number;
  prior: MakePriorName;
  /** Release id to several ways of sorting its confirmed copies into makes; the first is the likeliest, and has the names. */
  releases: Record<string, { copies: number; samples: LearnedMake[][] }>;
}

/**
 * What confirmed cases taught about the checks of one kind of goods. A document: computed anew whenever a truth
 * is confirmed, pinned by verdicts. What the first edition did not learn is absent in its documents.
 */
export interface TellStatistics {
  /** The kind of goods. */
  id: string;
  asOf: Day;
  edition?: EditionNumber;
  /** Weights of the cases that it rests on, counterfeits faded. */
  genuine: number;
  counterfeit: number;
  /** Sealed cases without a truth that it rests on as well. */
  unconfirmed?: number;
  strands: Record<string, LearnedStrand>;
  /** Check id and release id, with a slash between, to the known shift. */
  shifts: Record<string, KnownShift>;
  quality?: Quality;
  /** How likely each of `CORRELATIONS` is; absent where it is frozen, and in documents of earlier editions. */
  qualities?: number[];
  /** How many times what its support says the stated chances proved to be worth, class by class. */
  support?: PerClass<number>;
  /** P(counterfeit) of what comes by the door, by channel and by the house's label of the seller. */
  shares?: { channels: Record<string, Beta>; sellers: Record<string, Beta> };
  releases?: ReleaseStatistics;
  makes?: MakeStatistics;
  memory?: Memory;
  trends?: Trends;
  /** First day of the quarter from which on copies are of another generation; absent where none was noticed. */
  generation?: Day;
  /** Share of the confirmed truths that are wrong; applied from enough of them on. */
  truthErrors?: { rate: number; applied: boolean };
  /** Person to how often they record the other outcome. */
  checkers?: CheckerSlips;
  prices?: LearnedPrices;
}
