import { createPrivateKey, createPublicKey, generateKeyPairSync, type KeyObject, sign, verify } from 'node:crypto';
import { chmod, readFile, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Signature } from '@/core/trust/statements';
import { StoreProblem } from '../storeProblem';

/** The key that this desk signs with. */
export interface DeskKey {
  /** Ed25519, raw 32 bytes, base64. */
  publicKey: string;
  sign(statement: string): Signature;
}

export const KEY_FILE = 'desk-key.pem';

/** What comes before the 32 bytes of an Ed25519 key in its DER form. */
const SPKI_HEAD = Buffer.from('302a300506032b6570032100', 'hex');

const rawPublicKey = (key: KeyObject): string =>
  createPublicKey(key).export({ type: 'spki', format: 'der' }).subarray(SPKI_HEAD.length).toString('base64');

const withKey = (key: KeyObject): DeskKey => {
  const publicKey = rawPublicKey(key);
  return {
    publicKey,
    sign: (statement) => ({ publicKey, signature: sign(null, Buffer.from(statement), key).toString('base64') }),
  };
};

/** True where the signature is that key's own under the statement. */
export function signatureHolds(statement: string, { publicKey, signature }: Signature): boolean {
  const bytes = Buffer.from(publicKey, 'base64');
  if (bytes.length !== 32) return false;
  const key = createPublicKey({ key: Buffer.concat([SPKI_HEAD, bytes]), format: 'der', type: 'spki' });
  return verify(null, Buffer.from(statement), key, Buffer.from(signature, 'base64'));
}

/**
 * The key in a data directory, made where there is none. Only its owner may read it.
 *
 * @throws StoreProblem where the file is there and is no key
 */
export async function deskKey(directory: string): Promise<DeskKey> {
  const path = join(directory, KEY_FILE);
  const pem = await readFile(path, 'utf8').catch(() => null);
  if (pem === null) {
    const { privateKey } = generateKeyPairSync('ed25519');
    // Never over another one: two programs that start at once end with the same key.
    await writeFile(path, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600, flag: 'wx' }).catch(
      (error) => {
        if (error.code !== 'EEXIST') throw error;
      },
    );
    return deskKey(directory);
  }
  if ((await stat(path)).mode & 0o077) await chmod(path, 0o600);
  try {
    const key = createPrivateKey(pem);
    if (key.asymmetricKeyType === 'ed25519') return withKey(key);
  } catch {
    // said below
  }
  throw new StoreProblem(
    `${path} is no Ed25519 key. Put the desk’s key back from where it was kept, or move the file away: a new key is made then, and what the old one signed is still held against it.`,
  );
}
