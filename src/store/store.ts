import { access, constants, mkdir, stat } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { BUSY_TIMEOUT_MS } from './connections';
import { DocumentBodies } from './documentBodies';
import { lookingWanted, openToLook } from './lookOnly';
import { migrate } from './migrate';
import { photographFiles } from './photographs';
import { type Prepared, prepareReads } from './prepared';
import { StoreProblem, storeProblemOf } from './storeProblem';
import { defineTables, type Tables } from './tables';
import { ATTEMPT_MS, keepWriter } from './writer';

export const DATABASE = 'pinprick.sqlite';

/** An open data directory: the database and where photographs lie. */
export interface Store {
  directory: string;
  sequelize: Sequelize;
  /** Nothing can be kept: the directory cannot be written, or somebody wants to look only. */
  looking: boolean;
  tables: Tables;
  /** What documents hold, by their hash. */
  bodies: DocumentBodies;
  /** For reads that are asked on every keystroke. */
  reads: Prepared;
  /** Run a change in one transaction, after all changes asked for before it. */
  write<T>(change: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/**
 * How often a change is begun that finds another program at its own. Sequelize would wait 100 ms and more each time, SQLite
 * in longer and longer pauses: both come late to what is free for a moment only.
 */
const AGAIN = { match: [/SQLITE_BUSY/], max: BUSY_TIMEOUT_MS / ATTEMPT_MS, backoffBase: 1, backoffExponent: 1 };

/** @returns whether there is a desk in it that can only be looked at */
async function prepareDirectory(directory: string): Promise<boolean> {
  const there = (await stat(join(directory, DATABASE)).catch(() => null)) !== null;
  if (there && lookingWanted()) return true;
  try {
    await mkdir(directory, { recursive: true });
    await access(directory, constants.W_OK | constants.X_OK);
    return false;
  } catch (error) {
    if (there) return true;
    throw new StoreProblem(
      `The data directory ${directory} cannot be written (${(error as NodeJS.ErrnoException).code}). Give this user the right to write there, or choose another one with PINPRICK_DATA.`,
    );
  }
}

/** A database file beside the desk's own, which is only looked at unless said otherwise. The caller closes it. */
export const openCopy = (path: string, purpose: 'toLook' | 'toChange' = 'toLook'): Sequelize =>
  new Sequelize({
    dialect: 'sqlite',
    storage: path,
    logging: false,
    dialectOptions: { mode: purpose === 'toLook' ? sqlite3.OPEN_READONLY : sqlite3.OPEN_READWRITE },
  });

/** An emptied or lost database must not be taken for a new desk. */
async function requireDatabase(root: string): Promise<void> {
  const path = join(root, DATABASE);
  const there = await stat(path).then(
    ({ size }) => size > 0,
    () => false,
  );
  if (there || (await photographFiles({ directory: root })).length === 0) return;
  throw new StoreProblem(
    `${root} holds photographs, and its database is gone or empty. This is no new desk: put ${path} back, or restore a backup into a new folder. Nothing was changed.`,
  );
}

async function openToWrite(root: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(root, DATABASE), logging: false, retry: AGAIN });
  try {
    await sequelize.query('PRAGMA journal_mode = WAL');
    await sequelize.query(`PRAGMA busy_timeout = ${BUSY_TIMEOUT_MS}`);
    await sequelize.query('PRAGMA synchronous = FULL');
    await migrate(sequelize);
    return sequelize;
  } catch (error) {
    await sequelize.close();
    if (error instanceof StoreProblem) throw error;
    const known = storeProblemOf(error)?.message;
    throw new StoreProblem(
      known
        ? `${join(root, DATABASE)}: ${known}`
        : `The database in ${root} cannot be opened: ${(error as Error).message}.`,
    );
  }
}

/**
 * Open a data directory, making and migrating its database as needed: WAL, foreign keys on, busy timeout. One that cannot
 * be written is opened to be looked at.
 *
 * @param directory absolute or relative to the working directory
 * @throws StoreProblem with a sentence for the person who started the program
 */
export async function openStore(directory: string): Promise<Store> {
  const root = resolve(directory);
  const looking = await prepareDirectory(root);
  await requireDatabase(root);
  const sequelize = looking ? await openToLook(join(root, DATABASE)) : await openToWrite(root);

  // SQLite has one writer. Waiting here, in order, is kinder than failing on a lock.
  let last: Promise<unknown> = Promise.resolve();
  let closing = false;
  const forget = keepWriter(sequelize);
  const write: Store['write'] = (change) => {
    if (closing) return Promise.reject(new StoreProblem('The desk is being closed; nothing more is kept.'));
    const turn = last.then(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, change));
    last = turn.catch(forget);
    return turn;
  };
  const reads = prepareReads(sequelize);
  const close = async () => {
    closing = true;
    await last;
    await reads.finalize();
    await sequelize.close();
  };
  return {
    directory: root,
    sequelize,
    looking,
    tables: defineTables(sequelize),
    bodies: new DocumentBodies(),
    reads,
    write,
    close,
  };
}
