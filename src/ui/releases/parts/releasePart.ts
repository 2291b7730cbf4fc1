import type { KindDefinition } from '@/core/checks/check';
import type { Maker, Release } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';

/** What each part of a release's editor gets: the record as it is now, and what it is held against. */
export interface ReleasePartProps {
  release: Release;
  kind: KindDefinition;
  maker: Maker | null;
  chart: SizeChart | null;
  /** Change some fields of the record. */
  set(change: Partial<Release>): void;
}

/** A list that is left out of the record where it is empty. */
export const orNone = <T>(list: T[]): T[] | undefined => (list.length > 0 ? list : undefined);
