import type { CaseFile, FactEntry } from '@/core/casefile/caseFile';
import { packagingWith } from '@/core/checks/places';
import { type ScannedFact, scannedFact } from '@/core/codes/scanned';
import { contextOf } from '@/core/crossread/context';
import { readFact } from '@/core/crossread/readFact';
import type { Grounds } from '@/core/judgement/grounds';

/** What a scan is, and where it goes on an item. */
export interface ReadScan {
  fact: ScannedFact;
  /** Null where such goods have no place that prints such a code. */
  place: string | null;
  /** What stands there already and says something else. */
  before: FactEntry | null;
}

/** @param place where the hand was last; what is not printed there goes to the packaging */
export function readScan(raw: string, file: CaseFile, grounds: Grounds, place: string | undefined): ReadScan {
  const fact = scannedFact(raw);
  const { places } = grounds.kind;
  const where = places.find((each) => each.id === place && each.facts.includes(fact)) ?? packagingWith(places, fact);
  if (!where) return { fact, place: null, before: null };
  const context = contextOf(file, grounds);
  const normal = (each: string) => readFact(fact, each, context, where.id).reading?.normal ?? each;
  const entry = file.facts[where.id]?.[fact];
  const before = entry?.state === 'read' && normal(entry.raw) !== normal(raw) ? entry : null;
  return { fact, place: where.id, before };
}
