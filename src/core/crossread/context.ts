import type { CaseFile } from '../casefile/caseFile';
import type { KindDefinition } from '../checks/check';
import type { CodeScheme } from '../codes/schemes/codeScheme';
import type { Day } from '../dates/day';
import type { PriceBand } from '../listing/priceTable';
import type { Maker, Release } from '../releases/release';
import { sizeNumber } from '../sizes/printedSize';
import { findRow, type SizeChart, type SizeRow } from '../sizes/sizeChart';

/** The documents that readings are held against. */
export interface Records {
  kind: KindDefinition;
  maker: Maker | null;
  release: Release | null;
  chart: SizeChart | null;
  /** The maker's code schemes, of all times. */
  schemes: CodeScheme[];
  /** How the house weighs prices; what is usual, where it says nothing. */
  priceTable?: PriceBand[];
}

/** What every comparison needs to know. */
export interface ReadingContext extends Records {
  facts: CaseFile['facts'];
  sizeKey: string | null;
  /** The day up to which the item can have been made: that of the last work on the case, so that it stays the same. */
  today: Day;
  met: CaseFile['met'];
}

/** What the readings of a case are compared with. */
export function contextOf(file: CaseFile, records: Records): ReadingContext {
  const { facts, sizeKey, met } = file;
  return { ...records, facts, sizeKey, met, today: (file.seal?.at ?? file.touched.at).slice(0, 10) };
}

/** The chart's row for the size that the item is claimed to be. */
export function claimedRow(context: Pick<ReadingContext, 'chart' | 'sizeKey'>): SizeRow | undefined {
  return context.chart && context.sizeKey ? findRow(context.chart, context.sizeKey) : undefined;
}

/** The leading size that the item is claimed to be, as a number; null where it has none. */
export function leadingSize(context: Pick<ReadingContext, 'chart' | 'sizeKey'>): number | null {
  const leading = claimedRow(context)?.values[context.chart?.leading ?? ''];
  const size = leading === undefined ? Number.NaN : sizeNumber(leading);
  return Number.isNaN(size) ? null : size;
}

/** Every comparison names places, so their names are made ready once for a kind of goods. */
const placeNames = new WeakMap<KindDefinition, Map<string, string>>();

/** A place's name inside a sentence. */
export function placeName({ kind }: Records, place: string): string {
  let names = placeNames.get(kind);
  if (!names) {
    const inSentence = (name: string) => name.replace(/^\p{Lu}(?!\p{Lu})/u, (first) => first.toLowerCase());
    names = new Map(kind.places.map(({ id, name }) => [id, inSentence(name)]));
    placeNames.set(kind, names);
  }
  return names.get(place) ?? place;
}
