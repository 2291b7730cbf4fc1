import type { Sequelize } from 'sequelize';
import type { IndexedRelease, IndexedSize, ReleaseIndex } from '@/core/releases/match';
import { Vocabulary } from '@/core/releases/vocabulary';
import type { Store } from './store';

/** A row of the index as it is kept. */
interface ReleaseIndexRow extends Omit<IndexedRelease, 'sizeKeys' | 'retired'> {
  styleKey: string;
  /** JSON array of size keys. */
  sizeKeys: string;
  retired: number;
}

const quoted = (word: string): string => `"${word.replaceAll('"', '')}"`;

/** The words of the records, kept until releases are added. */
const vocabularies = new WeakMap<Sequelize, { state: string; askedAt: number; words: Vocabulary }>();
/** What is added may take so long to be found, ms. */
const FRESH_MS = 2_000;
/** Rows are added by hand, or by an import that is kept as a whole; what it puts beside them until then is not seen. */
const STATE = `SELECT COALESCE((SELECT MAX(row) FROM kept_releases WHERE import = 0), 0) || '/' ||
  (SELECT COUNT(*) FROM library_imports WHERE state = 'kept') AS state`;

async function vocabularyOf({ sequelize, reads }: Store): Promise<Vocabulary> {
  const kept = vocabularies.get(sequelize);
  if (kept && Date.now() - kept.askedAt < FRESH_MS) return kept.words;
  const [now] = await reads.all<{ state: string | null }>(STATE, []);
  const state = now?.state ?? '';
  if (kept && kept.state === state) {
    kept.askedAt = Date.now();
    return kept.words;
  }
  const rows = await reads.all<{ term: string; doc: number }>('SELECT term, doc FROM release_vocabulary', []);
  const words = new Vocabulary(rows.map(({ term, doc }) => ({ word: term.toUpperCase(), count: doc })));
  vocabularies.set(sequelize, { state, askedAt: Date.now(), words });
  return words;
}

const toRelease = (row: ReleaseIndexRow): IndexedRelease => {
  const { releaseId, kind, makerName, name, styleCode, colourName, sizeKeys, retired } = row;
  const release = {
    releaseId,
    kind,
    makerName,
    name,
    styleCode,
    colourName,
    sizeKeys: JSON.parse(sizeKeys) as string[],
  };
  return retired ? { ...release, retired: true } : release;
};

const SIZE_COLUMNS =
  's.gtin14, s.gtin, s.sizeKey, r.releaseId, r.kind, r.makerName, r.name, r.styleCode, r.colourName, r.retired';
const SIZES = `SELECT ${SIZE_COLUMNS} FROM release_sizes s JOIN release_index r USING (row)
  WHERE s.gtin14 IN (SELECT value FROM json_each(?)) ORDER BY s.gtin14, r.releaseId`;
const BY_STYLE = 'SELECT * FROM release_index WHERE styleKey = ?';
const BY_SLIPS = `SELECT DISTINCT r.* FROM style_slips s JOIN release_index r USING (row)
  WHERE s.slip IN (SELECT value FROM json_each(?)) LIMIT 200`;
const WITH_WORDS = `SELECT r.* FROM release_words w JOIN release_index r ON r.row = w.rowid
  WHERE w.release_words MATCH ? LIMIT ?`;

/** The index of release sizes in SQLite: GTINs and style keys by B-tree, words by FTS5, slips by what is left of a code without one character. */
export function releaseIndex(store: Store): ReleaseIndex {
  const { reads } = store;
  const releases = async (sql: string, values: (string | number)[]) =>
    (await reads.all<ReleaseIndexRow>(sql, values)).map(toRelease);
  return {
    byGtin14: async (gtin14s) =>
      gtin14s.length === 0
        ? []
        : (await reads.all<Omit<IndexedSize, 'retired'> & { retired: number }>(SIZES, [JSON.stringify(gtin14s)])).map(
            ({ retired, ...size }) => (retired ? { ...size, retired: true } : size),
          ),
    byStyleKey: (key) => releases(BY_STYLE, [key]),
    byStyleSlips: (slips) => releases(BY_SLIPS, [JSON.stringify(slips)]),
    vocabulary: () => vocabularyOf(store),
    withWords: (groups, limit) =>
      releases(WITH_WORDS, [groups.map((words) => `(${words.map(quoted).join(' OR ')})`).join(' AND '), limit]),
  };
}

/** What a list of releases is narrowed to: those that fit in one of these ways. */
export interface Narrowing {
  /** Beginnings of words, every one of which a release has, see `searchWords`. */
  words: string[];
  /** How a style code begins, see `styleCodeKey`. */
  styleKey: string;
  gtin14s: string[];
}

// Those that are out of use are not among the words, see `addToIndex`.
const HITS = `WITH hits(row) AS (
  SELECT rowid FROM release_words WHERE release_words MATCH ?
  UNION SELECT row FROM kept_releases WHERE styleKey >= ? AND styleKey < ?
  UNION SELECT row FROM release_sizes WHERE gtin14 IN (SELECT value FROM json_each(?))
  UNION SELECT row FROM kept_releases WHERE retired = 1 AND NOT EXISTS (SELECT 1 FROM json_each(?) WHERE
    instr(upper(makerName || ' ' || name || ' ' || colourName || ' ' || styleCode), value) = 0))`;

/** What finds the rows of a narrowing, with the values that go into it; null where it narrows nothing. */
function hitsOf({ words, styleKey, gtin14s }: Narrowing): { sql: string; values: string[] } | null {
  if (words.length === 0 && styleKey === '') return null;
  // A text of signs alone is the beginning of nothing.
  const begins = (text: string) => text || '\uffff';
  const match = words.map((word) => `${quoted(word)}*`).join(' AND ') || '""';
  const code = begins(styleKey);
  const inFull = words.length > 0 ? words : [begins('')];
  return { sql: HITS, values: [match, code, `${code}\uffff`, JSON.stringify(gtin14s), JSON.stringify(inFull)] };
}

/** A stretch of the releases, by maker and name. */
export async function browseReleases(
  { reads }: Store,
  narrowing: Narrowing,
  { limit, offset }: { limit: number; offset: number },
): Promise<IndexedRelease[]> {
  const hits = hitsOf(narrowing);
  const rows = await reads.all<ReleaseIndexRow>(
    `${hits?.sql ?? ''} SELECT r.* FROM release_index r ${hits ? 'WHERE r.row IN hits' : ''}
      ORDER BY r.makerName, r.name, r.colourName, r.row LIMIT ? OFFSET ?`,
    [...(hits?.values ?? []), limit, offset],
  );
  return rows.map(toRelease);
}

/** How many releases there are. */
export async function countReleases({ reads }: Store, narrowing: Narrowing): Promise<number> {
  const hits = hitsOf(narrowing);
  const from = hits ? 'hits JOIN release_index USING (row)' : 'release_index';
  const [found] = await reads.all<{ n: number }>(
    `${hits?.sql ?? ''} SELECT COUNT(*) AS n FROM ${from}`,
    hits?.values ?? [],
  );
  return found?.n ?? 0;
}
