import { cp, mkdtemp, readdir, readFile, rm, stat, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { NewEvent } from '@/core/casefile/event';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { fileHash, pathOfPhotograph, photographFiles } from '@/store/photographs';
import { readCaseFolder } from '../caseFolder';
import { openDesk } from '../desk';
import { makePack } from '../pack/makePack';
import { THE_MACHINE } from '../people/roster';
import { sittingOf } from '../people/shifts';
import { signIn } from '../people/signIn';
import { addPhotograph } from '../photographs';
import { findCases, readQueue } from '../queue';
import { recordEvents } from '../recordEvents';
import { StoreProblem, storeProblemOf } from '../storeProblem';
import { exportCase } from '../transfer';
import { backUp, listBackups, restore } from './backup';
import { checkDesk } from './checkDesk';
import { clockProblem } from './clockProblem';
import { begin, keepingState, nightly } from './keeping';

const OPEN = 'PP-0007';
let at: TestDesk;
let folder: string;
let sha256: string;
/** Pictures that the demo world has already. */
let ofDemo: number;

const record = async (type: NewEvent['type'], body: object) =>
  recordEvents(at.desk, {
    number: OPEN,
    events: [{ id: uuid(), type, body } as NewEvent],
    expectedSeq: (await readCaseFolder(at.desk, OPEN)).events.length,
    by: 'isolde-varr',
  });
const picture = (background: string) =>
  sharp({ create: { width: 30, height: 30, channels: 3, background } })
    .png()
    .toBuffer();

beforeAll(async () => {
  at = await testDesk(true);
  folder = await mkdtemp(join(tmpdir(), 'pinprick-backup-'));
  ofDemo = (await photographFiles(at.desk.store)).length;
  const kept = await addPhotograph(at.desk, THE_MACHINE, [await picture('#335577')]);
  sha256 = kept.sha256;
  await record('photoAdded', { ...kept, name: 'box.png' });
});
afterAll(async () => {
  await at.close();
  await rm(folder, { recursive: true, force: true });
});

describe('a backup', () => {
  it('is made while the desk works, and restored on a fresh machine it holds', async () => {
    const work = async () => {
      for (const condition of ['new', 'worn', 'aged'])
        await record('circumstancesStated', { channel: 'walk-in', condition, inHand: true, packaged: true });
    };
    const [sheet] = await Promise.all([backUp(at.desk, folder), work()]);
    expect(sheet).toMatchObject({ photographs: ofDemo + 1, publicKey: at.desk.key.publicKey });
    expect(await listBackups(folder)).toEqual([sheet]);
    // The desk's key is not in it.
    expect((await readdir(folder)).filter((name) => name.endsWith('.pem'))).toEqual([]);

    const fresh = join(folder, 'fresh');
    await restore(folder, fresh);
    const desk = await openDesk(fresh);
    const found = await checkDesk(desk);
    expect(found).toMatchObject({
      cases: sheet.cases,
      photographs: ofDemo + 1,
      unnamed: 0,
      notVouchedFor: [],
      problems: [],
    });
    // Another key from now on; what the old one signed is still this desk's own.
    expect(desk.key.publicKey).not.toBe(at.desk.key.publicKey);
    expect((await readCaseFolder(desk, 'PP-0002')).vouching.at(-1)).toMatchObject({ by: 'own' });
    await desk.store.close();
    await expect(restore(folder, fresh)).rejects.toThrow(/is not empty/);
  });
  it('copies pictures once, and takes old databases away', async () => {
    const kept = await addPhotograph(at.desk, THE_MACHINE, [await picture('#773355')]);
    await record('photoAdded', { ...kept, name: 'lid.png' });
    const copied = pathOfPhotograph({ directory: folder }, sha256);
    await utimes(copied, 1, 1);
    const later = { ...at.desk, now: () => new Date(Date.now() + 40 * 86_400_000).toISOString() };
    expect(await backUp(later, folder, { keepDays: 30 })).toMatchObject({ photographs: ofDemo + 2 });
    expect((await stat(copied)).mtimeMs).toBe(1000);
    expect(await listBackups(folder)).toHaveLength(1);
    expect((await readdir(folder)).filter((name) => name.endsWith('.sqlite'))).toHaveLength(1);
  });
  it('that was changed or is missing is not restored, and none is made into the desk itself', async () => {
    const damaged = await mkdtemp(join(tmpdir(), 'pinprick-damaged-'));
    await cp(folder, damaged, { recursive: true });
    const [sheet] = await listBackups(damaged);
    const path = join(damaged, sheet?.database ?? '');
    const bytes = await readFile(path);
    bytes[5000] = (bytes[5000] ?? 0) ^ 1;
    await writeFile(path, bytes);
    await expect(restore(damaged, join(folder, 'nowhere'))).rejects.toThrow(/missing or was changed/);
    await expect(restore(join(folder, 'fresh'), join(folder, 'nowhere'))).rejects.toThrow(/There is no backup/);
    await rm(damaged, { recursive: true });
    await writeFile(join(folder, 'a-file'), '');
    await expect(backUp(at.desk, at.directory)).rejects.toThrow(/lost with it/);
    await expect(backUp(at.desk, join(folder, 'a-file', 'below'))).rejects.toThrow(
      /No backup could be written.*untouched/,
    );
  });
});

describe('the keeper', () => {
  const withFolder = async (value: string, work: () => Promise<void>) => {
    vi.stubEnv('PINPRICK_BACKUP', value);
    await work().finally(() => vi.unstubAllEnvs());
  };
  it('does one thing at a time, says how far it is, and tells why it failed', async () => {
    await withFolder('', async () => {
      await expect(begin(at.desk, THE_MACHINE, 'backup')).rejects.toThrow(/No folder for backups is set/);
      const { done: checking } = await begin(at.desk, THE_MACHINE, 'check');
      await expect(begin(at.desk, THE_MACHINE, 'check')).rejects.toThrow(/running already/);
      expect(await keepingState(at.desk)).toMatchObject({ running: { what: 'check' }, folder: null, newest: null });
      await checking;
      expect(await keepingState(at.desk)).toMatchObject({ running: null, checked: { found: { problems: [] } } });
    });
    await writeFile(join(folder, 'no-folder'), '');
    await withFolder(join(folder, 'no-folder', 'below'), async () => {
      await (await begin(at.desk, THE_MACHINE, 'backup')).done;
      expect((await keepingState(at.desk)).trouble).toMatch(/No backup could be written/);
    });
  });
  it('makes a backup once a night, and by day only where none was made for long', async () => {
    const nights = join(folder, 'nights');
    const made = async () => (await listBackups(nights)).length;
    await withFolder(nights, async () => {
      let now = Date.parse('2030-01-10T12:00:00Z');
      const desk = { ...at.desk, now: () => new Date(now).toISOString() };
      await nightly(desk, 12);
      expect(await made()).toBe(1);
      now += 15 * 3_600_000;
      await nightly(desk, 3);
      expect(await made()).toBe(1);
      now += 12 * 3_600_000;
      await nightly(desk, 15);
      expect(await made()).toBe(1);
      now += 12 * 3_600_000;
      await nightly(desk, 3);
      expect(await made()).toBe(2);
      now += 40 * 3_600_000;
      await nightly(desk, 19);
      expect(await made()).toBe(3);
    });
  });
});

describe('the check of a desk', () => {
  it('finds nothing where nothing is wrong, and sweeps what uploads left', async () => {
    const part = join(at.directory, 'photographs', `${uuid()}.part`);
    await writeFile(part, 'half');
    expect(await checkDesk(at.desk)).toMatchObject({ swept: 0, problems: [] });
    await utimes(part, 1, 1);
    expect(await checkDesk(at.desk)).toMatchObject({ swept: 1, problems: [] });
  });
  it.each([
    [
      'a picture that is gone',
      () => rm(pathOfPhotograph(at.desk.store, sha256)),
      /PP-0007: The photograph .* is missing/,
    ],
    [
      'a picture that was changed',
      () => writeFile(pathOfPhotograph(at.desk.store, sha256), 'x'),
      /PP-0007: .* was changed on the disk/,
    ],
    [
      'a document that was changed',
      () =>
        at.desk.store.sequelize.query(
          `UPDATE kept_documents SET body = replace(body, 'Veskarn', 'Veskarm') WHERE kind = 'maker' AND id = 'veskarn'`,
        ),
      /The maker “veskarn”, revision 1, was changed/,
    ],
    [
      'a line of the queue that says otherwise',
      () => at.desk.store.sequelize.query(`UPDATE cases SET state = 'open' WHERE number = 'PP-0002'`),
      /PP-0002 is sealed by its log, and listed as open/,
    ],
    [
      'a decision in the queue that is not the log’s',
      () =>
        at.desk.store.sequelize.query(
          `UPDATE cases SET summary = json_set(summary, '$.goods.decision', 'changed') WHERE number = 'PP-0005'`,
        ),
      /The line of PP-0005 in the queue was changed: it says changed.*its log says/,
    ],
    [
      'house rules that were changed, at a desk that opens nevertheless',
      async () => {
        await at.desk.store.sequelize.query(`UPDATE kept_documents SET body = '{}' WHERE kind = 'house-rules'`);
        await (await openDesk(at.directory)).store.close();
      },
      /The house-rules “house”, revision 1, was changed/,
    ],
    [
      'an entry that was changed',
      async () => {
        await at.desk.store.sequelize.query('DROP TRIGGER case_events_keep');
        await at.desk.store.sequelize.query(
          `UPDATE case_events SET by = 'somebody' WHERE seq = 2 AND caseId = (SELECT id FROM cases WHERE number = 'PP-0003')`,
        );
      },
      /PP-0003 was tampered with: Event 2/,
    ],
  ])('names %s', async (_, harm, sentence) => {
    await harm();
    expect((await checkDesk(at.desk)).problems.join(' | ')).toMatch(sentence);
  });
});

describe('a line of the queue that another version of this program worked out', () => {
  it('accuses nobody, and is worked out anew before anybody reads it', async () => {
    const another = await testDesk(true);
    const line = async () => (await findCases(another.desk, OPEN, null))[0];
    const before = await line();
    await another.desk.store.write((transaction) =>
      another.desk.store.sequelize.query(
        `UPDATE cases SET summary = json_set(summary, '$.goods.decision', 'genuine', '$.differing', 99,
          '$.weighedBy', 'another' || substr(summary ->> '$.weighedBy', 17)) WHERE number = '${OPEN}'`,
        { transaction },
      ),
    );
    another.desk.memory.lines.clear();
    expect((await checkDesk(another.desk)).problems).toEqual([]);
    expect(await line()).toEqual(before);
    await another.close();
  });
});

describe('trouble with the store', () => {
  it('is an emptied database beside photographs, which is no new desk', async () => {
    const emptied = await mkdtemp(join(tmpdir(), 'pinprick-emptied-'));
    await cp(join(at.directory, 'photographs'), join(emptied, 'photographs'), { recursive: true });
    await expect(openDesk(emptied)).rejects.toThrow(/its database is gone or empty/);
    await writeFile(join(emptied, 'pinprick.sqlite'), '');
    await expect(openDesk(emptied)).rejects.toThrow(/its database is gone or empty/);
    expect((await readdir(emptied)).sort()).toEqual(['photographs', 'pinprick.sqlite']);
    await rm(emptied, { recursive: true });
  });
  it('is a clock that went back: entries go on from the last one, and it is said', async () => {
    expect(await clockProblem(at.desk)).toBeNull();
    vi.setSystemTime('2020-01-01T00:00:00Z');
    try {
      const desk = await openDesk(at.directory);
      expect(desk.now() > '2026').toBe(true);
      expect(await clockProblem(desk)).toMatch(/says 2020-01-01 00:00 UTC, and the last entry is of 20/);
      await desk.store.close();
    } finally {
      vi.useRealTimers();
    }
  });
  it.each([
    [Object.assign(new Error('write'), { code: 'ENOSPC' }), /disk is full/],
    [Object.assign(new Error('x'), { parent: new Error('SQLITE_FULL: database or disk is full') }), /disk is full/],
    [
      new Error('SQLITE_READONLY: attempt to write a readonly database'),
      /cannot be written. Everything can still be looked at/,
    ],
    [new Error('SQLITE_BUSY: database is locked'), /Another program holds/],
    [new Error('SQLITE_CORRUPT: database disk image is malformed'), /is damaged/],
    [new Error('SQLITE_ERROR: no such table: cases'), /lost its tables/],
  ])('%s is said in a sentence', (error, sentence) => {
    expect(storeProblemOf(error)).toBeInstanceOf(StoreProblem);
    expect(storeProblemOf(error)?.message).toMatch(sentence);
  });
  it('is not every fault', () => {
    expect(storeProblemOf(new TypeError('x is not a function'))).toBeNull();
    expect(storeProblemOf('text')).toBeNull();
  });
});

describe('a desk that is only looked at', () => {
  it('shows and exports everything, lets people sign in, and keeps nothing', async () => {
    const other = await testDesk(true);
    const path = join(other.directory, 'pinprick.sqlite');
    const { open } = await readQueue(other.desk, null, { shelf: 'sealed', donePage: 1 });
    const number = open.lines[0]?.number ?? '';
    await other.desk.store.close();
    const before = await fileHash(path);
    process.env.PINPRICK_LOOK = '1';
    try {
      other.desk = await openDesk(other.directory);
      const { desk } = other;
      expect(desk.store.looking).toBe(true);
      expect((await readQueue(desk, null, { shelf: 'sealed', donePage: 1 })).open.count).toBe(open.count);
      expect((await findCases(desk, number, null))[0]?.number).toBe(number);
      const { events } = await exportCase(desk, number);
      expect((await buffer(await makePack(desk, number))).length).toBeGreaterThan(1000);
      expect((await checkDesk(desk)).problems).toEqual([]);
      const from = { bench: null, came: '', origin: 'http://localhost' };
      const pass = await signIn(desk, { how: 'oneKey', name: 'isolde-varr' }, from);
      expect((await sittingOf(desk, pass))?.me.name).toBe('Isolde Varr');
      const event = {
        id: uuid(),
        type: 'circumstancesStated' as const,
        body: { channel: 'walk-in' as const, condition: 'worn' as const, inHand: true, packaged: true },
      };
      const kept = recordEvents(desk, { number, events: [event], expectedSeq: events.length, by: 'isolde-varr' });
      const problem = storeProblemOf(await kept.catch((error) => error));
      expect(problem?.message).toMatch(/cannot be written\. Everything can still be looked at/);
      await desk.store.close();
      expect(await fileHash(path)).toBe(before);
      // Of another version, it would have to be changed first.
      delete process.env.PINPRICK_LOOK;
      other.desk = await openDesk(other.directory);
      await other.desk.store.sequelize.query(`DELETE FROM SequelizeMeta WHERE name LIKE '0008%'`);
      await other.desk.store.close();
      process.env.PINPRICK_LOOK = '1';
      await expect(openDesk(other.directory)).rejects.toThrow(/of another version/);
    } finally {
      delete process.env.PINPRICK_LOOK;
      await rm(other.directory, { recursive: true, force: true });
    }
  });
});
