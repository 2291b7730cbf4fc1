import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Migration } from './migration';
import { firstTables } from './migrations/0001-first-tables';
import { codeRegister } from './migrations/0002-code-register';
import { registerByTime } from './migrations/0003-register-by-time';
import { confirmedCases } from './migrations/0004-confirmed-cases';
import { searchByWords } from './migrations/0005-search-by-words';
import { anchors } from './migrations/0006-anchors';
import { people } from './migrations/0007-people';
import { growth } from './migrations/0008-growth';
import { sealedCases } from './migrations/0009-sealed-cases';
import { library } from './migrations/0010-library';
import { day } from './migrations/0011-day';
import { choices } from './migrations/0012-choices';
import { byHand } from './migrations/0013-by-hand';
import { sealedLines } from './migrations/0014-sealed-lines';
import { StoreProblem } from './storeProblem';

const MIGRATIONS: Migration[] = [
  firstTables,
  codeRegister,
  registerByTime,
  confirmedCases,
  searchByWords,
  anchors,
  people,
  growth,
  sealedCases,
  library,
  day,
  choices,
  byHand,
  sealedLines,
];

/** @throws StoreProblem where a database is not of this very version, and cannot be brought up to it */
export async function requireThisVersion(sequelize: Sequelize): Promise<void> {
  const [rows] = await sequelize.query('SELECT name FROM SequelizeMeta ORDER BY name');
  const names = (rows as { name: string }[]).map(({ name }) => name);
  if (names.join() !== MIGRATIONS.map(({ name }) => name).join())
    throw new StoreProblem(
      'The database is of another version of Pinprick. To be looked at by this one it has to be brought up to date, which writes to it; copy it to a directory that can be written.',
    );
}

/**
 * Bring the database up to this version.
 *
 * @throws StoreProblem where it was made by a newer version, which this one could only damage
 */
export async function migrate(sequelize: Sequelize): Promise<void> {
  const storage = new SequelizeStorage({ sequelize });
  const umzug = new Umzug({
    context: sequelize,
    storage,
    logger: undefined,
    migrations: MIGRATIONS.map(({ name, statements, fill }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          for (const statement of statements) await sequelize.query(statement, { transaction });
          await fill?.(sequelize, transaction);
        }),
    })),
  });
  const known = new Set(MIGRATIONS.map(({ name }) => name));
  // The storage lists every step that was ever taken; umzug itself would pass over those it does not know.
  const unknown = (await storage.executed()).filter((name) => !known.has(name));
  if (unknown.length > 0) {
    throw new StoreProblem(
      `The database was made by a newer version of Pinprick (it has “${unknown.at(-1)}”, which this version does not know). Start the newer version, or choose another data directory with PINPRICK_DATA.`,
    );
  }
  await umzug.up();
}
