import type { Day } from '../../dates/day';

/** Another fact that a segment has to go with: the shoe it is on, where it was made, its size, the pair's number. */
export const TIES = ['side', 'factoryCode', 'country', 'size', 'pair'] as const;
export type Tie = (typeof TIES)[number];

/** What every segment has: a name for people, and how it stands to the rest. */
interface Named {
  /** What the segment stands for: `plant`, `year`, `check character`. Unique in its scheme. */
  name: string;
  /** It may be left out. */
  optional?: boolean;
  /** The fact that its meaning (or its text, where it has none) must go with. */
  tied?: Tie;
}

/** One digit of a date part that is written apart: `digit` 1 is the first of `of`. */
export type DatePart = 'year' | 'month' | 'day' | 'dayOfYear' | 'week';

export type CheckMethod = 'mod10' | 'mod11' | 'mod37-36' | 'mod97-10' | 'luhn' | 'mod11-2' | 'mod11-10' | 'mod37-2';

/** One piece of a code, in the order in which it is written. */
export type Segment = Named &
  (
    | { type: 'literal'; text: string }
    /** Characters of one class that carry no stated meaning. */
    | { type: 'letters' | 'digits' | 'either'; min: number; max: number }
    /** A fixed list of texts with their meanings. */
    | { type: 'table'; values: Record<string, string> }
    | { type: 'year'; form: 'YYYY' | 'YY' | 'Y' }
    /** One letter a year (`letter`; the alphabet begins again when it is used up), or two that count up (`letters`). */
    | { type: 'year'; form: 'letter' | 'letters'; alphabet: string; base: number }
    /** `M` has no leading zero; `19Z` is 1 to 9 and then three letters; `letter` is one of twelve; `name` is JAN, FEB … */
    | { type: 'month'; form: 'MM' | 'M' | 'roman' | 'name' }
    | { type: 'month'; form: '19Z'; letters: string }
    | { type: 'month'; form: 'letter'; alphabet: string }
    /** `short`: without leading zeros; an alphabet has one character for each day. */
    | { type: 'day'; short?: boolean; alphabet?: string }
    | { type: 'dayOfYear' | 'week'; short?: boolean }
    /** 1 to 7 from Monday, or a letter for each day. */
    | { type: 'weekday'; alphabet?: string }
    /** 1 to 4, or a letter for each. */
    | { type: 'quarter'; alphabet?: string }
    /** Texts that stand for a run of months: `{ SS: '1-6' }`; months above 12 lie in the next year. */
    | { type: 'season'; values: Record<string, string> }
    | { type: 'dateDigit'; part: DatePart; digit: number; of: number }
    /** Days, weeks or months since a day, which counts as 0; in an alphabet of its own where one is given. */
    | { type: 'since'; unit: 'day' | 'week' | 'month'; day: Day; min: number; max: number; alphabet?: string }
    | { type: 'hour' | 'time' }
    | { type: 'shift'; values: Record<string, string> }
    /** A number that counts up, written with leading zeros to at least `min` digits, or in an alphabet of its own. */
    | { type: 'counter'; min: number; max: number; first?: number; last?: number; alphabet?: string }
    /** Computed over all letters and digits that stand before it, or over the segments that are named, wherever they stand. */
    | { type: 'check'; method: 'mod10' | 'mod11'; weights: number[]; over?: string[] }
    | { type: 'check'; method: Exclude<CheckMethod, 'mod10' | 'mod11'>; over?: string[] }
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
  /** Capitals and small letters are different characters. */
  caseMatters?: boolean;
  /** In use from and until these days; null where that is not known. */
  from: Day | null;
  until: Day | null;
  segments: Segment[];
  examples: WorkedExample[];
  source: string;
}
