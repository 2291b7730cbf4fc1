import type { Belonging } from '../casefile/event';

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
  | { kind: 'placesDiffer'; otherPlace: string };

/** One disagreement, at the cell where it is seen. */
export type Problem = ProblemDetail & { place: string; fact: string; sentence: string };
