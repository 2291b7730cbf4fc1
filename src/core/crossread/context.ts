import type { CaseFile } from '../casefile/fold';
import type { KindDefinition } from '../checks/check';
import type { Maker, Release } from '../releases/release';
import { findRow, type SizeChart, type SizeRow } from '../sizes/sizeChart';

/** The documents that readings are held against. */
export interface Records {
  kind: KindDefinition;
  maker: Maker | null;
  release: Release | null;
  chart: SizeChart | null;
}

/** What every comparison needs to know. */
export interface ReadingContext extends Records {
  facts: CaseFile['facts'];
  sizeKey: string | null;
}

/** The chart's row for the size that the item is claimed to be. */
export function claimedRow(context: ReadingContext): SizeRow | undefined {
  return context.chart && context.sizeKey ? findRow(context.chart, context.sizeKey) : undefined;
}

/** A place's name inside a sentence. */
export function placeName(context: Records, place: string): string {
  return (context.kind.places.find((each) => each.id === place)?.name ?? place).toLowerCase();
}
