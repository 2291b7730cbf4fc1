import { randomUUID } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import type { CaseEvent } from '@/core/casefile/event';
import { eventHash, genesisHash } from '@/core/casefile/hash';
import { openDesk } from '@/desk/desk';
import { learnPending } from '@/desk/learning';
import { markToLearn } from '@/store/toLearn';

const CASES = 50_000;
const OPEN_SHARE = 0.045;

/** A connection on which many rows go in quickly. */
function quick(path: string) {
  const database = new sqlite3.Database(path);
  const call = <T>(method: 'all' | 'run', sql: string, values: unknown[] = []): Promise<T[]> =>
    new Promise((resolve, reject) =>
      database[method](sql, values, (error: Error | null, rows?: T[]) => (error ? reject(error) : resolve(rows ?? []))),
    );
  return {
    all: <T>(sql: string, values?: unknown[]) => call<T>('all', sql, values),
    run: (sql: string, values?: unknown[]) => call('run', sql, values),
    close: () => new Promise<void>((resolve) => database.close(() => resolve())),
  };
}

interface Row {
  id: string;
  number: string;
  state: string;
  touchedAt: string;
  summary: string;
}
type EventRow = Omit<CaseEvent, 'body'> & { body: string };

/**
 * A data directory with 50,000 cases, 4.5 % of them open: those of the demo world over and over, each with a log of its
 * own whose hashes hold. It takes some minutes, once.
 *
 * @param laidOut the demo world with its history
 */
export async function growWorld(laidOut: string, data: string): Promise<void> {
  const done = join(data, 'grown');
  if (existsSync(done)) return;
  rmSync(data, { recursive: true, force: true });
  mkdirSync(data, { recursive: true });
  cpSync(laidOut, data, { recursive: true });
  const db = quick(join(data, 'pinprick.sqlite'));
  await db.run('PRAGMA synchronous = OFF');
  const rows = await db.all<Row>('SELECT id, number, state, touchedAt, summary FROM cases');
  const wanted = { open: Math.round(CASES * OPEN_SHARE), sealed: Math.round(CASES * (1 - OPEN_SHARE)) };
  let figure = 1000;
  await db.run('BEGIN');
  for (const [state, count] of Object.entries(wanted)) {
    const own = rows.filter((row) => row.state === state);
    const logs = new Map<string, EventRow[]>();
    for (const { id } of own)
      logs.set(id, await db.all('SELECT * FROM case_events WHERE caseId = ? ORDER BY seq', [id]));
    for (let i = own.length; i < count; i++) {
      const model = own[i % own.length] as Row;
      figure += 1;
      const id = randomUUID();
      const number = `PP-${figure}`;
      let head = genesisHash(id);
      const log = (logs.get(model.id) ?? []).map((row) => {
        const body = JSON.parse(row.body);
        const event = {
          ...row,
          id: randomUUID(),
          body: row.type === 'opened' ? { ...body, number } : body,
          previous: head,
        };
        head = eventHash(event as unknown as CaseEvent);
        return { ...event, hash: head, body: JSON.stringify(event.body) };
      });
      await db.run('INSERT INTO cases VALUES (?, ?, ?, ?, ?, ?, ?)', [
        id,
        number,
        model.state,
        log.length,
        head,
        model.touchedAt,
        model.summary,
      ]);
      const places = log.map(() => '(?,?,?,?,?,?,?,?,?)').join(',');
      await db.run(
        `INSERT INTO case_events (id, caseId, seq, type, at, by, previous, hash, body) VALUES ${places}`,
        log.flatMap((e) => [e.id, id, e.seq, e.type, e.at, e.by, e.previous, e.hash, e.body]),
      );
      await db.run(
        'INSERT INTO confirmed_cases (caseId, kind, at, body) SELECT ?, kind, at, body FROM confirmed_cases WHERE caseId = ?',
        [id, model.id],
      );
      await db.run(
        `INSERT INTO case_search (rowid, text) SELECT rowid, ? || substr((SELECT text FROM case_search WHERE rowid =
          (SELECT rowid FROM cases WHERE id = ?)), 7) FROM cases WHERE id = ?`,
        [number.replace('-', ''), model.id, id],
      );
    }
  }
  await db.run('COMMIT');
  await db.close();
  const desk = await openDesk(data);
  const kinds = await desk.store.sequelize.query('SELECT DISTINCT kind FROM confirmed_cases');
  await desk.store.write(async (transaction) => {
    for (const { kind } of kinds[0] as { kind: string }[])
      await markToLearn(desk.store, kind, desk.now().slice(0, 10), transaction);
  });
  await learnPending(desk);
  await desk.store.close();
  writeFileSync(done, '');
}
