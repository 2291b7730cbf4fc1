import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, type Transaction } from 'sequelize';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { bytesHash } from '@/core/casefile/hash';
import { keepPhotograph, readPhotograph, receiveFile } from './photographs';
import { openCopy, openStore } from './store';
import { ATTEMPT_MS } from './writer';

let directory: string;
beforeEach(async () => {
  directory = await mkdtemp(join(tmpdir(), 'pinprick-store-'));
});
afterEach(() => rm(directory, { recursive: true, force: true }));

describe('data directory', () => {
  it('is made, migrated once, and found again', async () => {
    const path = join(directory, 'deep', 'inside');
    const first = await openStore(path);
    const pragma = (name: string, transaction?: Transaction) =>
      first.sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT, plain: true, transaction });
    const isSafe = async (transaction?: Transaction) => {
      expect(await pragma('journal_mode', transaction)).toEqual({ journal_mode: 'wal' });
      expect(await pragma('foreign_keys', transaction)).toEqual({ foreign_keys: 1 });
      expect(await pragma('busy_timeout', transaction)).toEqual({ timeout: transaction ? ATTEMPT_MS : 5000 });
      expect(await pragma('synchronous', transaction)).toEqual({ synchronous: 2 });
    };
    await isSafe();
    for (const _ of [1, 2]) await first.write(isSafe);
    await expect(first.write(() => Promise.reject(new Error('of the change')))).rejects.toThrow('of the change');
    await first.write(isSafe);
    await first.close();
    await (await openStore(path)).close();
  });
  it('waits for what another program is at, and begins as soon as it is done', async () => {
    const store = await openStore(directory);
    const other = openCopy(join(directory, 'pinprick.sqlite'), 'toChange');
    // Two turns of the other program, with a moment between that is too short for whoever looks seldom.
    const turn = async (ms: number) => {
      await other.query('BEGIN IMMEDIATE');
      await new Promise((done) => setTimeout(done, ms));
      await other.query('COMMIT');
    };
    const order: string[] = [];
    const first = turn(700).then(() => order.push('theirs'));
    await new Promise((done) => setTimeout(done, 50));
    const saved = store.write(async () => order.push('ours'));
    await first;
    await new Promise((done) => setTimeout(done, 60));
    await turn(200);
    order.push('theirs again');
    await saved;
    expect(order).toEqual(['theirs', 'ours', 'theirs again']);
    await other.close();
    await store.close();
  });
  it('says in a sentence that it cannot be written', async () => {
    const file = join(directory, 'a-file');
    await writeFile(file, '');
    await expect(openStore(join(file, 'data'))).rejects.toThrow(
      /data directory .* cannot be written \(ENOTDIR\).*PINPRICK_DATA/,
    );
  });
  it('refuses a database that a newer version made, and leaves it alone', async () => {
    const store = await openStore(directory);
    await store.sequelize.query("INSERT INTO SequelizeMeta (name) VALUES ('0099-from-the-future')");
    await store.close();
    const before = await readFile(join(directory, 'pinprick.sqlite'));
    await expect(openStore(directory)).rejects.toThrow(
      /made by a newer version of Pinprick \(it has “0099-from-the-future”/,
    );
    expect((await readFile(join(directory, 'pinprick.sqlite'))).equals(before)).toBe(true);
  });
  it('says in a sentence that the database is none', async () => {
    await writeFile(
      join(directory, 'pinprick.sqlite'),
      'this is not a database, but it is long enough to be taken for one'.repeat(20),
    );
    await expect(openStore(directory)).rejects.toThrow(
      /pinprick\.sqlite: The database is damaged\..*restore the newest backup/,
    );
  });
});

describe('writing', () => {
  it('is all or nothing, one after the other, and a failure does not block the next', async () => {
    const store = await openStore(directory);
    const put = (id: string, fail = false) =>
      store.write(async (transaction) => {
        await store.tables.documents.create(
          { kind: 'maker', id, revision: 1, hash: id, body: '{}', createdAt: '' },
          { transaction },
        );
        if (fail) throw new Error('half way');
      });
    const outcomes = await Promise.allSettled([put('a'), put('b', true), put('c'), put('a')]);
    expect(outcomes.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled', 'rejected']);
    const rows = await store.tables.documents.findAll({ raw: true, order: ['id'] });
    expect(rows.map((row) => (row as unknown as { id: string }).id)).toEqual(['a', 'c']);
    await store.close();
  });
  it('never changes or drops a case event, whoever asks', async () => {
    const store = await openStore(directory);
    await store.sequelize.query("INSERT INTO cases VALUES ('c', 'PP-0001', 'open', 1, 'h', '', '{}')");
    await store.sequelize.query("INSERT INTO case_events VALUES ('e', 'c', 1, 'opened', '', 'x', 'p', 'h', '{}')");
    await expect(store.sequelize.query("UPDATE case_events SET body = '[]'")).rejects.toMatchObject({
      parent: { message: expect.stringMatching(/never changed/) },
    });
    await expect(store.sequelize.query('DELETE FROM case_events')).rejects.toMatchObject({
      parent: { message: expect.stringMatching(/never deleted/) },
    });
    await expect(
      store.sequelize.query("INSERT INTO case_events VALUES ('f', 'c', 1, 'opened', '', 'x', 'p', 'h', '{}')"),
    ).rejects.toThrow();
    await expect(
      store.sequelize.query("INSERT INTO case_events VALUES ('g', 'nobody', 1, 'opened', '', 'x', 'p', 'h', '{}')"),
    ).rejects.toThrow();
    await store.close();
  });
});

describe('photographs', () => {
  it('are kept once under their own hash, and noticed when changed on disk', async () => {
    const store = await openStore(directory);
    const bytes = new Uint8Array([1, 2, 3, 4]);
    const keep = async () => {
      const received = await receiveFile(store, 'photographs', [bytes.slice(0, 1), bytes.slice(1)], 100);
      if (!received) throw new Error('it is not that large');
      return keepPhotograph(store, received, 'image/png', '2026-01-01T00:00:00Z');
    };
    // From sixteen sides at once, as a phone that loses its network sends it.
    const rows = await Promise.all(Array.from({ length: 16 }, keep));
    const sha256 = rows[0]?.sha256 ?? '';
    expect(new Set(rows.map((row) => row.sha256))).toEqual(new Set([bytesHash(bytes)]));
    expect(await store.tables.photographs.count()).toBe(1);
    expect((await readdir(join(directory, 'photographs'))).filter((name) => name.endsWith('.part'))).toEqual([]);
    expect(new Uint8Array(await readPhotograph(store, sha256))).toEqual(bytes);
    await writeFile(join(directory, 'photographs', sha256.slice(0, 2), sha256), new Uint8Array([1, 2, 3, 5]));
    await expect(readPhotograph(store, sha256)).rejects.toThrow(/changed on the disk/);
    await expect(readPhotograph(store, '0'.repeat(64))).rejects.toThrow(/is missing in this data directory/);
    await store.close();
  });

  it('leave nothing behind where they are too large or break off', async () => {
    const store = await openStore(directory);
    expect(await receiveFile(store, 'photographs', [new Uint8Array(60), new Uint8Array(60)], 100)).toBeNull();
    const torn = async function* () {
      yield new Uint8Array(10);
      throw new Error('the line is dead');
    };
    await expect(receiveFile(store, 'photographs', torn(), 100)).rejects.toThrow('the line is dead');
    expect(await readdir(join(directory, 'photographs'))).toEqual([]);
    await store.close();
  });
});
