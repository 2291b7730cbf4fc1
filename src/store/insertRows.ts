import type { Sequelize, Transaction } from 'sequelize';

/**
 * Put many rows into a table in one statement: they go over as one text, which SQLite takes apart by itself.
 *
 * @param columns of the table, in the order of the cells
 */
export async function insertRows(
  sequelize: Sequelize,
  table: string,
  columns: string[],
  rows: (string | number | null)[][],
  transaction: Transaction,
): Promise<void> {
  if (rows.length === 0) return;
  const values = columns.map((_, i) => `value ->> ${i}`);
  await sequelize.query(`INSERT INTO ${table} (${columns.join(', ')}) SELECT ${values.join(', ')} FROM json_each($1)`, {
    bind: [JSON.stringify(rows)],
    transaction,
  });
}
