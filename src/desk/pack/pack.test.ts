import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { crc32 } from 'node:zlib';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { bytesHash } from '@/core/casefile/hash';
import { assess } from '@/core/judgement/assess';
import { groundsOf } from '@/core/judgement/grounds';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { readCaseFolder } from '../caseFolder';
import { THE_MACHINE } from '../people/roster';
import { addPhotograph, photograph } from '../photographs';
import { recordEvents } from '../recordEvents';
import { importFile } from './importFile';
import { makePack } from './makePack';
import { verifyFile } from './verifyFile';

const BY = 'isolde-varr';
const SEALED = 'PP-0006';
let at: TestDesk;
let other: TestDesk;
let pack: Uint8Array;
let sha256: string;

/** What is said of a file with these bytes. */
async function verify(bytes: Uint8Array) {
  const path = join(at.directory, 'sent.zip');
  await writeFile(path, bytes);
  return verifyFile(path);
}

const record = async (number: string, type: NewEvent['type'], body: object) =>
  recordEvents(at.desk, {
    number,
    events: [{ id: uuid(), type, body } as NewEvent],
    expectedSeq: (await readCaseFolder(at.desk, number)).events.length,
    by: BY,
  });

/** Noise, so that it does not shrink to nothing. */
const drawn = (width: number, format: 'jpeg' | 'png'): Promise<Buffer> =>
  sharp({
    create: {
      width,
      height: width,
      channels: 3,
      background: '#667788',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  })
    .toFormat(format)
    .toBuffer();

/** A small picture whose head says that it is 40,000 by 40,000. */
async function pngBomb(): Promise<Buffer> {
  const png = await drawn(8, 'png');
  png.writeUInt32BE(40_000, 16);
  png.writeUInt32BE(40_000, 20);
  png.writeUInt32BE(crc32(png.subarray(12, 29)), 29);
  return png;
}

beforeAll(async () => {
  [at, other] = [await testDesk(true), await testDesk(false)];
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#667788' } })
    .png()
    .toBuffer();
  const kept = await addPhotograph(at.desk, THE_MACHINE, [png]);
  sha256 = kept.sha256;
  await record(SEALED, 'reopened', { reason: 'a picture is to be added' });
  await record(SEALED, 'photoAdded', { ...kept, name: 'strip.png', check: 'strip.foil' });
  const { verdictBody } = await import('@/core/judgement/verdictBody');
  const folder = await readCaseFolder(at.desk, SEALED);
  await record(SEALED, 'verdictSealed', verdictBody(fold(folder.id, folder.events), folder.grounds));
  pack = await buffer(await makePack(at.desk, SEALED));
});
afterAll(async () => {
  await at.close();
  await other.close();
});

/** The pack with one file changed, its manifest left as it was, or made to fit. */
function changed(path: string, change: (text: string) => string, cover = false): Uint8Array {
  const files = unzipSync(pack);
  files[path] = strToU8(change(strFromU8(files[path] as Uint8Array)));
  if (cover) {
    const { 'manifest.json': manifest, ...rest } = files;
    const listed = JSON.parse(strFromU8(manifest as Uint8Array));
    const fitting = Object.entries(rest).map(([path, bytes]) => ({
      path,
      bytes: bytes.length,
      sha256: bytesHash(bytes),
    }));
    files['manifest.json'] = strToU8(JSON.stringify({ ...listed, files: fitting }));
  }
  return zipSync(files);
}

describe('an evidence pack', () => {
  it('holds log, documents, report, table, pictures and a manifest, and nothing in it is found changed', async () => {
    const files = unzipSync(pack);
    expect(Object.keys(files).sort()).toEqual([
      'case.json',
      'findings.csv',
      'manifest.json',
      `photographs/${sha256}.png`,
      'report.pdf',
    ]);
    expect(strFromU8((files['report.pdf'] as Uint8Array).slice(0, 5))).toBe('%PDF-');
    expect(strFromU8(files['findings.csv'] as Uint8Array)).toMatch(/^check,name,layer[\s\S]*strip\.foil/);
    const { changed: nothing, signed, notSigned } = await verify(pack);
    expect([nothing, notSigned]).toEqual([[], []]);
    // The verdict that was reopened, the one after it, and the manifest; all by one key.
    expect(signed.map(({ what }) => what.replace(/\d+/, 'n'))).toEqual([
      'the manifest',
      'event n, verdictSealed',
      'event n, verdictSealed',
    ]);
    expect(new Set(signed.map(({ key }) => key)).size).toBe(1);
  });
  it('is taken in by another desk with the same assessment, and its pictures', async () => {
    const number = await importFile(other.desk, THE_MACHINE, [pack]);
    const [here, there] = [await readCaseFolder(at.desk, SEALED), await readCaseFolder(other.desk, number)];
    const assessed = (folder: typeof here) => {
      const { goods, packaging, states, weighing } = assess(fold(folder.id, folder.events), groundsOf(folder.grounds));
      return { goods, packaging, states, weight: weighing.weight };
    };
    expect(assessed(there)).toEqual(assessed(here));
    expect((await photograph(other.desk, sha256)).bytes.length).toBeGreaterThan(50);
  });
  it.each([
    ['findings.csv', (text: string) => text.replace('differs', 'agrees'), false, /findings\.csv was changed/],
    ['case.json', (text: string) => text.replace('"differs"', '"agrees"'), true, /was changed after it was recorded/],
    [
      'case.json',
      (text: string) => text.replace(/"goods": "counterfeit"/, '"goods": "genuine"'),
      true,
      /verdictSealed.*was changed/,
    ],
    ['case.json', (text: string) => text.slice(0, 3000), true, /not a whole JSON file/],
  ] as const)(
    'with %s changed says so, also where the manifest was made to fit',
    async (path, change, cover, sentence) => {
      expect((await verify(changed(path, change, cover))).changed.join(' ')).toMatch(sentence);
    },
  );
  it('says what is missing, what was added, and refuses to take such a pack in', async () => {
    const files = unzipSync(pack);
    const { 'report.pdf': _, ...rest } = files;
    const bad = zipSync({ ...rest, 'extra.txt': strToU8('x') });
    expect((await verify(bad)).changed.sort()).toEqual(['extra.txt was added.', 'report.pdf is missing.']);
    await expect(importFile(other.desk, THE_MACHINE, [bad])).rejects.toThrow(/tampered with/);
  });
  it.each([
    ['nothing', new Uint8Array()],
    ['half a file', new Uint8Array([0x50, 0x4b, 3, 4, 9, 9])],
    ['another ZIP', zipSync({ 'a.txt': strToU8('a') })],
    [
      'a manifest that leaves its folder',
      zipSync({ 'manifest.json': strToU8('{"format":"pinprick-pack","files":[{"path":"../x"}]}') }),
    ],
  ])('that is %s is refused with a sentence', async (_, bytes) => {
    expect((await verify(bytes)).changed[0]).toMatch(/\w{3}/);
  });
});

describe('a version of this program that reads the same entries otherwise', () => {
  let later: typeof import('./verifyFile');
  let desk: typeof import('./importFile');
  beforeAll(async () => {
    vi.resetModules();
    vi.doMock('../programVersion', () => ({ PROGRAM_VERSION: 'a later one' }));
    vi.doMock('@/core/judgement/verdictBody', async (original) => {
      const { verdictBody } = await original<typeof import('@/core/judgement/verdictBody')>();
      return { verdictBody: (...given: Parameters<typeof verdictBody>) => ({ ...verdictBody(...given), weight: 0 }) };
    });
    [later, desk] = [await import('./verifyFile'), await import('./importFile')];
  });
  afterAll(() => {
    vi.doUnmock('../programVersion');
    vi.doUnmock('@/core/judgement/verdictBody');
    vi.resetModules();
  });
  const say = async (bytes: Uint8Array) => {
    const path = join(at.directory, 'older.zip');
    await writeFile(path, bytes);
    return later.verifyFile(path);
  };

  it('says so of a signed verdict, accuses nobody, and takes the pack in', async () => {
    const { changed, otherwise } = await say(pack);
    expect(changed).toEqual([]);
    expect(otherwise).toEqual([expect.stringMatching(/not the one that sealed it.*otherwise \(weight\)/)]);
    const fresh = await testDesk(false);
    expect(await desk.importFile(fresh.desk, THE_MACHINE, [pack])).toMatch(/^PP-/);
    await fresh.close();
  });
  it('excuses nothing where nobody signed the verdict', async () => {
    const bare = changed('case.json', (text) => JSON.stringify({ ...JSON.parse(text), signatures: [] }), true);
    const said = await say(bare);
    expect([said.otherwise, said.changed.join(' ')]).toEqual([[], expect.stringMatching(/otherwise \(weight\)/)]);
  });
});

describe('photographs', () => {
  it.each([
    ['text', new TextEncoder().encode('<svg onload=alert(1)>'), /no JPEG, PNG, WebP or HEIC/],
    ['nothing', new Uint8Array(), /empty/],
    ['cut off', drawn(900, 'jpeg').then((jpeg) => jpeg.subarray(0, jpeg.length / 2)), /cut off/],
    ['a promise of more pixels than there are', pngBomb(), /megapixels|cut off/],
    ['too large', new Uint8Array(50_000_001), /larger than 50 MB/],
  ])('that are %s are turned down', async (_, bytes, sentence) => {
    await expect(addPhotograph(at.desk, THE_MACHINE, [await bytes])).rejects.toThrow(sentence);
  });
  it('are found by their hash only', async () => {
    await expect(photograph(at.desk, '../../etc/passwd')).rejects.toThrow(/no such photograph/);
    await expect(
      record('PP-0007', 'photoAdded', { sha256: '0'.repeat(64), mime: 'image/png', bytes: 9, name: 'x' }),
    ).rejects.toThrow(/not kept here/);
  });
});
