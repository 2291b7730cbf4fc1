// The certificate's maker wants it to be there first.
import 'reflect-metadata';
import type { ChildProcess } from 'node:child_process';
import { webcrypto } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cryptoProvider, PemConverter, X509CertificateGenerator } from '@peculiar/x509';
import { expect, test } from '@playwright/test';
import { ownDesk } from './ownDesk';

const PORT = 4398;
const PASSPHRASE = 'seven herons over slate';

/** A certificate for a made-up name, with its key, as PEM files in a folder. */
async function certificateIn(folder: string): Promise<{ PINPRICK_CERT: string; PINPRICK_KEY: string }> {
  const crypto = webcrypto as unknown as Crypto;
  cryptoProvider.set(crypto);
  const signingAlgorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const keys = await crypto.subtle.generateKey(signingAlgorithm, true, ['sign', 'verify']);
  const certificate = await X509CertificateGenerator.createSelfSigned({
    name: 'CN=desk.example',
    keys,
    signingAlgorithm,
  });
  const key = PemConverter.encode(await crypto.subtle.exportKey('pkcs8', keys.privateKey), 'PRIVATE KEY');
  const files = { PINPRICK_CERT: join(folder, 'desk.crt'), PINPRICK_KEY: join(folder, 'desk.key') };
  await writeFile(files.PINPRICK_CERT, certificate.toString('pem'));
  await writeFile(files.PINPRICK_KEY, key);
  return files;
}

/** Ask the desk by its public name. */
function ask(path: string, body?: object): Promise<{ status: number; cookie: string; text: string }> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port: PORT,
        path,
        method: body ? 'POST' : 'GET',
        headers: { host: `desk.example:${PORT}`, origin: `https://desk.example:${PORT}` },
        rejectUnauthorized: false,
      },
      (answer) => {
        let text = '';
        answer.on('data', (chunk) => {
          text += chunk;
        });
        const cookie = answer.headers['set-cookie']?.join(' ') ?? '';
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, cookie, text }));
      },
    );
    asked.on('error', reject);
    asked.end(body && JSON.stringify(body));
  });
}

let folder: string;
let server: ChildProcess | undefined;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'pinprick-tls-'));
});
test.afterAll(async () => {
  server?.kill('SIGTERM');
  await rm(folder, { recursive: true, force: true });
});

test('behind its own certificate and a public name, the first to come gives the word that was printed', async () => {
  const environment = {
    ...(await certificateIn(folder)),
    PINPRICK_DATA: join(folder, 'data'),
    PINPRICK_PORT: String(PORT),
    PINPRICK_NAMES: 'desk.example',
  };
  const { server: started, said } = await ownDesk(environment, 'gives this word');
  server = started;
  expect(said).toContain(`Pinprick is at https://127.0.0.1:${PORT}`);
  const word = /gives this word: (\S+)/.exec(said)?.[1];

  expect((await ask('/api/cases?q=PP')).status).toBe(401);
  const first = { how: 'first', name: 'Oda Fenn', passphrase: PASSPHRASE };
  const turnedAway = await ask('/api/sign-in', { ...first, setup: 'AAAA-AAAA' });
  expect([turnedAway.status, turnedAway.text]).toEqual([401, expect.stringContaining('not the word')]);
  const owner = await ask('/api/sign-in', { ...first, setup: word });
  expect([owner.status, owner.cookie]).toEqual([200, expect.stringMatching(/Secure.*HttpOnly.*SameSite=strict/)]);
  expect((await ask('/api/sign-in', { how: 'oneKey', name: 'Oda Fenn' })).status).toBe(401);
  expect((await ask('/api/sign-in', { how: 'passphrase', name: 'oda fenn', passphrase: PASSPHRASE })).status).toBe(200);
});
