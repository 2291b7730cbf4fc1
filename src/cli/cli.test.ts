import { spawnSync } from 'node:child_process';
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { RELEASES } from '@/demo/releases';
import { laidOut } from '@/demo/testing/laidOut';

let directory: string;
/** Run a command within the test; the last test starts the program itself. */
const run = async (...args: string[]) => {
  const { pinprick } = await import('./pinprick');
  const [out, err] = [process.stdout, process.stderr].map((stream) => vi.spyOn(stream, 'write').mockReturnValue(true));
  const written = (spy: typeof out) => spy?.mock.calls.map(([text]) => String(text)).join('') ?? '';
  try {
    const status = await pinprick(args);
    const [stdout, stderr] = [written(out), written(err)];
    return { status, stderr, json: () => JSON.parse(stdout) };
  } finally {
    out?.mockRestore();
    err?.mockRestore();
  }
};

beforeAll(async () => {
  directory = await mkdtemp(join(tmpdir(), 'pinprick-cli-'));
  const data = join(directory, 'data');
  await cp(await laidOut(), data, { recursive: true });
  vi.stubEnv('PINPRICK_DATA', data);
  expect((await run('prepare')).stderr).toMatch(/is ready/);
});
afterAll(() => {
  vi.unstubAllEnvs();
  return rm(directory, { recursive: true, force: true });
});

