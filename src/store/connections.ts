import type { Sequelize, Transaction } from 'sequelize';
import type { Database } from 'sqlite3';

/** The part of Sequelize that knows its connections, which its types leave out. */
interface ConnectionManager {
  connections: Record<string, Database | undefined>;
  getConnection(options?: { uuid?: string }): Promise<Database>;
  releaseConnection(connection: Database): unknown;
}

/** How long a statement waits for what another program holds. */
export const BUSY_TIMEOUT_MS = 5000;

/** The connections of a database, by name. */
export const connectionsOf = (sequelize: Sequelize): ConnectionManager =>
  (sequelize as unknown as { connectionManager: ConnectionManager }).connectionManager;

/**
 * Rows of a statement with `?` for each value, by the connection of a transaction itself: Sequelize notes where each was
 * called from, and that costs more than most of them do.
 */
export function ask<R>(transaction: Transaction, sql: string, values: (string | number | null)[]): Promise<R[]> {
  const { connection } = transaction as unknown as { connection: Database };
  return new Promise((resolve, reject) =>
    connection.all<R>(sql, values, (error, rows) => (error ? reject(error) : resolve(rows))),
  );
}
