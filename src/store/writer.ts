import type { Sequelize } from 'sequelize';
import { connectionsOf } from './connections';
import type { Store } from './store';

/** So much of the database stays in the writer's memory, in KiB: what one change read, the next one needs again. */
const CACHE_KIB = 16_000;
/** So long a change waits for what another program holds before it is begun anew. */
export const ATTEMPT_MS = 5;
/** After so many pages whoever commits copies the log of changes into the database, and waits for that. */
const LOG_PAGES = 4000;
const LOG_PAGES_IN_BULK = 500;
const WRITER = 'writer';
/** Connections that are no transaction's. */
const STANDING = new Set<string | undefined>([undefined, 'default', 'reads']);

/** A program that writes in bulk copies the log of changes as it goes, so that nobody's save at the bench has to. */
export async function writesInBulk({ write, sequelize }: Pick<Store, 'write' | 'sequelize'>): Promise<void> {
  await write((transaction) => sequelize.query(`PRAGMA wal_autocheckpoint = ${LOG_PAGES_IN_BULK}`, { transaction }));
}

/**
 * Let all transactions have one connection, one after another. Sequelize opens one for each, which has to learn the
 * tables and read every page anew: that costs more than most changes do.
 *
 * @returns a way to let go of it, after what may have left it in the middle of something
 */
export function keepWriter(sequelize: Sequelize): () => Promise<void> {
  const manager = connectionsOf(sequelize);
  const open = manager.getConnection.bind(manager);
  manager.getConnection = async (options) => {
    if (STANDING.has(options?.uuid)) return open(options);
    const isThere = manager.connections[WRITER] !== undefined;
    const connection = await open({ ...options, uuid: WRITER });
    if (!isThere) {
      connection.configure('busyTimeout', ATTEMPT_MS);
      connection.run('PRAGMA synchronous = FULL');
      connection.run(`PRAGMA wal_autocheckpoint = ${LOG_PAGES}`);
      connection.run(`PRAGMA cache_size = -${CACHE_KIB}`);
    }
    return connection;
  };
  manager.releaseConnection = () => undefined;
  return async () => {
    const connection = manager.connections[WRITER];
    delete manager.connections[WRITER];
    await new Promise<void>((done) => (connection ? connection.close(() => done()) : done()));
  };
}
