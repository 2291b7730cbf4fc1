import type { Transaction } from 'sequelize';
import type { Came, Found, ImportState, LibraryEntry } from '@/core/library/libraryImport';
import { ask } from './connections';
import { addToIndex, dropFromIndex, type ToIndex } from './indexRelease';
import { insertRows } from './insertRows';
import { select } from './select';
import type { Store } from './store';

export const NOTHING_FOUND: Found = {
  new: 0,
  changed: 0,
  unchanged: 0,
  refused: 0,
  noted: 0,
  read: 0,
  bytes: 0,
  trouble: null,
  cleared: false,
  restated: [],
  seal: null,
};

export interface LibraryImport {
  id: number;
  /** Its file in the data directory, and the name that it came under. */
  file: string;
  name: string;
  state: ImportState;
  /** What the desk needs to read it, as JSON. */
  job: string;
  by: string;
  at: string;
  /** The last document that was there when it began. */
  since: number;
  /** So many entries of the file are staged. */
  taken: number;
  found: Found;
}

type ImportRow = Omit<LibraryImport, 'found'> & { found: string };

const toImport = (row: ImportRow): LibraryImport => ({ ...row, found: JSON.parse(row.found) as Found });

/** An entry as it is staged; `document` where it brings one. */
export interface Staged extends LibraryEntry {
  document: { hash: string; body: string; source: string | null } | null;
  index: ToIndex | null;
}

/** Begin an import; its rows stay hidden until it is kept. */
export async function beginImport(
  store: Store,
  { file, name, job, by, at, bytes }: Pick<LibraryImport, 'file' | 'name' | 'job' | 'by' | 'at'> & { bytes: number },
  transaction: Transaction,
): Promise<number> {
  await store.sequelize.query(
    `INSERT INTO library_imports (file, name, state, job, by, at, since, taken, found)
      VALUES ($1, $2, 'staging', $3, $4, $5, (SELECT COALESCE(MAX(rowid), 0) FROM kept_documents), 0, $6)`,
    { bind: [file, name, job, by, at, JSON.stringify({ ...NOTHING_FOUND, bytes })], transaction },
  );
  const [row] = await select<{ id: number }>(store, 'SELECT MAX(id) AS id FROM library_imports', [], transaction);
  return row?.id ?? 0;
}

/** The imports, the newest first. */
export async function listImports(store: Store, limit = 20): Promise<LibraryImport[]> {
  return (await select<ImportRow>(store, 'SELECT * FROM library_imports ORDER BY id DESC LIMIT ?', [limit])).map(
    toImport,
  );
}

/** One import; null where there is none. */
export async function readImport(store: Store, id: number, transaction?: Transaction): Promise<LibraryImport | null> {
  const [row] = await select<ImportRow>(store, 'SELECT * FROM library_imports WHERE id = ?', [id], transaction);
  return row ? toImport(row) : null;
}

/** Change how an import stands. */
export async function setImport(
  id: number,
  { state, taken, found }: Partial<Pick<LibraryImport, 'state' | 'taken' | 'found'>>,
  transaction: Transaction,
): Promise<void> {
  const set: [string, string | number][] = [];
  if (state !== undefined) set.push(['state', state]);
  if (taken !== undefined) set.push(['taken', taken]);
  if (found !== undefined) set.push(['found', JSON.stringify(found)]);
  await ask(transaction, `UPDATE library_imports SET ${set.map(([name]) => `${name} = ?`).join(', ')} WHERE id = ?`, [
    ...set.map(([, value]) => value),
    id,
  ]);
}

/** How a document stands before an import: the newest that is seen; null where there is none. */
export interface Standing {
  kind: string;
  id: string;
  revision: number | null;
  hash: string | null;
  source: string | null;
}

/** How the documents of these kinds and ids stand, in their order. */
export function standingOf(store: Store, names: [kind: string, id: string][], transaction?: Transaction) {
  return select<Standing>(
    store,
    `SELECT w.value ->> 0 AS kind, w.value ->> 1 AS id, d.revision, d.hash, d.source FROM json_each(?) w LEFT JOIN documents d ON d.kind = w.value ->> 0 AND d.id = w.value ->> 1
        AND d.revision = (SELECT MAX(revision) FROM documents WHERE kind = w.value ->> 0 AND id = w.value ->> 1)
      ORDER BY w.key`,
    [JSON.stringify(names)],
    transaction,
  );
}

