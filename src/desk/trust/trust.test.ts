import { rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { eventHash, genesisHash } from '@/core/casefile/hash';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { findCase } from '@/store/cases';
import { readCaseFolder } from '../caseFolder';
import { openDesk } from '../desk';
import { THE_MACHINE } from '../people/roster';
import { recordEvents } from '../recordEvents';
import { type CaseExport, exportCase, importCase } from '../transfer';
import { anchorProblems } from './anchorProblems';
import { newestAnchor, trustKey } from './anchors';
import { anchor } from './closeDays';
import { KEY_FILE } from './deskKey';

const SEALED = 'PP-0002';
const OPEN = 'PP-0007';
const BY = 'isolde-varr';

let at: TestDesk;
let other: TestDesk;
beforeAll(async () => {
  [at, other] = [await testDesk(true), await testDesk(false)];
});
afterAll(async () => {
  await at.close();
  await other.close();
});

const sealOf = ({ vouching }: Awaited<ReturnType<typeof readCaseFolder>>) =>
  vouching.findLast(({ type }) => type === 'verdictSealed');

/** The log with one event changed and every hash after it made to fit. */
function rebuilt(caseId: string, events: CaseEvent[], change: (event: CaseEvent) => CaseEvent): CaseEvent[] {
  let previous = genesisHash(caseId);
  return events.map((event) => {
    const next = { ...change(event), previous };
    const hash = eventHash(next);
    previous = hash;
    return { ...next, hash };
  });
}
const flattered = (event: CaseEvent): CaseEvent =>
  event.type === 'verdictSealed' ? { ...event, body: { ...event.body, goods: 'genuine', pGenuine: 0.999 } } : event;

describe('a sealed verdict', () => {
  it('is signed by its desk, and elsewhere it is told whose key that was', async () => {
    expect(sealOf(await readCaseFolder(at.desk, SEALED))).toMatchObject({ by: 'own' });
    const number = await importCase(other.desk, JSON.stringify(await exportCase(at.desk, SEALED)));
    const there = async () => sealOf(await readCaseFolder(other.desk, number));
    expect(await there()).toMatchObject({ by: 'unknown', label: null });
    await trustKey(other.desk, THE_MACHINE, at.desk.key.publicKey, 'The desk by the canal');
    expect(await there()).toMatchObject({ by: 'known', label: 'The desk by the canal' });
    await expect(trustKey(other.desk, THE_MACHINE, 'x', 'Nobody')).rejects.toThrow(/is no public key/);
    await expect(trustKey(other.desk, THE_MACHINE, other.desk.key.publicKey, 'Myself')).rejects.toThrow(/own key/);
  });

  const forged = async (change: (exported: CaseExport) => CaseExport) =>
    importCase(other.desk, JSON.stringify(change(await exportCase(at.desk, 'PP-0004'))));
  it('that was rewritten with a chain that fits is refused by its signature', async () => {
    await expect(
      forged((exported) => ({ ...exported, events: rebuilt(exported.id, exported.events, flattered) })),
    ).rejects.toThrow(/signature belongs to no event/);
    await expect(
      forged((exported) => ({
        ...exported,
        signatures: exported.signatures?.map((each) => ({ ...each, publicKey: other.desk.key.publicKey })),
      })),
    ).rejects.toThrow(/is not that of key/);
  });
  it('that reads a place or answers a check that nobody knows is refused', async () => {
    const naming = (type: CaseEvent['type'], body: object) => (exported: CaseExport) => {
      let done = false;
      const change = (event: CaseEvent): CaseEvent => {
        if (done || event.type !== type) return event;
        done = true;
        return { ...event, body: { ...event.body, ...body } } as CaseEvent;
      };
      return { ...exported, signatures: [], events: rebuilt(exported.id, exported.events, change) };
    };
    await expect(forged(naming('factRead', { place: 'underTheStairs' }))).rejects.toThrow(
      /reads a place “underTheStairs” that nobody knows/,
    );
    await expect(forged(naming('findingRecorded', { check: 'moon.phase' }))).rejects.toThrow(
      /answers a check “moon.phase” that nobody knows/,
    );
  });
  it('without a signature comes in, and nobody vouches for it', async () => {
    const number = await forged((exported) => ({
      ...exported,
      events: rebuilt(exported.id, exported.events, flattered),
      signatures: [],
    }));
    expect(sealOf(await readCaseFolder(other.desk, number))).toMatchObject({ by: 'nobody', key: null });
  });
});

describe('the end of a day', () => {
  let now = '2026-03-02T10:00:00.000Z';
  let desk: TestDesk['desk'];
  const state = async (condition: 'new' | 'worn') =>
    recordEvents(desk, {
      number: OPEN,
      events: [
        {
          id: uuid(),
          type: 'circumstancesStated',
          body: { channel: 'walk-in', condition, inHand: true, packaged: true },
        } as NewEvent,
      ],
      expectedSeq: (await readCaseFolder(desk, OPEN)).events.length,
      by: BY,
    });
  /** Change the database past its guards, as a thief of the disk would. */
  const behind = async (...statements: string[]) => {
    for (const guard of ['case_events_keep', 'case_events_stay'])
      await desk.store.sequelize.query(`DROP TRIGGER IF EXISTS ${guard}`);
    for (const statement of statements) await desk.store.sequelize.query(statement);
  };
  beforeAll(async () => {
    desk = { ...at.desk, closed: { day: '' }, now: () => now };
    await anchor(desk);
  });

  it('is signed once, before the first entry of the next one', async () => {
    const before = await newestAnchor(desk);
    now = '2027-06-10T10:00:00.000Z';
    await state('new');
    const first = await newestAnchor(desk);
    expect(first).toMatchObject({ day: '2027-06-09', previous: before?.root ?? null });
    await state('worn');
    expect(await newestAnchor(desk)).toEqual(first);
    now = '2027-06-11T09:00:00.000Z';
    expect(await anchor(desk)).toMatchObject({ day: '2027-06-10', previous: first?.root });
    // A day on which nothing happened needs no root of its own.
    now = '2027-06-12T09:00:00.000Z';
    expect(await anchor(desk)).toBeNull();
    expect(await anchorProblems(desk)).toEqual([]);
  });

  it('tells a history that was rewritten since, with the day and the case', async () => {
    const row = await findCase(desk.store, { number: OPEN });
    const { events } = await readCaseFolder(desk, OPEN);
    if (!row) throw new Error('the case is there');
    const rewritten = rebuilt(row.id, events, (event) =>
      event.seq === events.length && event.type === 'circumstancesStated'
        ? { ...event, body: { ...event.body, condition: 'new' } }
        : event,
    );
    const last = rewritten.at(-1) as CaseEvent;
    await behind(
      `UPDATE case_events SET hash = '${last.hash}', body = '${JSON.stringify(last.body)}' WHERE caseId = '${row.id}' AND seq = ${last.seq}`,
      `UPDATE cases SET head = '${last.hash}' WHERE id = '${row.id}'`,
    );
    expect((await readCaseFolder(desk, OPEN)).trouble).toMatch(
      /event \d+ was signed at the end of 2027-06-10: it was rewritten/,
    );
    expect((await anchorProblems(desk)).join(' ')).toMatch(
      new RegExp(`${OPEN}: event ${last.seq} is not the one that was signed at the end of 2027-06-10`),
    );
  });

  it('tells the lost end of a log', async () => {
    const { id, events } = await readCaseFolder(desk, OPEN);
    await behind(`DELETE FROM case_events WHERE caseId = '${id}' AND seq = ${events.length}`);
    expect((await readCaseFolder(desk, OPEN)).trouble).toMatch(/its end was lost or rewritten/);
    const head = events.at(-2)?.hash;
    await behind(`UPDATE cases SET seq = ${events.length - 1}, head = '${head}' WHERE id = '${id}'`);
    expect((await readCaseFolder(desk, OPEN)).trouble).toMatch(/was signed at the end of/);
    expect((await anchorProblems(desk)).join(' ')).toMatch(
      new RegExp(`${OPEN}: event ${events.length}, signed at the end of .* is gone`),
    );
  });

  it('itself cannot be signed by another key', async () => {
    await behind(
      'DROP TRIGGER day_roots_keep',
      `UPDATE day_roots SET publicKey = '${other.desk.key.publicKey}' WHERE day = '2027-06-09'`,
    );
    expect((await anchorProblems(desk)).join(' ')).toMatch(/2027-06-09 was signed by key .* none of this desk’s/);
  });
});

describe('the key of a desk', () => {
  it('can be read by its owner alone, and is told apart from rubbish', async () => {
    const path = join(other.directory, KEY_FILE);
    expect((await stat(path)).mode & 0o777).toBe(0o600);
    const { publicKey } = other.desk.key;
    await other.desk.store.close();
    await writeFile(path, 'rubbish');
    await expect(openDesk(other.directory)).rejects.toThrow(/is no Ed25519 key/);
    await writeFile(path, '');
    await expect(openDesk(other.directory)).rejects.toThrow(/is no Ed25519 key/);
    await rm(path);
    other.desk = await openDesk(other.directory);
    expect(other.desk.key.publicKey).not.toBe(publicKey);
  });
});
