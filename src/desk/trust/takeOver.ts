import { keepKey, listKeys } from '@/store/anchors';
import { listAllCases, readEvents } from '@/store/cases';
import type { Desk } from '../desk';
import { signEvents } from './signEvents';

/**
 * Make this desk's key known to its records. With its first key the desk signs what was sealed and confirmed before it
 * had one: it vouches for what it found then.
 */
export async function takeOver(desk: Desk): Promise<void> {
  const { publicKey } = desk.key;
  const own = (await listKeys(desk.store)).filter((key) => key.own);
  if (own.some((key) => key.publicKey === publicKey)) return;
  const cases = own.length === 0 ? await listAllCases(desk.store) : [];
  await desk.store.write(async (transaction) => {
    await keepKey(desk.store, { publicKey, own: 1, label: '', since: desk.now() }, transaction);
    for (const { id } of cases) {
      await signEvents(desk, id, await readEvents(desk.store, id, transaction), transaction);
    }
  });
}
