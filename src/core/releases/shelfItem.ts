import type { Condition } from '../checks/check';
import type { Day } from '../dates/day';
import type { Exemplar, Release } from './release';

/** How it is known that an item is genuine, the surest first. */
export const PROVENANCE = {
  maker: 'from the maker',
  shop: 'from an authorised shop, with its receipt',
  checkers: 'held genuine by several checkers',
  confirmed: 'a case here, confirmed later',
} as const;

export type Provenance = keyof typeof PROVENANCE;

/** An item of a release that is known to be genuine: what others are held against. */
export interface ShelfItem {
  id: string;
  provenance: Provenance;
  /** Which shop, person or case. */
  from: string;
  /** When it came. */
  on: Day;
  sizeKey: string | null;
  /** The leading size as a number; null for goods without. */
  size: number | null;
  side: 'left' | 'right' | 'pair' | 'whole';
  condition: Condition;
  /** When its production began and ended, where it says so. */
  madeFrom?: Day;
  madeUntil?: Day;
  /** What it shows of the traits in which genuine items differ. */
  traits?: Record<string, string>;
  /** Where it stands, for whoever fetches it. */
  place?: string;
  /** Measure id to what was measured on it, in the record's unit. */
  values: Record<string, number>;
  /** Check id to the answer that it gave. */
  answers: Record<string, string>;
  /** SHA-256 of its photographs. */
  pictures: string[];
  /** Photograph to the check that it was taken for. */
  pictured?: Record<string, string>;
  /** The number of its case here. */
  case?: string;
  note?: string;
}

/** `bought in a shop, size 42, new`. */
export const shelfSource = ({ provenance, from, condition }: ShelfItem): string =>
  `${from}, ${PROVENANCE[provenance]}${condition === 'new' ? '' : `, ${condition}`}`;

/** A measure on every item that is known to be genuine: those on the shelf, and those that a record lists by figure alone. */
export function exemplarsOf({ exemplars = {}, shelf = [] }: Release, measure: string): Exemplar[] {
  const measured = shelf.flatMap((item) => {
    const value = item.values[measure];
    return value === undefined ? [] : [{ size: item.size, value, source: shelfSource(item) }];
  });
  return [...(exemplars[measure] ?? []), ...measured];
}
