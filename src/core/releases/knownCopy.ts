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
  /** What gives it away: a check, what it shows there, and in how many of its cases, where that was counted. */
  signs: { check: string; shows: string; cases?: number }[];
  /** What was measured on its copies, in the record's unit, the newest last. */
  measured?: { measure: string /** Leading size; null for goods without. */; size: number | null; value: number }[];
  /** Measure id to value, in records of before sizes were kept. */
  values?: Record<string, number>;
  /** SHA-256 of photographs. */
  pictures: string[];
  /** Photograph to the check that it was taken for. */
  pictured?: Record<string, string>;
  /** Numbers of the cases in which it was met. */
  cases: string[];
  note?: string;
}

/** A measure on every copy of a release that was measured; the size is null where nobody kept it. */
export const measuredCopies = (copies: KnownCopy[], measure: string): { size: number | null; value: number }[] =>
  copies.flatMap(({ measured = [], values = {} }) => [
    ...measured.filter((each) => each.measure === measure),
    ...(values[measure] === undefined ? [] : [{ size: null, value: values[measure] }]),
  ]);
