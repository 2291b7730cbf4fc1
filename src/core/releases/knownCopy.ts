import type { Day } from '../dates/day';

/** One workshop's copies of a release, as the house has met them. */
export interface KnownCopy {
  id: string;
  /** A name of the house's own. */
  name: string;
  /** Which of its batches, where later ones mend some slips. */
  generation?: string;
  firstMet: Day;
  lastMet: Day;
  /** What gives it away: a check, and what it shows there. */
  signs: { check: string; shows: string }[];
  /** Measure id to what its copies measure, in the record's unit. */
  values: Record<string, number>;
  /** SHA-256 of photographs. */
  pictures: string[];
  /** Photograph to the check that it was taken for. */
  pictured?: Record<string, string>;
  /** Numbers of the cases in which it was met. */
  cases: string[];
  note?: string;
}
