import type { Sequelize } from 'sequelize';
import type { Statement } from 'sqlite3';
import { BUSY_TIMEOUT_MS, connectionsOf } from './connections';
import { StoreProblem } from './storeProblem';

/** Reads that are asked on every keystroke: prepared once, a tenth of what a query through Sequelize costs. */
export interface Prepared {
  /** Rows of a query with `?` for each value; a list of values goes in as JSON, for `json_each(?)`. */
  all<T>(sql: string, values: (string | number)[]): Promise<T[]>;
  /** Let go of the statements, before the database is closed. */
  finalize(): Promise<void>;
}

/**
 * A connection of its own: Sequelize's takes a statement only once all before it have ended, so that under load its
 * statements would never come to their turn beside these. Sequelize closes it with the others; a database in memory has
 * one for all.
 */
const connectionOf = (sequelize: Sequelize) => connectionsOf(sequelize).getConnection({ uuid: 'reads' });

/** Prepared reads on the connection of a database. */
export function prepareReads(sequelize: Sequelize): Prepared {
  const statements = new Map<string, Promise<Statement>>();
  let over = false;
  let connection: ReturnType<typeof connectionOf> | undefined;
  const connect = async () => {
    const database = await connectionOf(sequelize);
    database.configure('busyTimeout', BUSY_TIMEOUT_MS);
    return database;
  };
  const prepare = async (sql: string): Promise<Statement> => {
    connection ??= connect();
    // What failed once is tried anew the next time.
    const database = await connection.catch((error) => {
      connection = undefined;
      throw error;
    });
    return new Promise((resolve, reject) => {
      const statement: Statement = database.prepare(sql, (error) => (error ? reject(error) : resolve(statement)));
    });
  };
  return {
    async all<T>(sql: string, values: (string | number)[]) {
      // What is prepared after the end would keep the database from closing.
      if (over) throw new StoreProblem('The desk is being closed; nothing more is read.');
      const waiting = statements.get(sql) ?? prepare(sql);
      statements.set(sql, waiting);
      const statement = await waiting.catch((error) => {
        statements.delete(sql);
        throw error;
      });
      return new Promise<T[]>((resolve, reject) =>
        statement.all(values, (error: Error | null, rows: T[]) => (error ? reject(error) : resolve(rows))),
      );
    },
    async finalize() {
      over = true;
      const open = await Promise.allSettled(statements.values());
      statements.clear();
      for (const each of open)
        if (each.status === 'fulfilled') await new Promise<void>((resolve) => each.value.finalize(() => resolve()));
    },
  };
}
