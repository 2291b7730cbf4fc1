import type { Transaction } from 'sequelize';
import type { CaseEvent, EventType } from '@/core/casefile/event';
import { eventStatement } from '@/core/trust/statements';
import { keepSignatures } from '@/store/anchors';
import type { Desk } from '../desk';

/** What somebody stakes a name on. */
export const SIGNED: EventType[] = ['verdictSealed', 'truthConfirmed'];

/** Sign those of some new events that are signed. */
export async function signEvents(
  { store, key }: Desk,
  caseId: string,
  events: CaseEvent[],
  transaction: Transaction,
): Promise<void> {
  const signatures = events
    .filter(({ type }) => SIGNED.includes(type))
    .map(({ hash }) => ({ hash, caseId, ...key.sign(eventStatement(hash)) }));
  await keepSignatures(store, signatures, transaction);
}
