import { letGo, receiveFile } from '@/store/photographs';
import type { Desk } from '../desk';
import { allow, THE_MACHINE } from '../people/roster';
import { addPhotograph } from '../photographs';
import { Refusal } from '../refusal';
import { importCase } from '../transfer';
import { caseText, isZipFile, LARGEST_PACK, openPack, TOO_LARGE } from './openPack';
import { CASE, PHOTOGRAPHS } from './paths';
import { verifyFile } from './verifyFile';

/**
 * Take in an evidence pack: its case as `importCase` does, and its photographs.
 *
 * @returns the case's number here
 * @throws Refusal where anything in it was changed
 */
async function importPack(desk: Desk, path: string): Promise<string> {
  const { changed } = await verifyFile(path);
  if (changed.length > 0) throw new Refusal('invalid', `This pack was tampered with. ${changed.join(' ')}`);
  const pack = await openPack(path);
  try {
    const number = await importCase(desk, await pack.text(CASE));
    for (const photograph of pack.paths.filter((name) => name.startsWith(PHOTOGRAPHS)))
      await addPhotograph(desk, THE_MACHINE, await pack.read(photograph));
    return number;
  } finally {
    pack.close();
  }
}

/**
 * Take in an exported case or an evidence pack, whichever it is.
 *
 * @param chunks its bytes as they arrive; they wait on the disk, never whole in memory
 * @throws Refusal with a sentence; nothing is kept then
 */
export async function importFile(
  desk: Desk,
  by: string,
  chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
): Promise<string> {
  await allow(desk, by, 'import');
  const received = await receiveFile(desk.store, 'imports', chunks, LARGEST_PACK);
  if (!received) throw new Refusal('invalid', TOO_LARGE);
  try {
    return (await isZipFile(received.path))
      ? await importPack(desk, received.path)
      : await importCase(desk, await caseText(received.path));
  } finally {
    await letGo(received);
  }
}
