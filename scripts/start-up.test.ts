import { spawnSync } from 'node:child_process';
import { cp, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openStore } from '../src/store/store';

const PORT = 4397;
let directory: string;
beforeAll(async () => {
  directory = await mkdtemp(join(tmpdir(), 'pinprick-start-'));
});
afterAll(() => rm(directory, { recursive: true, force: true }));

function start(script: string, environment: Record<string, string>) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [script], {
    encoding: 'utf8',
    timeout: 60_000,
    env: { ...process.env, PINPRICK_PORT: String(PORT), ...environment },
  });
  return { status, said: `${stdout}${stderr}` };
}

it('says that the port is busy', async () => {
  const blocker = await new Promise<Server>((resolve) => {
    const server = createServer().listen(PORT, '127.0.0.1', () => resolve(server));
  });
  expect(start('scripts/demo.mjs', {})).toMatchObject({
    status: 1,
    said: expect.stringMatching(/Port 4397 on 127\.0\.0\.1 is busy; .*PINPRICK_PORT=4311/),
  });
  await new Promise((resolve) => blocker.close(resolve));
});

it('says that the port is none', () => {
  expect(start('scripts/start.mjs', { PINPRICK_PORT: 'http' })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/PINPRICK_PORT is “http”/),
  });
});

it('says what is wrong with a certificate, before anything is served', async () => {
  const data = { PINPRICK_DATA: join(directory, 'tls') };
  expect(start('scripts/start.mjs', { ...data, PINPRICK_CERT: 'x.crt' })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/two files: name both/),
  });
  const none = { PINPRICK_CERT: 'package.json', PINPRICK_KEY: 'package.json' };
  expect(start('scripts/start.mjs', { ...data, ...none })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/certificate in package\.json .* cannot be used/),
  });
});

it('says that the data directory cannot be written', async () => {
  const file = join(directory, 'file');
  await writeFile(file, '');
  expect(start('scripts/start.mjs', { PINPRICK_DATA: join(file, 'data') })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/data directory .* cannot be written/),
  });
});

it('says that the database is of a newer version', async () => {
  const data = join(directory, 'newer');
  const store = await openStore(data);
  await store.sequelize.query("INSERT INTO SequelizeMeta (name) VALUES ('0099-from-the-future')");
  await store.close();
  expect(start('scripts/demo.mjs', { PINPRICK_DATA: data })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/made by a newer version of Pinprick/),
  });
});

it('says which compiler is missing, before anything is installed', async () => {
  const checkout = join(directory, 'checkout');
  await cp('scripts', join(checkout, 'scripts'), { recursive: true });
  await cp('package-lock.json', join(checkout, 'package-lock.json'));
  expect(start(join(checkout, 'scripts/demo.mjs'), { PATH: '/nonexistent' })).toMatchObject({
    status: 1,
    said: expect.stringMatching(/python3, make, g\+\+ are missing\. On Debian: apt-get install/),
  });
});
