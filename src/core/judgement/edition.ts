import type { Quality } from './quality';

/** What differs between the editions of the weighing. A sealed verdict pins the edition that judged it. */
export interface Edition {
  number: EditionNumber;
  /** Share of measured values that are a slip of the hand, so that none weighs more than such a slip would. */
  slips: number;
  /** How far the strands of a kind hang together before anything was learned of it. */
  quality: Quality;
  /** True where the interval is drawn from what supports the parameters and the case that is judged. */
  drawsWithCase: boolean;
  /** True where the interval holds that nobody knows how far the strands hang together. */
  drawsQuality: boolean;
  /** True where grave differences that genuine items never show together hold an acceptance back. */
  asksMisfits: boolean;
  /** True where what the seller says decides nothing by itself. */
  asksForItem: boolean;
}

export type EditionNumber = 1 | 2 | 3 | 4;

export const NEWEST_EDITION: EditionNumber = 4;

const FIRST: Edition = {
  number: 1,
  slips: 0,
  quality: { genuine: 0, counterfeit: 0 },
  drawsWithCase: false,
  drawsQuality: false,
  asksMisfits: false,
  asksForItem: false,
};

const SECOND: Edition = {
  number: 2,
  slips: 0.02,
  quality: { genuine: 0, counterfeit: 0.35 },
  drawsWithCase: true,
  drawsQuality: false,
  asksMisfits: true,
  asksForItem: false,
};

const THIRD: Edition = { ...SECOND, number: 3, asksForItem: true };

export const EDITIONS: Record<EditionNumber, Edition> = {
  1: FIRST,
  2: SECOND,
  3: THIRD,
  4: { ...THIRD, number: 4, drawsQuality: true },
};
