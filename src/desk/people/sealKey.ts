import { randomBytes } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

const FILE = 'session-key';

/**
 * What the cookies of this desk are sealed with, made where there is none. Only its owner may read it; it is in no
 * backup, so that a desk that was restored lets nobody in who was signed in before.
 */
export async function sealKey(directory: string): Promise<string> {
  const path = join(directory, FILE);
  const kept = await readFile(path, 'utf8').catch(() => '');
  if (kept.length >= 32) return kept;
  await writeFile(path, randomBytes(32).toString('base64url'), { mode: 0o600, flag: kept === '' ? 'wx' : 'w' }).catch(
    (error) => {
      // Another program made it in this moment.
      if (error.code !== 'EEXIST') throw error;
    },
  );
  return sealKey(directory);
}
