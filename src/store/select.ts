import type { Transaction } from 'sequelize';
import { ask } from './connections';
import type { Store } from './store';

/** Rows of a query with `?` for each value, in a transaction or outside of one. */
export const select = <R>(
  { reads }: Pick<Store, 'reads'>,
  sql: string,
  values: (string | number)[],
  transaction?: Transaction,
): Promise<R[]> => (transaction ? ask<R>(transaction, sql, values) : reads.all<R>(sql, values));
