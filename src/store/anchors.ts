import { QueryTypes, type Transaction } from 'sequelize';
import type { DayRoot, Head, Signature } from '@/core/trust/statements';
import { select } from './select';
import type { Store } from './store';

export interface DeskKeyRow {
  publicKey: string;
  own: number;
  label: string;
  since: string;
}

export type EventSignatureRow = Signature & { hash: string; caseId: string };
export type DayRootRow = DayRoot & Signature;

/** Keep a public key; one that is known already stays as it is. */
export async function keepKey(store: Store, key: DeskKeyRow, transaction?: Transaction): Promise<void> {
  await store.sequelize.query(
    'INSERT OR IGNORE INTO desk_keys (publicKey, own, label, since) VALUES (:publicKey, :own, :label, :since)',
    { replacements: { ...key }, transaction },
  );
}

export const listKeys = (store: Store, transaction?: Transaction): Promise<DeskKeyRow[]> =>
  select<DeskKeyRow>(store, 'SELECT * FROM desk_keys ORDER BY since', [], transaction);

export async function keepSignatures(
  { sequelize }: Store,
  signatures: EventSignatureRow[],
  transaction: Transaction,
): Promise<void> {
  for (const each of signatures)
    await sequelize.query(
      `INSERT OR IGNORE INTO event_signatures (hash, caseId, publicKey, signature)
       VALUES (:hash, :caseId, :publicKey, :signature)`,
      { replacements: { ...each }, transaction },
    );
}

export const signaturesOf = (store: Store, caseId: string, transaction?: Transaction): Promise<EventSignatureRow[]> =>
  select<EventSignatureRow>(store, 'SELECT * FROM event_signatures WHERE caseId = ?', [caseId], transaction);

/** The newest day that was closed; null before the first. */
export async function newestRoot({ sequelize }: Store, transaction?: Transaction): Promise<DayRootRow | null> {
  const sql = 'SELECT * FROM day_roots ORDER BY day DESC LIMIT 1';
  return (await sequelize.query<DayRootRow>(sql, { type: QueryTypes.SELECT, transaction }))[0] ?? null;
}

export function listRoots({ sequelize }: Store): Promise<DayRootRow[]> {
  return sequelize.query<DayRootRow>('SELECT * FROM day_roots ORDER BY day', { type: QueryTypes.SELECT });
}

/** What a day changed. */
export function headsOfDay({ sequelize }: Store, day: string): Promise<Head[]> {
  return sequelize.query<Head>('SELECT caseId, seq, hash FROM day_heads WHERE day = :day ORDER BY caseId', {
    replacements: { day },
    type: QueryTypes.SELECT,
  });
}

/** The last event of a case that the end of a day signed; null before the first. */
export async function newestHeadOf(
  { reads }: Store,
  caseId: string,
): Promise<{ day: string; seq: number; hash: string } | null> {
  const sql = 'SELECT day, seq, hash FROM day_heads WHERE caseId = ? ORDER BY day DESC LIMIT 1';
  return (await reads.all<{ day: string; seq: number; hash: string }>(sql, [caseId]))[0] ?? null;
}

/** The heads of all cases as they stand. */
export function headsNow({ sequelize }: Store, transaction: Transaction): Promise<Head[]> {
  return sequelize.query<Head>('SELECT id AS caseId, seq, head AS hash FROM cases', {
    type: QueryTypes.SELECT,
    transaction,
  });
}

/** Keep the root of a day with the heads that changed since the day before. */
export async function keepRoot({ sequelize }: Store, root: DayRootRow, transaction: Transaction): Promise<void> {
  await sequelize.query(
    `INSERT INTO day_roots (day, cases, root, previous, publicKey, signature)
     VALUES (:day, :cases, :root, :previous, :publicKey, :signature)`,
    { replacements: { ...root }, transaction },
  );
  await sequelize.query(
    `INSERT INTO day_heads (day, caseId, seq, hash)
     SELECT :day, c.id, c.seq, c.head FROM cases c
     WHERE NOT EXISTS (SELECT 1 FROM day_heads h WHERE h.caseId = c.id AND h.hash = c.head)`,
    { replacements: { day: root.day }, transaction },
  );
}
