import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { CaseSummary } from '@/core/judgement/caseSummary';
import type { Store } from './store';
import type { CaseRow } from './tables';

/** Letters and digits alone, so that spaces and hyphens do not matter. */
export const plainText = (text: string): string => text.toUpperCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** What a case is found by. */
function searchText({ number, summary }: Pick<CaseRow, 'number' | 'summary'>): string {
  const { title, colourName, styleCode, seller, notes } = JSON.parse(summary) as Partial<CaseSummary>;
  return plainText(`${number} ${title ?? ''} ${colourName ?? ''} ${styleCode ?? ''} ${seller ?? ''} ${notes ?? ''}`);
}

/** Put what a case is found by into the index, where it changed. */
export async function indexCase(
  { sequelize }: Pick<Store, 'sequelize'>,
  row: Pick<CaseRow, 'id' | 'number' | 'summary'>,
  before: Pick<CaseRow, 'number' | 'summary'> | null,
  transaction: Transaction,
): Promise<void> {
  const text = searchText(row);
  if (before && searchText(before) === text) return;
  const of = '(SELECT rowid FROM cases WHERE id = :id)';
  const replacements = { id: row.id, text };
  if (before) await sequelize.query(`DELETE FROM case_search WHERE rowid = ${of}`, { replacements, transaction });
  await sequelize.query(`INSERT INTO case_search (rowid, text) VALUES (${of}, :text)`, { replacements, transaction });
}

/** Put all cases into the index, for a desk from before there was one. */
export async function indexAllCases(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await sequelize.query<Pick<CaseRow, 'id' | 'number' | 'summary'>>(
    'SELECT id, number, summary FROM cases',
    { type: QueryTypes.SELECT, transaction },
  );
  for (const row of rows) await indexCase({ sequelize }, row, null, transaction);
}

/** Of more that hold a text, the newest are looked at. */
const MOST = 1000;
/** The index knows texts of three characters and more. */
const SHORTEST = 3;

/**
 * Cases that hold a text: those that wait first, the longest waiting before the others, then the newest that are done.
 *
 * @param text letters and digits alone
 */
export function searchCases({ reads }: Store, text: string, limit: number): Promise<CaseRow[]> {
  const order = `ORDER BY CASE state WHEN 'open' THEN 0 WHEN 'sealed' THEN 1 ELSE 2 END,
    CASE state WHEN 'open' THEN touchedAt END, touchedAt DESC LIMIT ?`;
  if (text.length >= SHORTEST) {
    const found = 'SELECT rowid FROM case_search WHERE case_search MATCH ? ORDER BY rowid DESC LIMIT ?';
    return reads.all<CaseRow>(`SELECT * FROM cases WHERE rowid IN (${found}) ${order}`, [`"${text}"`, MOST, limit]);
  }
  if (text === '') return reads.all<CaseRow>(`SELECT * FROM cases WHERE state = 'open' ${order}`, [limit]);
  const newest = `SELECT c.rowid FROM cases c JOIN case_search s ON s.rowid = c.rowid
    WHERE s.text LIKE ? ORDER BY c.rowid DESC LIMIT ?`;
  return reads.all<CaseRow>(`SELECT * FROM cases WHERE rowid IN (${newest}) ${order}`, [`%${text}%`, MOST, limit]);
}
