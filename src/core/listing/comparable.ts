import type { Condition } from '../checks/check';
import type { Day } from '../dates/day';
import type { Money } from './money';

/** What somebody else asks, or was paid, for the same thing. */
export interface Comparable extends Money {
  /** True for a price that was paid, false for one that is asked. */
  sold: boolean;
  day?: Day;
  condition?: Condition;
  /** As its listing words it. */
  size?: string;
  channel?: string;
  /** Whoever offers it; several by one seller count as one. */
  seller?: string;
}

/** So many are kept of one item; the newest say more than any further ones. */
export const MOST_COMPARABLES = 500;
