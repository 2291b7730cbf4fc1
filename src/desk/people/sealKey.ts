import { randomBytes } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

const FILE = 'session-key';

/** Where no file can be made, whoever signs in stays so until the program ends. */
const passing = randomBytes(32).toString('base64url');

/**
 * What the cookies of this desk are sealed with, made where there is none. Only its owner may read it; it is in no
 * backup, so that a desk that was restored lets nobody in who was signed in before.
 */
export async function sealKey(directory: string): Promise<string> {
  const path = join(directory, FILE);
  const kept = await readFile(path, 'utf8').catch(() => '');
  if (kept.length >= 32) return kept;
  try {
    await writeFile(path, randomBytes(32).toString('base64url'), { mode: 0o600, flag: kept === '' ? 'wx' : 'w' });
  } catch (error) {
    // Or another program made it in this moment.
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') return passing;
  }
  return sealKey(directory);
}
