import { contentHash } from '@/core/casefile/hash';
import { bringUpToDate, type KindNews } from '@/core/checks/bringUpToDate';
import type { KindDefinition } from '@/core/checks/check';
import { keepForeign, readPinned, readRevision } from '@/store/documents';
import { readKind } from './checks';
import type { Desk } from './desk';
import { allow } from './people/roster';
import { saveEditedRecord } from './records';
import { Refusal } from './refusal';
import { SHIPPED } from './shipped';

/** What this program ships of a kind of goods; null where the kind is the desk's own. */
function shippedKind(id: string): KindDefinition | null {
  const found = SHIPPED.find(({ kind, body }) => kind === 'kind' && body.id === id);
  return found ? (found.body as KindDefinition) : null;
}

/** Hashes of what this program ships, by the id of the kind, each worked out when it is first asked for. */
const hashes = new Map<string, string>();
function hashOf(shipped: KindDefinition): string {
  const hash = hashes.get(shipped.id) ?? contentHash(shipped);
  hashes.set(shipped.id, hash);
  return hash;
}

async function compared(desk: Desk, id: string) {
  const { began: hash, ...own } = (await readKind(desk, id)).body;
  const shipped = shippedKind(id);
  if (!shipped) return null;
  const began = hash
    ? await readPinned<KindDefinition>(desk.store, 'kind', hash)
    : await readRevision<KindDefinition>(desk.store, 'kind', id, 1);
  // Of this very program there is nothing to be taken.
  if (began?.hash === hashOf(shipped)) return null;
  return { ...bringUpToDate(began?.body ?? null, own, shipped), shipped };
}

/**
 * What this program asks of a kind of goods that the desk does not, since it began with an older one.
 *
 * @returns null where there is nothing of that sort
 * @throws Refusal where there is no such kind of goods
 */
export async function shippedNews(desk: Desk, id: string): Promise<KindNews | null> {
  return (await compared(desk, id))?.news ?? null;
}

/**
 * Take over what this program brings to a kind of goods; what was changed here stays as it is.
 *
 * @param from the revision of the kind that was seen
 * @returns the revision under which it is kept
 * @throws Refusal where somebody may not, there is nothing to take over, what comes of it is not sound, or somebody kept
 *   another revision meanwhile
 */
export async function takeShipped(desk: Desk, by: string, id: string, from: number): Promise<{ revision: number }> {
  await allow(desk, by, 'editChecks');
  const found = await compared(desk, id);
  if (!found?.news) throw new Refusal('invalid', 'This program brings nothing that the desk does not have.');
  const { kind, shipped } = found;
  const began = hashOf(shipped);
  const kept = await saveEditedRecord(desk, by, { kind: 'kind', body: { ...kind, began } as KindDefinition, from });
  // Kept after it: without it, what is the same here and there is known to be so all the same.
  await desk.store.write((transaction) =>
    keepForeign(desk.store, 'kind', { id, revision: from, hash: began, body: shipped }, transaction),
  );
  return kept;
}