/** Releases that have these barcode numbers already, or by the same import. */
export function ownersOf(store: Store, gtin14s: string[], imported: number, transaction?: Transaction) {
  return select<{ gtin14: string; releaseId: string; name: string; colourName: string; sizeKey: string }>(
    store,
    `SELECT s.gtin14, r.releaseId, r.name, r.colourName, s.sizeKey FROM json_each(?) w
      JOIN release_sizes s ON s.gtin14 = w.value JOIN kept_releases r ON r.row = s.row
      WHERE r.import = ? OR r.import NOT IN (SELECT id FROM library_imports WHERE state <> 'kept')`,
    [JSON.stringify(gtin14s), imported],
    transaction,
  );
}

/** Put a batch of entries beside what is kept, hidden, with how far the import has come. */
export async function stage(
  id: number,
  { entries, createdAt, taken, found }: { entries: Staged[]; createdAt: string; taken: number; found: Found },
  transaction: Transaction,
): Promise<void> {
  const documents = entries.flatMap(({ kind, id: name, document }) =>
    document ? [[kind, name, document.hash, document.body, createdAt, id, document.source]] : [],
  );
  const lines = entries
    .filter(({ came }) => came !== 'unchanged')
    .map(({ n, line, kind, id: name, came, reason }) => [id, n, line, kind, name, came, reason]);
  // Bodies are long: as values of their own they go over in half the time that it takes to wrap them into one text.
  if (documents.length > 0)
    await ask(
      transaction,
      `INSERT INTO kept_documents (kind, id, hash, body, createdAt, import, source, revision)
        SELECT *, (SELECT COALESCE(MAX(revision), 0) + 1 FROM kept_documents k WHERE k.kind = column1 AND k.id = column2)
        FROM (VALUES ${documents.map(() => '(?, ?, ?, ?, ?, ?, ?)').join()})`,
      documents.flat(),
    );
  const columns = ['import', 'n', 'line', 'kind', 'id', 'came', 'reason'];
  await insertRows(transaction, 'library_entries', columns, lines);
  await addToIndex(
    entries.flatMap(({ index }) => (index ? [index] : [])),
    id,
    transaction,
  );
  await setImport(id, { taken, found }, transaction);
}

/** Entries of an import, in their order. */
export function listEntries(
  store: Store,
  id: number,
  { came, noted, after, limit }: { came: Came | null; noted: boolean; after: number; limit: number },
): Promise<LibraryEntry[]> {
  const conditions = [
    'import = ?',
    'n > ?',
    ...(came ? ['came = ?'] : []),
    ...(noted ? ["came NOT IN ('refused', 'left out') AND reason <> ''"] : []),
  ];
  const values = [id, after, ...(came ? [came] : []), limit];
  const sql = `SELECT n, line, kind, id, came, reason FROM library_entries WHERE ${conditions.join(' AND ')} ORDER BY n LIMIT ?`;
  return select<LibraryEntry>(store, sql, values);
}

/** A document as an import brings it; null where it brings none of that name. */
export async function stagedBody<T>(store: Store, id: number, kind: string, name: string): Promise<T | null> {
  const [row] = await select<{ body: string }>(
    store,
    'SELECT body FROM kept_documents WHERE kind = ? AND id = ? AND import = ? ORDER BY revision DESC LIMIT 1',
    [kind, name, id],
  );
  return row ? (JSON.parse(row.body) as T) : null;
}

async function takeBack(
  { sequelize }: Store,
  condition: string,
  bind: (string | number)[],
  transaction: Transaction,
): Promise<number> {
  const [found] = await sequelize.query(
    `SELECT rowid AS row, kind, id, import FROM kept_documents WHERE ${condition}`,
    {
      bind,
      transaction,
    },
  );
  const rows = found as { row: number; kind: string; id: string; import: number }[];
  if (rows.length === 0) return 0;
  const releases = rows.filter(({ kind }) => kind === 'release').map(({ id, import: of }) => [id, of]);
  const [index] = await sequelize.query(
    `SELECT r.row FROM json_each($1) w JOIN kept_releases r ON r.releaseId = w.value ->> 0 AND r.import = w.value ->> 1`,
    { bind: [JSON.stringify(releases)], transaction },
  );
  await dropFromIndex(
    sequelize,
    (index as { row: number }[]).map(({ row }) => row),
    transaction,
  );
  await sequelize.query('DELETE FROM kept_documents WHERE rowid IN (SELECT value FROM json_each($1))', {
    bind: [JSON.stringify(rows.map(({ row }) => row))],
    transaction,
  });
  return rows.length;
}

