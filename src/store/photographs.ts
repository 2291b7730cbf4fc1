import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { bytesHash } from '@/core/casefile/hash';
import type { Store } from './store';
import { StoreProblem } from './storeProblem';
import type { PhotographRow } from './tables';

const pathOf = ({ directory }: Store, hash: string): string => join(directory, 'photographs', hash.slice(0, 2), hash);

/**
 * Keep a photograph under the SHA-256 of its bytes; the same picture is kept once.
 *
 * @returns its row
 */
export async function keepPhotograph(
  store: Store,
  bytes: Uint8Array,
  mime: string,
  addedAt: string,
): Promise<PhotographRow> {
  const hash = bytesHash(bytes);
  const path = pathOf(store, hash);
  await mkdir(dirname(path), { recursive: true });
  // Written beside and moved into place, so that a crash leaves no half picture under a whole one's name.
  await writeFile(`${path}.part`, bytes);
  await rename(`${path}.part`, path);
  const row = { sha256: hash, mime, bytes: bytes.length, addedAt };
  await store.write((transaction) =>
    store.tables.photographs.findOrCreate({ where: { sha256: hash }, defaults: row, transaction }),
  );
  return row;
}

/**
 * The bytes of a kept photograph.
 *
 * @throws StoreProblem where it is not there or its bytes no longer have that hash
 */
export async function readPhotograph(store: Store, hash: string): Promise<Uint8Array> {
  const bytes = await readFile(pathOf(store, hash)).catch(() => {
    throw new StoreProblem(`No photograph ${hash.slice(0, 12)}… is kept in this data directory.`);
  });
  if (bytesHash(bytes) !== hash) {
    throw new StoreProblem(`The photograph ${hash.slice(0, 12)}… was changed on disk since it was kept.`);
  }
  return bytes;
}

/** Whether a photograph is kept in this data directory, and as what. */
export async function findPhotograph({ tables }: Store, hash: string): Promise<PhotographRow | null> {
  return (await tables.photographs.findByPk(hash, { raw: true })) as unknown as PhotographRow | null;
}
