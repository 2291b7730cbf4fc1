import { readImport, setImport } from '@/store/library';
import type { Desk } from '../desk';

/** Let an import that is being read stand where it is, with all that it has brought by then. It can go on later. */
export async function haltImport(desk: Desk, id: number, trouble: string): Promise<void> {
  await desk.store.write(async (transaction) => {
    // Another program may have put a batch beside the records since anybody looked.
    const row = await readImport(desk.store, id, transaction);
    if (row?.state !== 'staging') return;
    await setImport(id, { state: 'stopped', found: { ...row.found, trouble } }, transaction);
  });
}
