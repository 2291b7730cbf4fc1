import { contentHash } from '@/core/casefile/hash';
import { bringUpToDate, type KindNews } from '@/core/checks/bringUpToDate';
import type { KindDefinition } from '@/core/checks/check';
import type { Revision } from '@/core/releases/release';
import { keepForeign, listDocuments, readPinned, readRevision } from '@/store/documents';
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

/** A kind of goods of this desk beside what this program ships of it; null where there is nothing to be taken. */
async function compared(desk: Desk, newest: Revision<KindDefinition>) {
  const { id, revision } = newest;
  const shipped = shippedKind(id);
  if (!shipped) return null;
  const { began: taken, ...own } = newest.body;
  const first = () => (revision === 1 ? newest : readRevision<KindDefinition>(desk.store, 'kind', id, 1));
  const began = await (taken ? readPinned<KindDefinition>(desk.store, 'kind', taken) : first());
  if (began?.hash === hashOf(shipped)) return null;
  return { ...bringUpToDate(began?.body ?? null, own, shipped), shipped };
}

/** Every kind of goods by id, with what this program brings that the desk does not have; null where it brings nothing. */
export async function kindsWithNews(desk: Desk): Promise<{ id: string; name: string; news: KindNews | null }[]> {
  const kinds = await listDocuments<KindDefinition>(desk.store, 'kind');
  return Promise.all(
    kinds.map(async (kind) => ({
      id: kind.id,
      name: kind.body.name,
      news: (await compared(desk, kind))?.news ?? null,
    })),
  );
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
  const found = await compared(desk, await readKind(desk, id));
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
