import type { Day } from '../../dates/day';

/** What every segment has: a name for people, and whether it names a fact of its own. */
interface Named {
  /** What the segment stands for: `plant`, `year`, `check character`. Unique in its scheme. */
  name: string;
}

/** One piece of a code, in the order in which it is written. */
export type Segment = Named &
  (
    | { type: 'literal'; text: string }
    /** Characters of one class that carry no stated meaning. */
    | { type: 'letters' | 'digits' | 'either'; min: number; max: number }
    /** A fixed list of texts with their meanings. */
    | { type: 'table'; values: Record<string, string> }
    | { type: 'year'; form: 'YYYY' | 'YY' | 'Y' }
    /** One letter a year; the alphabet begins again when it is used up. */
    | { type: 'year'; form: 'letter'; alphabet: string; base: number }
    /** `19Z` is 1 to 9 and then three letters; `letter` is one of twelve. */
    | { type: 'month'; form: 'MM' | 'roman' }
    | { type: 'month'; form: '19Z'; letters: string }
    | { type: 'month'; form: 'letter'; alphabet: string }
    | { type: 'day' | 'dayOfYear' | 'week' | 'hour' }
    | { type: 'shift'; values: Record<string, string> }
    /** A number that counts up, written with leading zeros to at least `min` digits. */
    | { type: 'counter'; min: number; max: number; first?: number; last?: number }
    /** Computed over all letters and digits that stand before it. */
    | { type: 'check'; method: 'mod10' | 'mod11'; weights: number[] }
    | { type: 'check'; method: 'mod37-36' }
  );

export type SegmentType = Segment['type'];

/** The facts that a scheme may be written for, as people call them. */
export const SCHEME_FACT_NAMES = {
  batchCode: 'batch code',
  dateCode: 'date code',
  serial: 'serial',
  securityCode: 'security code',
  unitNumber: 'unit number',
} as const;
export type SchemeFact = keyof typeof SCHEME_FACT_NAMES;
export const SCHEME_FACTS = Object.keys(SCHEME_FACT_NAMES) as SchemeFact[];

/** A code with what the scheme must make of it; checked whenever the scheme is saved. */
export interface WorkedExample {
  code: string;
  /** A day that must lie in one of the readings; null for codes without a date. */
  day: Day | null;
}

/** How one maker writes one kind of code. A document: a changed scheme is a new one with its own dates. */
export interface CodeScheme {
  id: string;
  maker: string;
  name: string;
  fact: SchemeFact;
  /** In use from and until these days; null where that is not known. */
  from: Day | null;
  until: Day | null;
  segments: Segment[];
  examples: WorkedExample[];
  source: string;
}
