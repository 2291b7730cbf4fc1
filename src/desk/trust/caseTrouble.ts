import type { CaseEvent } from '@/core/casefile/event';
import { verifyChain } from '@/core/casefile/hash';
import { newestHeadOf } from '@/store/anchors';
import type { CaseRow } from '@/store/tables';
import type { Desk } from '../desk';

/** What does not hold about a log and where it ends, as a sentence; null where all of it holds. */
export function logTrouble(row: CaseRow, events: CaseEvent[]): string | null {
  const chain = verifyChain(row.id, events);
  if (!chain.intact) return `The log of ${row.number} was tampered with: ${chain.sentence}`;
  if (row.seq !== events.length || row.head !== chain.head)
    return `The log of ${row.number} ends at event ${events.length}, where the desk noted event ${row.seq}: its end was lost or rewritten.`;
  return null;
}

/** What of a log is not what was signed of it, as a sentence; null where all of it is. */
export async function signedTrouble({ store }: Desk, row: CaseRow, events: CaseEvent[]): Promise<string | null> {
  const signed = await newestHeadOf(store, row.id);
  if (signed && events[signed.seq - 1]?.hash !== signed.hash)
    return `The log of ${row.number} is not the one whose event ${signed.seq} was signed at the end of ${signed.day}: it was rewritten since.`;
  return null;
}
