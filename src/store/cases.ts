import type { Transaction } from 'sequelize';
import type { CaseEvent } from '@/core/casefile/event';
import { indexCase } from './caseSearch';
import { select } from './select';
import type { Store } from './store';
import type { CaseRow, EventRow } from './tables';

const toEvent = ({ caseId: _, body, ...row }: EventRow): CaseEvent => ({ ...row, body: JSON.parse(body) }) as CaseEvent;

/** The projection row of a case, by its number or its id. */
export async function findCase(
  store: Store,
  where: { number: string } | { id: string },
  transaction?: Transaction,
): Promise<CaseRow | null> {
  const [sql, value] =
    'id' in where
      ? ['SELECT * FROM cases WHERE id = ?', where.id]
      : ['SELECT * FROM cases WHERE number = ?', where.number];
  return (await select<CaseRow>(store, sql, [value], transaction))[0] ?? null;
}

/** The rows that the queue shows: open ones longest waiting first, the others newest first. */
export function listCases(
  { reads }: Store,
  state: CaseRow['state'],
  { limit = -1, offset = 0 }: { limit?: number; offset?: number } = {},
): Promise<CaseRow[]> {
  const direction = state === 'open' ? 'ASC' : 'DESC';
  return reads.all<CaseRow>(
    `SELECT * FROM cases WHERE state = ? ORDER BY touchedAt ${direction}, number ASC LIMIT ? OFFSET ?`,
    [state, limit, offset],
  );
}

/** Open cases in which a second opinion is waited for from somebody, the longest waiting first. */
export function openAskedOf({ reads }: Store, person: string, limit: number): Promise<CaseRow[]> {
  return reads.all<CaseRow>(
    `SELECT * FROM cases WHERE state = 'open' AND json_array_length(summary, '$.asked') > 0 AND EXISTS
       (SELECT 1 FROM json_each(summary, '$.asked') WHERE value ->> 'to' = ?) ORDER BY touchedAt LIMIT ?`,
    [person, limit],
  );
}

/** Open cases of a style code, the longest waiting first. */
export function openOfStyle({ reads }: Store, styleCode: string, limit: number): Promise<CaseRow[]> {
  return reads.all<CaseRow>(
    `SELECT * FROM cases WHERE state = 'open' AND json_extract(summary, '$.styleCode') = ? ORDER BY touchedAt LIMIT ?`,
    [styleCode, limit],
  );
}

/** The instant of the newest entry of all; empty before the first. */
export async function lastTouched({ sequelize }: Store): Promise<string> {
  const [rows] = await sequelize.query('SELECT MAX(touchedAt) AS last FROM cases');
  return (rows as { last: string | null }[])[0]?.last ?? '';
}

/** All cases, by number. */
export async function listAllCases({ tables }: Store): Promise<CaseRow[]> {
  return (await tables.cases.findAll({ order: [['number', 'ASC']], raw: true })) as unknown as CaseRow[];
}

/** How many cases are in a state. */
export async function countCases({ reads }: Store, state: CaseRow['state']): Promise<number> {
  return (await reads.all<{ n: number }>('SELECT n FROM case_counts WHERE state = ?', [state]))[0]?.n ?? 0;
}

/** The hashes that events have now, by `caseId/seq`, with the numbers of their cases; `hash` is null where one is gone. */
export async function hashesOf(
  { reads }: Store,
  at: { caseId: string; seq: number }[],
): Promise<Map<string, { number: string; hash: string | null }>> {
  const rows = await reads.all<{ caseId: string; seq: number; number: string; hash: string | null }>(
    `SELECT w.value ->> 'caseId' AS caseId, w.value ->> 'seq' AS seq, c.number, e.hash
     FROM json_each(?) w JOIN cases c ON c.id = w.value ->> 'caseId'
     LEFT JOIN case_events e ON e.caseId = c.id AND e.seq = w.value ->> 'seq'`,
    [JSON.stringify(at.map(({ caseId, seq }) => ({ caseId, seq })))],
  );
  return new Map(rows.map(({ caseId, seq, number, hash }) => [`${caseId}/${seq}`, { number, hash }]));
}

/** The whole log of a case, in order. */
export async function readEvents(store: Store, caseId: string, transaction?: Transaction): Promise<CaseEvent[]> {
  const sql = `SELECT id, seq, type, body, at, "by", previous, hash FROM case_events WHERE caseId = ? ORDER BY seq`;
  return (await select<EventRow>(store, sql, [caseId], transaction)).map(toEvent);
}

/** How many events a log has, and the hash of the last: `84 9f…`. */
export async function endOf(store: Store, caseId: string, transaction?: Transaction): Promise<string> {
  const sql = `SELECT COUNT(*) AS n, (SELECT hash FROM case_events WHERE caseId = ? ORDER BY seq DESC LIMIT 1) AS hash
    FROM case_events WHERE caseId = ?`;
  const [row] = await select<{ n: number; hash: string | null }>(store, sql, [caseId, caseId], transaction);
  return `${row?.n} ${row?.hash}`;
}

/** The case in whose log an event stands, wherever that is. */
export async function caseOfEvent({ tables }: Store, id: string, transaction: Transaction): Promise<string | null> {
  const row = (await tables.events.findByPk(id, { raw: true, transaction })) as unknown as EventRow | null;
  return row?.caseId ?? null;
}

/** The highest number given to a case so far, as a figure; 0 where there is none. */
export async function highestNumber({ sequelize }: Store, transaction: Transaction): Promise<number> {
  const [rows] = await sequelize.query('SELECT MAX(CAST(SUBSTR(number, 4) AS INTEGER)) AS highest FROM cases', {
    transaction,
  });
  return (rows as { highest: number | null }[])[0]?.highest ?? 0;
}

/** Renew what the queue shows of a case, unless something was added to it since. */
export async function setSummary(
  { tables }: Store,
  { id, seq, summary }: Pick<CaseRow, 'id' | 'seq' | 'summary'>,
  transaction: Transaction,
): Promise<void> {
  await tables.cases.update({ summary }, { where: { id, seq }, transaction });
}

/**
 * Append events and renew the projection row, in the caller's transaction.
 *
 * @param before the row that the case had; null for a new one
 */
export async function appendEvents(
  store: Store,
  { row, before, events }: { row: CaseRow; before: CaseRow | null; events: CaseEvent[] },
  transaction: Transaction,
): Promise<void> {
  await store.tables.cases.upsert(row, { transaction });
  await indexCase(store, row, before, transaction);
  await store.tables.events.bulkCreate(
    events.map((event) => ({ ...event, caseId: row.id, body: JSON.stringify(event.body) })),
    { transaction },
  );
}
