import type { CaseEvent } from '@/core/casefile/event';
import { verifyChain } from '@/core/casefile/hash';
import { newestHeadOf } from '@/store/anchors';
import type { CaseRow } from '@/store/tables';
import type { Desk } from '../desk';

/**
 * What does not hold about a case, as a sentence: its log, where the log ends, and what was signed of it; null where
 * all of it holds.
 */
export async function caseTrouble({ store }: Desk, row: CaseRow, events: CaseEvent[]): Promise<string | null> {
  const chain = verifyChain(row.id, events);
  if (!chain.intact) return `The log of ${row.number} was tampered with: ${chain.sentence}`;
  if (row.seq !== events.length || row.head !== chain.head)
    return `The log of ${row.number} ends at event ${events.length}, where the desk noted event ${row.seq}: its end was lost or rewritten.`;
  const signed = await newestHeadOf(store, row.id);
  if (signed && events[signed.seq - 1]?.hash !== signed.hash)
    return `The log of ${row.number} is not the one whose event ${signed.seq} was signed at the end of ${signed.day}: it was rewritten since.`;
  return null;
}
