import { fold } from '@/core/casefile/fold';
import { verifyChain } from '@/core/casefile/hash';
import type { CaseFolder } from '@/core/judgement/grounds';
import { findCase, readEvents } from '@/store/cases';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { Refusal } from './refusal';

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
