import { QueryTypes, type Transaction } from 'sequelize';
import type { Store } from './store';

/** Rows of a query with `?` for each value, in a transaction or outside of one. */
export function select<R>(
  { sequelize, reads }: Store,
  sql: string,
  values: (string | number)[],
  transaction?: Transaction,
): Promise<R[]> {
  if (!transaction) return reads.all<R>(sql, values);
  return sequelize.query(sql, { replacements: values, type: QueryTypes.SELECT, transaction }) as Promise<R[]>;
}
