import type { Transaction } from 'sequelize';
import type { CodeMet, CodeOutcome, Meeting } from '@/core/casefile/events/codeMet';
import type { RegisterCode, RegisterEntry } from '@/core/crossread/registered';
import type { Store } from './store';
import type { CodeRegisterRow } from './tables';

/** The rows of one code are counted up to here; beyond, the figure tells nothing more. */
const MOST_COUNTED = 1_000;
const MOST_NAMED = 20;

/** The codes that the register holds of a case. */
export async function codesOfCase(
  { tables }: Store,
  caseId: string,
  transaction?: Transaction,
): Promise<RegisterEntry[]> {
  const rows = (await tables.codeRegister.findAll({
    where: { caseId },
    raw: true,
    transaction,
  })) as unknown as CodeRegisterRow[];
  return rows.map(({ caseId: _, shared, outcome: _o, at: _a, ...entry }) => ({ ...entry, shared: shared === 1 }));
}

/** Put the codes of a case in place of those that the register held of it. */
export async function replaceCodes(
  { tables }: Store,
  caseId: string,
  entries: RegisterEntry[],
  outcome: CodeOutcome,
  at: string,
  transaction: Transaction,
): Promise<void> {
  await tables.codeRegister.destroy({ where: { caseId }, transaction });
  const rows = entries.map((entry) => ({ ...entry, shared: entry.shared ? 1 : 0, caseId, outcome, at }));
  await tables.codeRegister.bulkCreate(rows, { transaction });
}

const OTHERS = 'normal = :normal AND fact = :fact AND scope = :scope AND caseId <> :exceptCase';

/** Where a code was met, but for one case: how often, by what came of it, and the newest by number. */
export async function lookUpCode(
  { sequelize }: Store,
  { normal, fact, scope }: RegisterCode,
  exceptCase: string,
  transaction?: Transaction,
): Promise<Pick<CodeMet, 'counts' | 'others'>> {
  const options = { replacements: { normal, fact, scope, exceptCase }, transaction };
  const [counted] = await sequelize.query(
    `SELECT outcome, COUNT(DISTINCT caseId) AS count FROM
       (SELECT outcome, caseId FROM code_register WHERE ${OTHERS} LIMIT ${MOST_COUNTED}) GROUP BY outcome`,
    options,
  );
  const counts: CodeMet['counts'] = { open: 0, genuine: 0, counterfeit: 0, undecided: 0 };
  for (const { outcome, count } of counted as { outcome: CodeOutcome; count: number }[]) counts[outcome] = count;
  if (counted.length === 0) return { counts, others: [] };
  const [others] = await sequelize.query(
    `SELECT c.number, r.place, r.outcome, r.at FROM
       (SELECT * FROM (SELECT * FROM code_register WHERE ${OTHERS} LIMIT ${MOST_COUNTED})
        ORDER BY at DESC, caseId, place LIMIT ${MOST_NAMED}) r
     JOIN cases c ON c.id = r.caseId ORDER BY r.at DESC, c.number, r.place`,
    options,
  );
  return { counts, others: others as Meeting[] };
}

/** The cases that carry a code, but for one. */
export async function casesWithCode(
  { sequelize }: Store,
  { normal, fact, scope }: RegisterCode,
  exceptCase: string,
  transaction?: Transaction,
): Promise<string[]> {
  const [rows] = await sequelize.query(
    `SELECT DISTINCT caseId FROM code_register WHERE ${OTHERS} LIMIT ${MOST_COUNTED}`,
    { replacements: { normal, fact, scope, exceptCase }, transaction },
  );
  return (rows as { caseId: string }[]).map(({ caseId }) => caseId);
}

/** A registered code as the search shows it. */
export interface RegisteredCode
  extends Pick<CodeRegisterRow, 'normal' | 'fact' | 'scope' | 'display' | 'place' | 'at'> {
  number: string;
  shared: boolean;
  outcome: CodeOutcome;
}

/** Registered codes that begin like this, in their order; without a beginning, the newest. */
export async function searchCodes({ sequelize }: Store, beginning: string, limit: number): Promise<RegisteredCode[]> {
  const where = beginning === '' ? '' : 'WHERE r.normal >= :from AND r.normal < :to';
  const order = beginning === '' ? 'r.at DESC, r.normal' : 'r.normal, r.at DESC';
  const [rows] = await sequelize.query(
    `SELECT r.normal, r.fact, r.scope, r.display, r.place, r.at, r.shared, r.outcome, c.number
     FROM code_register r JOIN cases c ON c.id = r.caseId ${where} ORDER BY ${order} LIMIT ${limit}`,
    { replacements: { from: beginning, to: `${beginning}\u{10ffff}` } },
  );
  return (rows as (Omit<RegisteredCode, 'shared'> & { shared: number })[]).map((row) => ({
    ...row,
    shared: row.shared === 1,
  }));
}

/** Counting on beyond this takes time and tells nothing more. */
export const MOST_TOLD = 100_000;

/** How many codes the register holds, counted up to one more than `MOST_TOLD`. */
export async function countCodes({ sequelize }: Store): Promise<number> {
  const [rows] = await sequelize.query(
    `SELECT COUNT(*) AS count FROM (SELECT 1 FROM code_register LIMIT ${MOST_TOLD + 1})`,
  );
  return (rows[0] as { count: number }).count;
}
