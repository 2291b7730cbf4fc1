import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** The tables that an import fills, as the shell writes and reads them. */
const TABLES = ['kept_documents', 'kept_releases', 'release_sizes', 'style_slips'];
const WORDS = 'release_words';

const csv = (folder: string, table: string) => join(folder, `${table}.csv`);

function shell(database: string, ...commands: string[]): { stdout: string; seconds: number } {
  // The shell of the system tells what its child cost.
  const quoted = [database, ...commands].map((each) => `'${each.replaceAll("'", "'\\''")}'`).join(' ');
  const { stdout, stderr, status } = spawnSync('bash', ['-c', `TIMEFORMAT='%U %S'; time sqlite3 ${quoted}`], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (status !== 0) throw new Error(stderr.slice(0, 400));
  const [user = 0, system = 0] = (stderr.trim().split('\n').at(-1) ?? '').split(' ').map(Number);
  return { stdout, seconds: user + system };
}

/** Write the rows of a database into a folder, as tables for the shell. */
export function writeTables(full: string, folder: string): void {
  for (const table of TABLES) shell(full, '.mode csv', `.once ${csv(folder, table)}`, `SELECT * FROM ${table}`);
  shell(full, '.mode csv', `.once ${csv(folder, WORDS)}`, `SELECT rowid, words FROM ${WORDS}`);
}

/**
 * What it costs the sqlite3 shell to put those rows into the same tables of an empty database: seconds of processor.
 *
 * @param empty a copy of one that has the tables; it is filled
 * @param folder where the tables were written
 */
export function plainImport(empty: string, folder: string): number {
  shell(empty, ...[...TABLES, WORDS].map((table) => `DELETE FROM ${table}`));
  const { seconds } = shell(
    empty,
    '.mode csv',
    'PRAGMA journal_mode = WAL',
    ...TABLES.map((table) => `.import ${csv(folder, table)} ${table}`),
    'CREATE TEMP TABLE words (a, b)',
    `.import ${csv(folder, WORDS)} words`,
    `INSERT INTO ${WORDS} (rowid, words) SELECT * FROM words`,
  );
  return seconds;
}
