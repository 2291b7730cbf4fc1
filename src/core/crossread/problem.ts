import type { Belonging } from '../casefile/events/factRead';

/** What can be wrong between readings, each with the facts that a screen needs to point at it. */
export type ProblemDetail =
  | { kind: 'unreadable' }
  | { kind: 'impossible' }
  | { kind: 'checkDigit'; printed: number; expected: number; corrections: string[] }
  | { kind: 'otherRelease'; belongsTo: Belonging }
  | { kind: 'otherSize'; found: string; expected: string }
  | { kind: 'unknownCode' }
  | { kind: 'differs'; expected: string; found: string }
  | { kind: 'sizesDisagree'; expected: string | null }
  | { kind: 'implausibleWindow'; daysOff: number }
  | { kind: 'wrongCountry'; expected: string }
  | { kind: 'placesDiffer'; otherPlace: string }
  /** Two pieces carry what each should have for itself. */
  | { kind: 'placesSame'; otherPlace: string }
  /** A code that fits none of its maker's schemes. */
  | { kind: 'schemeMisfit'; at: number }
  /** A code whose date misses what is plausible, or the time in which its scheme was used. */
  | { kind: 'implausibleDate'; daysOff: number }
  /** A part of a code that does not go with another fact of the item. */
  | { kind: 'tieBroken' }
  /** Two dates that cannot both be right, in this and another mark of the date line. */
  | { kind: 'datesContradict'; days: number; with: string }
  /** No single genuine variant accounts for all. */
  | { kind: 'brokenChain' }
  /** A second tag on one item. */
  | { kind: 'secondTag' }
  /** The register met this unique code on another item. */
  | { kind: 'seenBefore'; numbers: string[] };

/** One disagreement, at the cell where it is seen. */
export type Problem = ProblemDetail & { place: string; fact: string; sentence: string };
