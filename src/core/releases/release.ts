import type { CheckDefinition } from '../checks/check';
import type { DateOrder } from '../dates/dateOrder';
import type { Day } from '../dates/day';
import type { LeadTime } from '../dates/productionWindow';
import type { LabelLayout } from '../labels/labelLayout';
import type { UsualResale } from '../listing/resale';
import type { Supply } from '../listing/sizeRun';
import type { KnownCopy } from './knownCopy';
import type { ShelfItem } from './shelfItem';
import type { Statement } from './statement';
import type { Trait } from './trait';
import type { Variant } from './variantFit';

export interface Maker {
  id: string;
  name: string;
  /** Company prefixes of its barcode numbers, as they stand at the front of a GTIN-13. */
  gtinPrefixes: string[];
  styleShape: string;
  dateOrder: DateOrder;
  /** Markets whose labels print dates in another order. */
  dateOrders?: Record<string, DateOrder>;
  /** How its labels name the countries that it makes in: other languages, abbreviations, ISO codes. */
  countries?: { name: string; aliases: string[] }[];
  /** Where its labels print what. */
  labels?: LabelLayout[];
}

export interface ReleaseSize {
  key: string;
  /** As the maker prints it, 8, 12, 13 or 14 digits; empty where it is not known. */
  gtin: string;
}

/** A nominal measure with its tolerance; for measures that grow with size, how much per unit of the leading size. */
export interface NominalMeasure {
  value: number;
  tolerance: number;
  unit: string;
  perSize?: number;
  atSize?: number;
  /** The value where the variant has that state of a trait; all entries name one trait. */
  by?: { trait: string; state: string; value: number }[];
  source: string;
}

/** A measure taken on an item that is known to be genuine. */
export interface Exemplar {
  /** Leading size; null for goods without. */
  size: number | null;
  value: number;
  source: string;
}

/** A stretch of time in which the packaging looked one way. */
export interface Era {
  id: string;
  name: string;
  from: string;
  /** Null while it is in use. */
  until: string | null;
}

/** The box as its dimension code names it, in mm. */
export interface BoxDimensions {
  type: string;
  length: number;
  width: number;
  height: number;
}

/** What an item costs new in the shops of a market. */
export interface MarketPrice {
  market: string;
  amount: number;
  /** ISO 4217. */
  currency: string;
}

/** What is known of one product in one colour: the reference that an item is held against. */
export interface Release {
  id: string;
  /** Id of the kind of goods. */
  kind: string;
  maker: string;
  name: string;
  styleCode: string;
  colourName: string;
  /** The first day on which it was sold anywhere; null where nobody knows it, and nothing is held against it. */
  releaseDate: Day | null;
  /** Markets where it was sold first on another day. */
  marketDates?: Record<string, string>;
  leadTime: LeadTime;
  /** Size chart id; null for goods whose size is one printed text, such as `100 ml`. */
  chart: string | null;
  sizes: ReleaseSize[];
  /** Factory code to country, as the inner label or base prints them. */
  factories: { code: string; country: string }[];
  nominal: Record<string, NominalMeasure>;
  /** Check id to the words that stand there on genuine items, any of them. */
  wording?: Record<string, string[]>;
  /** Measure id to what was measured on genuine items. */
  exemplars?: Record<string, Exemplar[]>;
  /** How the traits of the variants are observed, beside factory and country. */
  traits?: Trait[];
  variants: Variant[];
  /** Looks of the packaging, by time. */
  eras?: Era[];
  /** How far the dates on packaging and goods, or left and right, may lie apart. */
  datesApart?: { days: number; source: string };
  dimensions?: BoxDimensions;
  materials?: string;
  /** What it costs in shops, by market. */
  prices?: MarketPrice[];
  /** How many there were, and how fast they went. */
  supply?: Supply;
  /** What it usually fetches again. */
  resale?: UsualResale;
  checks: { add: CheckDefinition[]; off: string[] };
  /** Where the record comes from. */
  source: string;
  /** Who says what of its parts. */
  statements?: Statement[];
  /** Items that are known to be genuine. */
  shelf?: ShelfItem[];
  /** Makes of copies that have been met. */
  copies?: KnownCopy[];
  /** Set where it does not know all: factories, variants, boxes and materials that it does not have may be genuine too. */
  incomplete?: true;
  /** Set where it is no longer proposed for new cases. */
  retired?: { on: Day; why: string };
}

/** A revision of a document as it is kept; a verdict pins one by id, revision and hash. */
export interface Revision<T> {
  id: string;
  revision: number;
  hash: string;
  body: T;
}

/** The nominal value of a measure for a given leading size, in the measure's unit. */
export function nominalFor(measure: NominalMeasure, leadingSize: number | null): number {
  if (measure.perSize === undefined || measure.atSize === undefined || leadingSize === null) return measure.value;
  return measure.value + measure.perSize * (leadingSize - measure.atSize);
}
