import { type CaseFolder, pin } from '@/core/judgement/grounds';
import type { Release } from '@/core/releases/release';
import { listKeys, signaturesOf } from '@/store/anchors';
import { readDocument } from '@/store/documents';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { readLog } from './readLog';
import { requireCase } from './requireCase';
import { signedTrouble } from './trust/caseTrouble';
import { vouchingOf } from './trust/vouching';

/**
 * A case with its log and the documents it is held against.
 *
 * @throws Refusal where there is no such case
 */
export async function readCaseFolder(desk: Desk, number: string): Promise<CaseFolder> {
  const { row, events, file, trouble } = await readLog(desk, await requireCase(desk, number));
  const grounds = await loadGrounds(desk.store, file);
  const newest = grounds.release && (await readDocument<Release>(desk.store, 'release', grounds.release.id));
  const newer = newest && newest.revision > (grounds.release?.revision ?? 0);
  const newerRelease = newer ? pin(newest) : null;
  return {
    id: row.id,
    number: row.number,
    events,
    grounds,
    newerRelease,
    trouble: trouble ?? (await signedTrouble(desk, row, events)),
    vouching: vouchingOf(events, await signaturesOf(desk.store, row.id), await listKeys(desk.store)),
  };
}
