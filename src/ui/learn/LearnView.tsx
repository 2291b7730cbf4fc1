'use client';
import type { KindDefinition } from '@/core/checks/check';
import type { Maker, Release } from '@/core/releases/release';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { useCaseBook } from '../casebook/CaseBook';
import { LearnGenuine } from './LearnGenuine';
import { NoteMake } from './NoteMake';

/** What a record may learn: the desk's makers and charts, and the newest revision of the record that the case names. */
export interface LearnFrom {
  newest: { body: Release; revision: number } | null;
  makers: Maker[];
  charts: SizeChart[];
  kind: KindDefinition;
  today: string;
}

/** What the item teaches: a genuine one its release's record, a counterfeit the known makes of copies. */
export function LearnView(from: LearnFrom) {
  const { file } = useCaseBook();
  if (file.truth?.goods === 'counterfeit') return <NoteMake {...from} />;
  return <LearnGenuine {...from} />;
}
