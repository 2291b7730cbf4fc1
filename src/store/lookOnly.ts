import { existsSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { requireThisVersion } from './migrate';
import { SHIFTS, SIGN_INS } from './migrations/0007-people';
import { StoreProblem } from './storeProblem';

/** What says that a desk is only looked at, whether its directory can be written or not. */
export const lookingWanted = (): boolean => process.env.PINPRICK_LOOK === '1';

/**
 * A database that nothing is written to. Who signs in to look is held in memory: an empty database with those tables
 * stands before the one that is kept, which is read through it.
 *
 * @throws StoreProblem where it cannot be read
 */
export async function openToLook(path: string): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: ':memory:',
    logging: false,
    dialectOptions: { mode: sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE | sqlite3.OPEN_URI },
  });
  const attach = (how: string) =>
    sequelize.query(`ATTACH '${pathToFileURL(path).href.replaceAll("'", "''")}?${how}' AS kept`);
  try {
    // Where no file can be made beside it, it is read as it lies there; with a journal that is not all of it.
    await attach('mode=ro').then(
      () => sequelize.query('SELECT 1 FROM kept.sqlite_master'),
      (error) => {
        if (existsSync(`${path}-wal`)) throw error;
        return attach('immutable=1');
      },
    );
    await requireThisVersion(sequelize);
    for (const table of [SHIFTS, SIGN_INS]) await sequelize.query(table);
    await sequelize.query('INSERT INTO shifts SELECT * FROM kept.shifts');
    await sequelize.query('INSERT INTO sign_ins SELECT * FROM kept.sign_ins');
  } catch (error) {
    await sequelize.close();
    if (error instanceof StoreProblem) throw error;
    throw new StoreProblem(`The database ${path} cannot even be read: ${(error as Error).message}.`);
  }
  return sequelize;
}
