import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { bytesHash } from '@/core/casefile/hash';
import type { Store } from './store';
import { StoreProblem } from './storeProblem';
import type { PhotographRow } from './tables';

const pathOf = ({ directory }: Store, hash: string): string => join(directory, 'photographs', hash.slice(0, 2), hash);

/** A picture on its way in: on the disk, not yet kept. */
export interface ReceivedFile {
  path: string;
  sha256: string;
  bytes: number;
}

/** Until the folder itself is on the disk, a power cut may take a new name out of it. */
async function syncFolder(path: string): Promise<void> {
  const folder = await open(path, 'r');
  await folder.sync().finally(() => folder.close());
}

/**
 * Write what arrives to the disk, hashed on the way: it is never whole in memory.
 *
 * @param chunks bytes in order
 * @param most bytes; what is larger is let go
 * @returns null where it was larger
 * @throws whatever the source throws where it breaks off; nothing is left behind then
 */
export async function receiveFile(
  { directory }: Store,
  chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  most: number,
): Promise<ReceivedFile | null> {
  const folder = join(directory, 'photographs');
  await mkdir(folder, { recursive: true });
  const path = join(folder, `${randomUUID()}.part`);
  const hash = createHash('sha256');
  let bytes = 0;
  const file = await open(path, 'wx');
  try {
    for await (const chunk of chunks) {
      bytes += chunk.length;
      if (bytes > most) break;
      hash.update(chunk);
      await file.writeFile(chunk);
    }
    await file.sync();
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  } finally {
    await file.close();
  }
  if (bytes <= most) return { path, sha256: hash.digest('hex'), bytes };
  await rm(path, { force: true });
  return null;
}

/**
 * Keep a received photograph under its hash; the same picture, however often and from how many sides it comes, is
 * kept once.
 *
 * @returns its row
 */
export async function keepPhotograph(
  store: Store,
  { path, sha256, bytes }: ReceivedFile,
  mime: string,
  addedAt: string,
): Promise<PhotographRow> {
  const kept = pathOf(store, sha256);
  await mkdir(dirname(kept), { recursive: true });
  // Moved into place whole, so that a crash leaves no half picture under a whole one's name.
  await rename(path, kept);
  await syncFolder(dirname(kept));
  const row = { sha256, mime, bytes, addedAt };
  await store.write((transaction) =>
    store.tables.photographs.findOrCreate({ where: { sha256 }, defaults: row, transaction }),
  );
  return row;
}

/** Let go of a received file. */
export const letGo = ({ path }: ReceivedFile): Promise<void> => rm(path, { force: true });

/**
 * The bytes of a kept photograph.
 *
 * @throws StoreProblem where it is not there or its bytes no longer have that hash
 */
export async function readPhotograph(store: Store, hash: string): Promise<Uint8Array> {
  const bytes = await readFile(pathOf(store, hash)).catch(() => {
    throw new StoreProblem(
      `The photograph ${hash.slice(0, 12)}… is missing in this data directory; put it back from a backup. The rest of the case is untouched.`,
    );
  });
  if (bytesHash(bytes) !== hash) {
    throw new StoreProblem(
      `The photograph ${hash.slice(0, 12)}… was changed on the disk since it was kept; put it back from a backup.`,
    );
  }
  return bytes;
}

/** Whether a photograph is kept in this data directory, and as what. */
export async function findPhotograph({ tables }: Store, hash: string): Promise<PhotographRow | null> {
  return (await tables.photographs.findByPk(hash, { raw: true })) as unknown as PhotographRow | null;
}
