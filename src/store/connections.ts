import type { Sequelize } from 'sequelize';
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
