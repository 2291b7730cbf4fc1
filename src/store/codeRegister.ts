import { Op, type Transaction } from 'sequelize';
import type { CodeMet, CodeOutcome, Meeting } from '@/core/casefile/event';
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

/** Where a code was met, but for one case: how often, by what came of it, and the newest by number. */
export async function lookUpCode(
  { sequelize }: Store,
  { normal, fact, scope }: RegisterCode,
  exceptCase: string,
  transaction?: Transaction,
): Promise<Pick<CodeMet, 'counts' | 'others'> & { cases: string[] }> {
  const [rows] = await sequelize.query(
    `SELECT r.caseId, c.number, r.place, r.outcome, r.at FROM
       (SELECT * FROM code_register WHERE normal = :normal AND fact = :fact AND scope = :scope AND caseId <> :exceptCase
        LIMIT ${MOST_COUNTED}) r JOIN cases c ON c.id = r.caseId ORDER BY r.at DESC, c.number, r.place`,
    { replacements: { normal, fact, scope, exceptCase }, transaction },
  );
  const found = rows as (Meeting & { caseId: string })[];
  const counts: CodeMet['counts'] = { open: 0, genuine: 0, counterfeit: 0, undecided: 0 };
  const seen = new Set<string>();
  for (const { caseId, outcome } of found) {
    if (seen.has(caseId)) continue;
    seen.add(caseId);
    counts[outcome]++;
  }
  const others = found.slice(0, MOST_NAMED).map(({ number, place, outcome, at }) => ({ number, place, outcome, at }));
  return { counts, others, cases: [...seen] };
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

/** How many codes the register holds. */
export function countCodes({ tables }: Store): Promise<number> {
  return tables.codeRegister.count({ where: { normal: { [Op.gte]: '' } } });
}
