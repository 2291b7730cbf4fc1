import { QueryTypes, type Transaction } from 'sequelize';
import type { Store } from './store';

/** A kind of goods whose statistics are to be learned anew. */
export interface ToLearn {
  kind: string;
  /** The day from which ages of counterfeits are counted. */
  asOf: string;
  /** Grows with whatever is to be learned; what was learned before the last of it is learned again. */
  mark: number;
}

/** Note that a kind is to be learned, as of a day or the later one that is noted. */
export async function markToLearn({ sequelize }: Store, kind: string, asOf: string, transaction: Transaction) {
  await sequelize.query(
    `INSERT INTO to_learn (kind, asOf, mark) VALUES (:kind, :asOf, 1)
     ON CONFLICT (kind) DO UPDATE SET asOf = MAX(asOf, excluded.asOf), mark = mark + 1`,
    { replacements: { kind, asOf }, transaction },
  );
}

export function listToLearn({ sequelize }: Store): Promise<ToLearn[]> {
  return sequelize.query<ToLearn>('SELECT * FROM to_learn', { type: QueryTypes.SELECT });
}

/** Note that a kind was learned, unless more came since. */
export async function dropToLearn({ sequelize }: Store, { kind, mark }: ToLearn, transaction: Transaction) {
  await sequelize.query('DELETE FROM to_learn WHERE kind = :kind AND mark = :mark', {
    replacements: { kind, mark },
    transaction,
  });
}

/** What confirmed cases say of the checks of a kind, worked out when it was learned last. */
export interface KeptCheckRecords {
  /** All that it rests on, as one text. */
  basis: string;
  body: string;
}

export async function keepCheckRecords(
  { sequelize }: Store,
  kind: string,
  { basis, body }: KeptCheckRecords,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query('INSERT OR REPLACE INTO check_records (kind, basis, body) VALUES (:kind, :basis, :body)', {
    replacements: { kind, basis, body },
    transaction,
  });
}

export async function readKeptCheckRecords({ reads }: Store, kind: string): Promise<KeptCheckRecords | null> {
  const sql = 'SELECT basis, body FROM check_records WHERE kind = ?';
  return (await reads.all<KeptCheckRecords>(sql, [kind]))[0] ?? null;
}
