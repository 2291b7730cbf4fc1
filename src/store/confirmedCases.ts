import type { Transaction } from 'sequelize';
import type { AnswerPair } from '@/core/checks/secondOpinion';
import type { ConfirmedCase } from '@/core/judgement/confirmedCase';
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
