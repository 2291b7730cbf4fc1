import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { readGtin } from '@/core/codes/gtin';
import { styleCodeKey, styleSlips } from '@/core/codes/styleCode';
import { searchWords } from '@/core/crossread/words';
import type { IndexedRelease, IndexedSize, ReleaseIndex } from '@/core/releases/match';
import type { GoodsKind, Release } from '@/core/releases/release';
import { Vocabulary } from '@/core/releases/vocabulary';
import type { Store } from './store';
import type { ReleaseIndexRow } from './tables';

const quoted = (word: string): string => `"${word.replaceAll('"', '')}"`;

/** The words of a release as they are searched for. */
const wordsOf = ({
  makerName,
  name,
  colourName,
  styleCode,
}: Pick<ReleaseIndexRow, 'makerName' | 'name' | 'colourName' | 'styleCode'>): string =>
  searchWords(`${makerName} ${name} ${colourName} ${styleCode}`).join(' ');

/** Write words and slips of releases that stand in release_index. */
async function indexSearch(sequelize: Sequelize, rows: ReleaseIndexRow[], transaction: Transaction): Promise<void> {
  for (const row of rows) {
    const { releaseId, styleKey } = row;
    await sequelize.query(
      'INSERT INTO release_words (rowid, words) SELECT rowid, :words FROM release_index WHERE releaseId = :releaseId',
      { replacements: { releaseId, words: wordsOf(row) }, transaction },
    );
    const slips = styleSlips(styleKey).map((slip) => [slip, releaseId]);
    await sequelize.query(
      `INSERT OR IGNORE INTO style_slips (slip, releaseId) VALUES ${slips.map(() => '(?, ?)').join(', ')}`,
      {
        replacements: slips.flat(),
        transaction,
      },
    );
  }
}

/** Make the search of every release anew. */
export async function indexAllReleases(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await sequelize.query<ReleaseIndexRow>('SELECT * FROM release_index', {
    type: QueryTypes.SELECT,
    transaction,
  });
  await indexSearch(sequelize, rows, transaction);
}

/** Put the sizes and words of a release into the index, in place of what was there. */
export async function indexRelease(
  { sequelize, tables }: Store,
  release: Release,
  makerName: string,
  transaction: Transaction,
): Promise<void> {
  const { id: releaseId, kind, name, styleCode, colourName } = release;
  const where = { releaseId };
  await sequelize.query(
    'DELETE FROM release_words WHERE rowid = (SELECT rowid FROM release_index WHERE releaseId = :releaseId)',
    {
      replacements: where,
      transaction,
    },
  );
  await sequelize.query('DELETE FROM style_slips WHERE releaseId = :releaseId', { replacements: where, transaction });
  await tables.releaseSizes.destroy({ where, transaction });
  await tables.releaseIndex.destroy({ where, transaction });
  const sizeKeys = JSON.stringify(release.sizes.map((size) => size.key));
  const row = { releaseId, kind, makerName, name, styleCode, styleKey: styleCodeKey(styleCode), colourName, sizeKeys };
  await tables.releaseIndex.create(row, { transaction });
  await tables.releaseSizes.bulkCreate(
    release.sizes.map(({ key, gtin }) => ({
      gtin14: readGtin(gtin).readings[0]?.gtin14 ?? gtin.padStart(14, '0'),
      releaseId,
      sizeKey: key,
      gtin,
    })),
    { transaction },
  );
  await indexSearch(sequelize, [row], transaction);
  vocabularies.delete(sequelize);
}

/** The words of a database, kept until it changes. */
const vocabularies = new WeakMap<Sequelize, { version: number; askedAt: number; words: Vocabulary }>();
/** What another process adds may take so long to be found, ms. */
const FRESH_MS = 2_000;

async function vocabularyOf({ sequelize, reads }: Store): Promise<Vocabulary> {
  const kept = vocabularies.get(sequelize);
  if (kept && Date.now() - kept.askedAt < FRESH_MS) return kept.words;
  const [state] = await reads.all<{ data_version: number }>('PRAGMA data_version', []);
  const version = state?.data_version ?? 0;
  if (kept && kept.version === version) {
    kept.askedAt = Date.now();
    return kept.words;
  }
  const rows = await reads.all<{ term: string; doc: number }>('SELECT term, doc FROM release_vocabulary', []);
  const words = new Vocabulary(rows.map(({ term, doc }) => ({ word: term.toUpperCase(), count: doc })));
  vocabularies.set(sequelize, { version, askedAt: Date.now(), words });
  return words;
}

const toRelease = (row: ReleaseIndexRow): IndexedRelease => {
  const { styleKey: _, sizeKeys, kind, ...rest } = row;
  return { ...rest, kind: kind as GoodsKind, sizeKeys: JSON.parse(sizeKeys) as string[] };
};

const SIZE_COLUMNS = 's.gtin14, s.gtin, s.sizeKey, r.releaseId, r.kind, r.makerName, r.name, r.styleCode, r.colourName';
const SIZES = `SELECT ${SIZE_COLUMNS} FROM release_sizes s JOIN release_index r USING (releaseId)
  WHERE s.gtin14 IN (SELECT value FROM json_each(?)) ORDER BY s.gtin14, r.releaseId`;
const BY_STYLE = 'SELECT * FROM release_index WHERE styleKey = ?';
const BY_SLIPS = `SELECT DISTINCT r.* FROM style_slips s JOIN release_index r USING (releaseId)
  WHERE s.slip IN (SELECT value FROM json_each(?)) LIMIT 200`;
const WITH_WORDS = `SELECT r.* FROM release_words w JOIN release_index r ON r.rowid = w.rowid
  WHERE w.release_words MATCH ? LIMIT ?`;

/** The index of release sizes in SQLite: GTINs and style keys by B-tree, words by FTS5, slips by what is left of a code without one character. */
export function releaseIndex(store: Store): ReleaseIndex {
  const { reads } = store;
  const releases = async (sql: string, values: (string | number)[]) =>
    (await reads.all<ReleaseIndexRow>(sql, values)).map(toRelease);
  return {
    byGtin14: async (gtin14s) => (gtin14s.length === 0 ? [] : reads.all<IndexedSize>(SIZES, [JSON.stringify(gtin14s)])),
    byStyleKey: (key) => releases(BY_STYLE, [key]),
    byStyleSlips: (slips) => releases(BY_SLIPS, [JSON.stringify(slips)]),
    vocabulary: () => vocabularyOf(store),
    withWords: (groups, limit) =>
      releases(WITH_WORDS, [groups.map((words) => `(${words.map(quoted).join(' OR ')})`).join(' AND '), limit]),
  };
}

/** Every release, by maker and name. */
export async function browseReleases({ sequelize }: Store, limit: number): Promise<IndexedRelease[]> {
  const rows = await sequelize.query<ReleaseIndexRow>(
    'SELECT * FROM release_index ORDER BY makerName, name, colourName LIMIT :limit',
    { replacements: { limit }, type: QueryTypes.SELECT },
  );
  return rows.map(toRelease);
}
