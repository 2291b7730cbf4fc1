import type { Transaction } from 'sequelize';
import type { AnswerPair } from '@/core/checks/secondOpinion';
import type { ConfirmedCase, SealedCase } from '@/core/judgement/confirmedCase';
import type { Store } from './store';
import type { ConfirmedCaseRow, SecondOpinionRow } from './tables';

/** Keep what a case teaches, in place of what it taught before. */
export async function keepConfirmed(
  { tables }: Store,
  caseId: string,
  confirmed: ConfirmedCase,
  transaction: Transaction,
): Promise<void> {
  const row = { caseId, kind: confirmed.kind, at: confirmed.at, body: JSON.stringify(confirmed) };
  await tables.confirmedCases.upsert(row, { transaction });
}

/** Keep what a sealed case showed whose truth nobody knows, in place of what it showed before. */
export async function keepSealed(
  { sequelize }: Store,
  caseId: string,
  sealed: SealedCase,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    'INSERT OR REPLACE INTO sealed_cases (caseId, kind, at, body) VALUES (:caseId, :kind, :at, :body)',
    {
      replacements: { caseId, kind: sealed.kind, at: sealed.at, body: JSON.stringify(sealed) },
      transaction,
    },
  );
}

/** A case is open again, or its truth is known. */
export async function dropSealed({ sequelize }: Store, caseId: string, transaction: Transaction): Promise<void> {
  await sequelize.query('DELETE FROM sealed_cases WHERE caseId = :caseId', { replacements: { caseId }, transaction });
}

/** Sealed cases of a kind whose truth nobody knows, the oldest first. */
export async function listSealed({ reads }: Store, kind: string): Promise<SealedCase[]> {
  const sql = 'SELECT body FROM sealed_cases WHERE kind = ? ORDER BY at, caseId';
  return (await reads.all<{ body: string }>(sql, [kind])).map(({ body }) => JSON.parse(body) as SealedCase);
}

/** Kinds of goods of which something was sealed before a day and since they were learned last. */
export async function kindsToRelearn({ reads }: Store, today: string): Promise<string[]> {
  const rows = await reads.all<{ kind: string }>(
    `SELECT kind FROM sealed_cases AS sealed WHERE at < ? GROUP BY kind HAVING MAX(at) >=
      (SELECT MAX(json_extract(body, '$.asOf')) FROM documents WHERE kind = 'statistics' AND id = sealed.kind)`,
    [today],
  );
  return rows.map(({ kind }) => kind);
}

/** The confirmed cases of a kind of goods, or of all kinds, the oldest first. */
export async function listConfirmed(
  { tables }: Store,
  kind: string | null,
  transaction?: Transaction,
): Promise<ConfirmedCase[]> {
  const rows = (await tables.confirmedCases.findAll({
    where: kind === null ? {} : { kind },
    order: [
      ['at', 'ASC'],
      ['caseId', 'ASC'],
    ],
    raw: true,
    transaction,
  })) as unknown as ConfirmedCaseRow[];
  return rows.map(({ body }) => JSON.parse(body) as ConfirmedCase);
}

/** The newest confirmed cases, the newest first. */
export async function newestConfirmed({ reads }: Store, most: number): Promise<ConfirmedCase[]> {
  const sql = 'SELECT body FROM confirmed_cases ORDER BY at DESC, caseId LIMIT ?';
  return (await reads.all<{ body: string }>(sql, [most])).map(({ body }) => JSON.parse(body) as ConfirmedCase);
}

/** Keep the pairs of answers of a second opinion. */
export async function keepPairs(
  { tables }: Store,
  opinionId: string,
  caseId: string,
  at: string,
  pairs: AnswerPair[],
  transaction: Transaction,
): Promise<void> {
  await tables.secondOpinions.upsert({ opinionId, caseId, at, pairs: JSON.stringify(pairs) }, { transaction });
}

/** All pairs of answers, the oldest first. */
export async function listPairs({ tables }: Store): Promise<{ at: string; pairs: AnswerPair[] }[]> {
  const rows = (await tables.secondOpinions.findAll({
    order: [['at', 'ASC']],
    raw: true,
  })) as unknown as SecondOpinionRow[];
  return rows.map(({ at, pairs }) => ({ at, pairs: JSON.parse(pairs) as AnswerPair[] }));
}
