import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdir, open, readdir, readFile, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { bytesHash } from '@/core/casefile/hash';
import type { Store } from './store';
import { StoreProblem } from './storeProblem';
import type { PhotographRow } from './tables';

/** Where a photograph lies under a data directory or a folder of backups. */
export const pathOfPhotograph = ({ directory }: Pick<Store, 'directory'>, hash: string): string =>
  join(directory, 'photographs', hash.slice(0, 2), hash);

/** SHA-256 of bytes as they come. */
export async function streamHash(chunks: AsyncIterable<Uint8Array>): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of chunks) hash.update(chunk);
  return hash.digest('hex');
}

/** SHA-256 of a file, read piece by piece. */
export const fileHash = (path: string): Promise<string> => streamHash(createReadStream(path));

/** A file on its way in: on the disk, not yet kept. */
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
 * @param folder under the data directory
 * @param chunks bytes in order
 * @param most bytes; what is larger is let go
 * @returns null where it was larger
 * @throws whatever the source throws where it breaks off; nothing is left behind then
 */
export async function receiveFile(
  { directory }: Store,
  folder: 'photographs' | 'imports',
  chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  most: number,
): Promise<ReceivedFile | null> {
  await mkdir(join(directory, folder), { recursive: true });
  const path = join(directory, folder, `${randomUUID()}.part`);
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
  const kept = pathOfPhotograph(store, sha256);
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

const missing = (hash: string) =>
  new StoreProblem(
    `The photograph ${hash.slice(0, 12)}… is missing in this data directory; put it back from a backup. The rest of the case is untouched.`,
  );
const changed = (hash: string) =>
  new StoreProblem(
    `The photograph ${hash.slice(0, 12)}… was changed on the disk since it was kept; put it back from a backup.`,
  );

/**
 * The bytes of a kept photograph.
 *
 * @throws StoreProblem where it is not there or its bytes no longer have that hash
 */
export async function readPhotograph(store: Store, hash: string): Promise<Uint8Array> {
  const bytes = await readFile(pathOfPhotograph(store, hash)).catch(() => {
    throw missing(hash);
  });
  if (bytesHash(bytes) !== hash) throw changed(hash);
  return bytes;
}

/**
 * Where a kept photograph lies, for those who read it piece by piece, and its size in bytes.
 *
 * @throws StoreProblem where it is not there or its bytes no longer have that hash
 */
export async function wholePhotograph(store: Store, hash: string): Promise<{ path: string; bytes: number }> {
  const path = pathOfPhotograph(store, hash);
  const found = await fileHash(path).catch(() => {
    throw missing(hash);
  });
  if (found !== hash) throw changed(hash);
  return { path, bytes: (await stat(path)).size };
}

/** Whether a photograph is kept in this data directory, and as what. */
export async function findPhotograph({ tables }: Store, hash: string): Promise<PhotographRow | null> {
  return (await tables.photographs.findByPk(hash, { raw: true })) as unknown as PhotographRow | null;
}

const filesIn = (path: string): Promise<string[]> => readdir(path).catch(() => []);

/** The hashes of all photographs that lie in the data directory. */
export async function photographFiles({ directory }: Pick<Store, 'directory'>): Promise<string[]> {
  const root = join(directory, 'photographs');
  const folders = (await filesIn(root)).filter((name) => /^[0-9a-f]{2}$/.test(name));
  const lists = await Promise.all(folders.map((name) => filesIn(join(root, name))));
  return lists.flat().filter((name) => /^[0-9a-f]{64}$/.test(name));
}

/** An upload takes no longer than this. */
const STALE_MS = 3_600_000;

/** Take away what uploads that broke off left behind; returns how many. */
export async function sweepParts({ directory }: Pick<Store, 'directory'>): Promise<number> {
  const parts = await Promise.all(
    ['photographs', 'imports'].map(async (name) => {
      const folder = join(/* turbopackIgnore: true */ directory, name);
      return (await filesIn(folder)).map((file) => join(/* turbopackIgnore: true */ folder, file));
    }),
  );
  let swept = 0;
  for (const path of parts.flat().filter((each) => each.endsWith('.part'))) {
    if (Date.now() - (await stat(path)).mtimeMs < STALE_MS) continue;
    await rm(path, { force: true });
    swept += 1;
  }
  return swept;
}