/** Leave entries of a staged import out of it. Returns what is found of it now. */
export async function leaveOut(
  store: Store,
  { id, found }: LibraryImport,
  numbers: number[],
  transaction: Transaction,
): Promise<Found> {
  const listed = JSON.stringify(numbers);
  const [counted] = await store.sequelize.query(
    `SELECT COUNT(*) FILTER (WHERE came = 'new') AS new, COUNT(*) FILTER (WHERE came = 'changed') AS changed,
        COUNT(*) FILTER (WHERE came IN ('new', 'changed') AND reason <> '') AS noted
      FROM library_entries WHERE import = $1 AND n IN (SELECT value FROM json_each($2))`,
    { bind: [id, listed], transaction },
  );
  const gone = (counted as Pick<Found, 'new' | 'changed' | 'noted'>[])[0] ?? { new: 0, changed: 0, noted: 0 };
  await takeBack(
    store,
    `import = $1 AND (kind, id) IN (SELECT kind, id FROM library_entries WHERE import = $1 AND n IN (SELECT value FROM json_each($2)))`,
    [id, listed],
    transaction,
  );
  await store.sequelize.query(
    `UPDATE library_entries SET came = 'left out' WHERE import = $1 AND n IN (SELECT value FROM json_each($2))`,
    { bind: [id, listed], transaction },
  );
  const next: Found = {
    ...found,
    new: found.new - gone.new,
    changed: found.changed - gone.changed,
    noted: found.noted - gone.noted,
    leftOut: (found.leftOut ?? 0) + gone.new + gone.changed,
  };
  await setImport(id, { found: next }, transaction);
  return next;
}

/** Documents that were edited by hand since an import began, and that it would bring too: the edit stands. */
export async function editedMeanwhile(store: Store, id: number, since: number, transaction: Transaction) {
  const [rows] = await store.sequelize.query(
    `SELECT DISTINCT e.n, e.kind, e.id FROM kept_documents d JOIN library_entries e
        ON e.import = $1 AND e.kind = d.kind AND e.id = d.id AND e.came IN ('new', 'changed')
      WHERE d.rowid > $2 AND d.import = 0`,
    { bind: [id, since], transaction },
  );
  return rows as { n: number; kind: string; id: string }[];
}

/** Take away some of what an import brought that was not kept. Returns how many documents; 0 where it is all gone. */
export async function clearDropped(store: Store, id: number, limit: number, transaction: Transaction): Promise<number> {
  const gone = await takeBack(
    store,
    `rowid IN (SELECT rowid FROM kept_documents WHERE import = $1 LIMIT $2)`,
    [id, limit],
    transaction,
  );
  if (gone === 0)
    await store.sequelize.query('DELETE FROM library_entries WHERE import = $1', { bind: [id], transaction });
  return gone;
}

/**
 * Clear away some rows of the index in front of which an import has put newer ones.
 *
 * @param after the row of the import up to which it is done; 0 at first
 * @returns where to go on; null where it is done
 */
export async function clearSuperseded(
  store: Store,
  id: number,
  { after, limit }: { after: number; limit: number },
  transaction: Transaction,
): Promise<number | null> {
  const found = await select<{ row: number; older: number | null }>(
    store,
    `SELECT n.row, (SELECT o.row FROM kept_releases o WHERE o.releaseId = n.releaseId AND o.import < n.import) AS older
      FROM kept_releases n WHERE n.row > ? AND n.import = ? ORDER BY n.row LIMIT ?`,
    [after, id, limit],
    transaction,
  );
  const older = found.flatMap((each) => (each.older === null ? [] : [each.older]));
  await dropFromIndex(store.sequelize, older, transaction);
  return found.at(-1)?.row ?? null;
}

/** The mapping of columns that was used last for a file with these headings; null where there was none. */
export async function readMapping(store: Store, headings: string): Promise<string | null> {
  const [row] = await select<{ mapping: string }>(store, 'SELECT mapping FROM csv_mappings WHERE headings = ?', [
    headings,
  ]);
  return row?.mapping ?? null;
}

export async function keepMapping(
  store: Store,
  { headings, mapping, at }: { headings: string; mapping: string; at: string },
  transaction: Transaction,
): Promise<void> {
  await store.sequelize.query('INSERT OR REPLACE INTO csv_mappings (headings, mapping, at) VALUES ($1, $2, $3)', {
    bind: [headings, mapping, at],
    transaction,
  });
}

/** Size keys of releases that a chart is used for: release to the keys that it has. */
export function releasesOfChart(store: Store, chart: string, transaction?: Transaction) {
  return select<{ releaseId: string; name: string; colourName: string; sizeKeys: string }>(
    store,
    'SELECT releaseId, name, colourName, sizeKeys FROM release_index WHERE chart = ?',
    [chart],
    transaction,
  );
}
