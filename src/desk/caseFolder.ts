import type { CaseEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { type ChainCheck, verifyChain } from '@/core/casefile/hash';
import { findCase, readEvents } from '@/store/cases';
import type { Desk } from './desk';
import { type GroundsRevisions, loadGrounds } from './grounds';
import { Refusal } from './refusal';

/** All that a screen needs of one case. */
export interface CaseFolder {
  id: string;
  number: string;
  events: CaseEvent[];
  grounds: GroundsRevisions;
  chain: ChainCheck;
}

/**
 * A case with its log and the documents it is held against.
 *
 * @throws Refusal where there is no such case
 */
export async function readCaseFolder(desk: Desk, number: string): Promise<CaseFolder> {
  const row = await findCase(desk.store, { number });
  if (!row) throw new Refusal('notFound', `There is no case ${number.slice(0, 40)} at this desk.`);
  const events = await readEvents(desk.store, row.id);
  const grounds = await loadGrounds(desk.store, fold(row.id, events));
  return { id: row.id, number: row.number, events, grounds, chain: verifyChain(row.id, events) };
}
