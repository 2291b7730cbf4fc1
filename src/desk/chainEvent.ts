import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { eventHash } from '@/core/casefile/hash';

/** Give an event its place in the chain. */
export function chainEvent(file: Pick<CaseFile, 'seq' | 'head'>, event: NewEvent, at: string, by: string): CaseEvent {
  const unhashed = { ...event, seq: file.seq + 1, at, by, previous: file.head } as Omit<CaseEvent, 'hash'>;
  return { ...unhashed, hash: eventHash(unhashed) } as CaseEvent;
}
