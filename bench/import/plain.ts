import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';

/** The tables that an import fills, as the shell writes and reads them. */
const TABLES = ['kept_documents', 'kept_releases', 'release_sizes', 'style_slips'];

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

/**
 * What it costs the sqlite3 shell to put the rows of a database into the same tables of an empty one: seconds of processor.
 *
 * @param full the database with the rows
 * @param empty a copy of one that has the tables; it is filled
 */
export function plainImport(full: string, empty: string, folder: string): number {
  const csv = (table: string) => join(folder, `${table}.csv`);
  const files = [...TABLES, 'release_words'];
  for (const table of TABLES) shell(full, '.mode csv', `.once ${csv(table)}`, `SELECT * FROM ${table}`);
  shell(full, '.mode csv', `.once ${csv('release_words')}`, 'SELECT rowid, words FROM release_words');
  shell(empty, ...files.map((table) => `DELETE FROM ${table}`));
  const { seconds } = shell(
    empty,
    '.mode csv',
    'PRAGMA journal_mode = WAL',
    ...TABLES.map((table) => `.import ${csv(table)} ${table}`),
    'CREATE TEMP TABLE words (a, b)',
    `.import ${csv('release_words')} words`,
    'INSERT INTO release_words (rowid, words) SELECT * FROM words',
  );
  for (const table of files) rmSync(csv(table));
  return seconds;
}
