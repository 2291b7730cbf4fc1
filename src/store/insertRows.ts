import type { Transaction } from 'sequelize';
import { ask } from './connections';

/**
 * Put many rows into a table in one statement: they go over as one text, which SQLite takes apart by itself.
 *
 * @param columns of the table, in the order of the cells
 */
export async function insertRows(
  transaction: Transaction,
  table: string,
  columns: string[],
  rows: (string | number | null)[][],
): Promise<void> {
  if (rows.length === 0) return;
  const values = columns.map((_, i) => `value ->> ${i}`);
  await ask(transaction, `INSERT INTO ${table} (${columns.join(', ')}) SELECT ${values.join(', ')} FROM json_each(?)`, [
    JSON.stringify(rows),
  ]);
}
