import { QueryTypes, type Transaction } from 'sequelize';
import { readGtin } from '@/core/codes/gtin';
import { styleCodeKey } from '@/core/codes/styleCode';
import type { IndexedRelease, IndexedSize, ReleaseIndex } from '@/core/releases/match';
import type { GoodsKind, Release } from '@/core/releases/release';
import type { Store } from './store';
import type { ReleaseIndexRow } from './tables';

const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** The words of a text that are long enough for FTS5's trigram tokenizer. */
const searchable = (text: string): string[] =>
  fold(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length >= 3);

const quoted = (text: string): string => `"${text}"`;
const all = (texts: string[]): string => texts.map(quoted).join(' AND ');
const any = (texts: string[]): string => texts.map(quoted).join(' OR ');

/** Three-letter pieces of each word, as the tokenizer makes them. */
function trigrams(words: string[]): string[] {
  const pieces = new Set<string>();
  for (const word of words) for (let i = 0; i + 3 <= word.length; i++) pieces.add(word.slice(i, i + 3));
  return [...pieces].slice(0, 40);
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
  await tables.releaseSizes.destroy({ where, transaction });
  await tables.releaseIndex.destroy({ where, transaction });
  await sequelize.query('DELETE FROM release_search WHERE releaseId = :releaseId', {
    replacements: where,
    transaction,
  });
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
  const words = fold(`${makerName} ${name} ${colourName} ${styleCode}`);
  await sequelize.query('INSERT INTO release_search (releaseId, words) VALUES (:releaseId, :words)', {
    replacements: { releaseId, words },
    transaction,
  });
}

const toRelease = (row: ReleaseIndexRow): IndexedRelease => {
  const { styleKey: _, sizeKeys, kind, ...rest } = row;
  return { ...rest, kind: kind as GoodsKind, sizeKeys: JSON.parse(sizeKeys) as string[] };
};

/** The index of release sizes in SQLite: GTINs and style keys by B-tree, words by FTS5 trigrams. */
export function releaseIndex({ sequelize }: Store): ReleaseIndex {
  const select = <T extends object>(sql: string, replacements: Record<string, unknown>) =>
    sequelize.query<T>(sql, { replacements, type: QueryTypes.SELECT });
  return {
    async byGtin14(gtin14s) {
      if (gtin14s.length === 0) return [];
      return select<IndexedSize>(
        `SELECT s.gtin14, s.gtin, s.sizeKey, r.releaseId, r.kind, r.makerName, r.name, r.styleCode, r.colourName
         FROM release_sizes s JOIN release_index r USING (releaseId)
         WHERE s.gtin14 IN (:gtin14s) ORDER BY s.gtin14, r.releaseId`,
        { gtin14s },
      );
    },
    async byStyleKey(key) {
      const rows = await select<ReleaseIndexRow>('SELECT * FROM release_index WHERE styleKey = :key', { key });
      return rows.map(toRelease);
    },
    async similar(text, limit) {
      const occurs = async (word: string) => {
        const sql = 'SELECT 1 FROM release_search WHERE release_search MATCH :query LIMIT 1';
        return (await select(sql, { query: quoted(word) })).length > 0;
      };
      const search = async (query: string) => {
        const rows = await select<ReleaseIndexRow>(
          `SELECT r.* FROM (
             SELECT releaseId, rank FROM release_search WHERE release_search MATCH :query ORDER BY rank LIMIT :limit
           ) found JOIN release_index r USING (releaseId) ORDER BY found.rank, r.releaseId`,
          { query, limit },
        );
        return rows.map(toRelease);
      };
      const wanted = searchable(text);
      if (wanted.length === 0) return [];
      // All words as they are is the common case and cheap; only a slip makes it worth weighing the pieces.
      const exact = await search(all(wanted));
      if (exact.length > 0) return exact;
      const known: string[] = [];
      for (const word of wanted) if (await occurs(word)) known.push(word);
      const slips = wanted.filter((word) => !known.includes(word));
      const near =
        slips.length > 0 ? await search([...known.map(quoted), `(${any(trigrams(slips))})`].join(' AND ')) : [];
      return near.length > 0 ? near : search(any(trigrams(wanted)));
    },
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