describe('command line', () => {
  it('reads a code in every way, and exits 1 where no reading is free of problems', async () => {
    const good = await run('read-code', '9 521204 100262');
    expect(good.status).toBe(0);
    expect(good.json().readings[0]).toMatchObject({
      kind: 'GTIN-13',
      normal: '09521204100262',
      fields: { maker: 'Veskarn' },
      problems: [],
    });
    const bad = await run('read-code', '9521204100263');
    expect(bad.status).toBe(1);
    expect(bad.json().readings[0].problems[0]).toMatch(/call for 2/);
    const tag = (await run('read-code', '3074257BF7194E4000001A85')).json().readings;
    expect(tag).toMatchObject([{ kind: 'SGTIN-96', normal: 'urn:epc:tag:sgtin-96:3.0614141.812345.6789' }]);
    const link = (await run('read-code', 'https://label.example/01/09521204100262/21/A7')).json().readings;
    expect(link).toMatchObject([{ kind: 'GS1 element string', normal: '(01)09521204100262(21)A7', problems: [] }]);
    const style = (await run('read-code', 'VK48Z1-1O7', '--maker', 'Veskarn')).json().readings;
    expect(style).toMatchObject([
      {
        kind: 'style code',
        display: 'VK4821-107',
        problems: [expect.stringMatching(/“Z”, read as “2”/), expect.stringMatching(/“O”, read as “0”/)],
      },
    ]);
  });
  it('exports, assesses and imports, with the same hash', async () => {
    const file = join(directory, 'case.json');
    expect((await run('export', 'PP-0002', '--to', file)).status).toBe(0);
    const assessed = await run('assess', file);
    expect(assessed.status).toBe(1);
    expect(assessed.json()).toMatchObject({
      case: 'PP-0002',
      goods: { decision: 'counterfeit' },
      packaging: { decision: 'notOwn' },
    });
    expect((await run('import', file)).json()).toEqual({ number: 'PP-0002', head: assessed.json().head });
    await writeFile(file, (await readFile(file, 'utf8')).slice(0, 900));
    expect(await run('import', file)).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/not a whole JSON file/),
    });
  });
  it('packs a sealed case, and says of a pack or an export what was changed in it', async () => {
    const pack = join(directory, 'pack.zip');
    expect((await run('pack', 'PP-0006', '--to', pack)).status).toBe(0);
    expect(await run('verify', pack)).toMatchObject({ status: 0 });
    const files = unzipSync(await readFile(pack));
    const findings = strFromU8(files['findings.csv'] as Uint8Array);
    await writeFile(pack, zipSync({ ...files, 'findings.csv': strToU8(findings.replace('differs', 'agrees')) }));
    const found = await run('verify', pack);
    expect(found.status).toBe(1);
    expect(found.json()).toMatchObject({ intact: false, changed: ['findings.csv was changed.'] });

    // One byte of a sealed log.
    const file = join(directory, 'sealed.json');
    await run('export', 'PP-0006', '--to', file);
    expect((await run('verify', file)).status).toBe(0);
    const text = await readFile(file, 'utf8');
    const at = text.indexOf('"verdictSealed"');
    await writeFile(
      file,
      text.slice(0, at) + text.slice(at).replace(/"p[gG]enuine": ?0\.0/, (part) => `${part.slice(0, -1)}1`),
    );
    expect(await readFile(file, 'utf8')).not.toBe(text);
    const changed = await run('verify', file);
    expect(changed.status).toBe(1);
    expect(JSON.stringify(changed.json())).toMatch(/was changed after it was recorded/);
  });
  it('makes a word for somebody of the roster, and keeps a day’s root elsewhere', async () => {
    expect((await run('invite', 'Nobody')).stderr).toMatch(/does not work at this desk/);
    expect((await run('invite', 'Tomas Quelle')).json()).toMatchObject({
      invitation: expect.stringMatching(/^[A-Z0-9]{4}(-[A-Z0-9]{4}){2}$/),
    });
    const to = join(directory, 'root.jsonld');
    const { root, publicKey } = (await run('anchor', '--to', to)).json();
    const [event] = JSON.parse(await readFile(to, 'utf8')).epcisBody.eventList;
    expect(event).toMatchObject({ epcList: [`urn:pinprick:root:${root}`], 'pinprick:publicKey': publicKey });
  });

  it('takes in records, all or none', async () => {
    const file = join(directory, 'records.json');
    const maker = { id: 'testing', name: 'Testing', gtinPrefixes: ['9529999'], styleShape: 'AAA999', dateOrder: 'YMD' };
    await writeFile(file, JSON.stringify([{ kind: 'maker', body: maker }]));
    expect((await run('records', file)).json()).toEqual({ kept: ['maker testing'] });
    expect((await run('read-code', 'ABC123', '--maker', 'Testing')).json().readings).toMatchObject([
      { normal: 'ABC123' },
    ]);
    const release = { ...RELEASES[0], id: 'orphan', maker: 'nobody' };
    await writeFile(
      file,
      JSON.stringify([
        { kind: 'maker', body: { ...maker, name: 'Renamed' } },
        { kind: 'release', body: release },
      ]),
    );
    expect(await run('records', file)).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/“orphan” is not sound: It names the maker “nobody”/),
    });
    expect((await run('read-code', 'ABC123', '--maker', 'Renamed')).status).toBe(2);
    await writeFile(file, '[{"kind": "gossip", "body": {"id": "x"}}]');
    expect(await run('records', file)).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/not a records file: “kind”/),
    });
  });
  it.each([
    [['fly'], 2, /no command “fly”/],
    [['read-code'], 2, /Give one code/],
    [['read-code', 'x', '--colour', 'red'], 2, /Unknown option/],
    [['read-code', 'x', '--maker', 'Nobody'], 2, /No maker is called “Nobody”/],
    [['export', 'PP-9999'], 1, /no case PP-9999/],
    [['assess', 'nowhere.json'], 1, /nowhere.json cannot be read \(ENOENT\)/],
  ])('%j exits %i with a sentence', async (args, status, sentence) => {
    const ended = await run(...args);
    expect(ended.status).toBe(status);
    expect(ended.stderr).toMatch(sentence);
  });

  it('is a program of its own, with the same exit code', () => {
    const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', 'fly'], {
      encoding: 'utf8',
    });
    expect([status, stderr]).toEqual([2, expect.stringMatching(/^There is no command “fly”/)]);
  });
});
