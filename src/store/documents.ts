import type { Transaction } from 'sequelize';
import { contentHash } from '@/core/casefile/hash';
import type { Revision } from '@/core/releases/release';
import type { DocumentHead } from './documentBodies';
import { select } from './select';
import type { Store } from './store';
import type { ForeignDocumentRow } from './tables';

/** The kinds of reference document, each with its published format. */
export type DocumentKind =
  | 'release'
  | 'maker'
  | 'size-chart'
  | 'code-scheme'
  | 'kind'
  | 'house-rules'
  | 'roster'
  | 'statistics';

type Table = 'documents' | 'foreign_documents';

/** The documents that a condition finds in a table, with their bodies from memory where they are known. */
async function find<T>(
  store: Store,
  table: Table,
  rest: string,
  values: (string | number)[],
  transaction?: Transaction,
): Promise<Revision<T>[]> {
  const heads = await select<DocumentHead>(
    store,
    `SELECT kind, id, revision, hash FROM ${table} d ${rest}`,
    values,
    transaction,
  );
  const text = async ({ kind, id, revision, hash }: DocumentHead): Promise<string> => {
    const sql = `SELECT body FROM ${table} WHERE kind = ? AND id = ? AND revision = ? AND hash = ?`;
    const [row] = await select<{ body: string }>(store, sql, [kind, id, revision, hash], transaction);
    return row?.body ?? 'null';
  };
  return Promise.all(
    heads.map(async (head) => {
      const { id, revision, hash } = head;
      return { id, revision, hash, body: await store.bodies.of<T>(head, () => text(head)) };
    }),
  );
}

/** What is another text whenever any document was added: none is ever changed or taken away. */
export async function documentsState({ reads }: Store): Promise<string> {
  const sql = `SELECT (SELECT MAX(rowid) FROM kept_documents) AS own, (SELECT MAX(rowid) FROM foreign_documents) AS others,
    (SELECT COUNT(*) FROM library_imports WHERE state = 'kept') AS imports`;
  const [row] = await reads.all<{ own: number | null; others: number | null; imports: number }>(sql, []);
  return `${row?.own}/${row?.others}/${row?.imports}`;
}

/** The newest revision of a document; null where there is none. */
export async function readDocument<T>(
  store: Store,
  kind: DocumentKind,
  id: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const rest = 'WHERE kind = ? AND id = ? ORDER BY revision DESC LIMIT 1';
  return (await find<T>(store, 'documents', rest, [kind, id], transaction))[0] ?? null;
}

/** One revision of a document; null where there is none. */
export async function readRevision<T>(
  store: Store,
  kind: DocumentKind,
  id: string,
  revision: number,
): Promise<Revision<T> | null> {
  const rest = 'WHERE kind = ? AND id = ? AND revision = ?';
  return (await find<T>(store, 'documents', rest, [kind, id, revision]))[0] ?? null;
}

/** When each revision of a document was kept, the newest first. */
export function listRevisions(
  { reads }: Store,
  kind: DocumentKind,
  id: string,
): Promise<{ revision: number; createdAt: string }[]> {
  const sql = 'SELECT revision, createdAt FROM documents WHERE kind = ? AND id = ? ORDER BY revision DESC';
  return reads.all(sql, [kind, id]);
}

/** The very document that a pin names, this desk's own or one that came with an imported case. */
export async function readPinned<T>(
  store: Store,
  kind: DocumentKind,
  hash: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const rest = 'WHERE kind = ? AND hash = ? LIMIT 1';
  for (const table of ['documents', 'foreign_documents'] as const) {
    const [found] = await find<T>(store, table, rest, [kind, hash], transaction);
    if (found) return found;
  }
  return null;
}

/** True where a document is kept under that very revision, with that content. */
export async function isKept(
  store: Store,
  kind: DocumentKind,
  { id, revision, hash }: Pick<ForeignDocumentRow, 'id' | 'revision' | 'hash'>,
): Promise<boolean> {
  const rest = 'WHERE kind = ? AND id = ? AND revision = ? AND hash = ?';
  const sql = `SELECT 1 FROM documents ${rest} UNION ALL SELECT 1 FROM foreign_documents ${rest}`;
  const values = [kind, id, revision, hash];
  return (await select(store, sql, [...values, ...values])).length > 0;
}

/** A document that this desk knows only from an imported case; null where it knows none. */
export async function readForeign<T>(
  store: Store,
  kind: DocumentKind,
  id: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const rest = 'WHERE kind = ? AND id = ? ORDER BY revision DESC LIMIT 1';
  return (await find<T>(store, 'foreign_documents', rest, [kind, id], transaction))[0] ?? null;
}

/** Keep a document that an imported case is held against, without making it one of this desk's own. */
export async function keepForeign(
  store: Store,
  kind: DocumentKind,
  { id, revision, hash, body }: Revision<unknown>,
  transaction: Transaction,
): Promise<void> {
  if (await readPinned(store, kind, hash, transaction)) return;
  await store.tables.foreignDocuments.create({ hash, kind, id, revision, body: JSON.stringify(body) }, { transaction });
}

/** Every revision of every document, this desk's own and those that came with imported cases. */
export async function everyDocument({ sequelize }: Store): Promise<ForeignDocumentRow[]> {
  const fields = 'kind, id, revision, hash, body';
  const [rows] = await sequelize.query(
    `SELECT ${fields} FROM documents UNION ALL SELECT ${fields} FROM foreign_documents`,
  );
  return rows as ForeignDocumentRow[];
}

/** The newest revision of every document of a kind, by id. */
export function listDocuments<T>(store: Store, kind: DocumentKind): Promise<Revision<T>[]> {
  const newest = 'SELECT MAX(revision) FROM documents WHERE kind = d.kind AND id = d.id';
  return find<T>(store, 'documents', `WHERE kind = ? AND revision = (${newest}) ORDER BY id`, [kind]);
}

const AT_ONCE = 200;

/** The newest revision of every document of a kind, by id, some read at a time: a library is never whole in memory. */
export async function* eachNewest<T>(
  store: Store,
  kind: DocumentKind,
): AsyncGenerator<Pick<Revision<T>, 'id' | 'body'>> {
  const newest = 'SELECT MAX(revision) FROM documents WHERE kind = d.kind AND id = d.id';
  const sql = `SELECT id, body FROM documents d WHERE kind = ? AND id > ? AND revision = (${newest}) ORDER BY id LIMIT ${AT_ONCE}`;
  for (let after = ''; ; ) {
    const rows = await select<{ id: string; body: string }>(store, sql, [kind, after]);
    for (const { id, body } of rows) yield { id, body: JSON.parse(body) as T };
    if (rows.length < AT_ONCE) return;
    after = rows.at(-1)?.id ?? '';
  }
}

/** The newest code schemes of a maker: this desk's own, or those that came with an imported case where it has none. */
export async function listSchemes<T>(store: Store, maker: string, transaction?: Transaction): Promise<Revision<T>[]> {
  for (const table of ['documents', 'foreign_documents'] as const) {
    const newest = `SELECT MAX(revision) FROM ${table} WHERE kind = 'code-scheme' AND id = d.id`;
    const rest = `WHERE kind = 'code-scheme' AND json_extract(body, '$.maker') = ? AND revision = (${newest}) ORDER BY id`;
    const found = await find<T>(store, table, rest, [maker], transaction);
    if (found.length > 0) return found;
  }
  return [];
}

/** The highest revision of a document, those that an import holds back included; 0 where there is none. */
async function lastRevision(store: Store, kind: DocumentKind, id: string, transaction: Transaction): Promise<number> {
  const sql = 'SELECT MAX(revision) AS last FROM kept_documents WHERE kind = ? AND id = ?';
  const [found] = await select<{ last: number | null }>(store, sql, [kind, id], transaction);
  return found?.last ?? 0;
}

/**
 * Keep a document. An edit makes a new revision; saving what is already the newest changes nothing.
 *
 * @returns the revision under which it is kept
 */
export async function saveDocument<T extends { id: string }>(
  store: Store,
  kind: DocumentKind,
  body: T,
  createdAt: string,
  transaction: Transaction,
): Promise<Revision<T>> {
  const hash = contentHash(body);
  const newest = await readDocument<T>(store, kind, body.id, transaction);
  if (newest?.hash === hash) return newest;
  const revision = (await lastRevision(store, kind, body.id, transaction)) + 1;
  const row = { kind, id: body.id, revision, hash, body: JSON.stringify(body), createdAt };
  await store.tables.documents.create(row, { transaction });
  return { id: body.id, revision, hash, body };
}

/** The checks that the newest release records of a kind add to it, each with the release. */
export async function addedChecks<T>(
  { sequelize }: Store,
  kind: string,
  transaction?: Transaction,
): Promise<{ release: string; check: T }[]> {
  const [rows] = await sequelize.query(
    `SELECT id, json_extract(body, '$.checks.add') AS added FROM documents d
     WHERE kind = 'release' AND json_extract(body, '$.kind') = :kind AND json_array_length(body, '$.checks.add') > 0
       AND revision = (SELECT MAX(revision) FROM documents WHERE kind = 'release' AND id = d.id) ORDER BY id`,
    { replacements: { kind }, transaction },
  );
  return (rows as { id: string; added: string }[]).flatMap(({ id, added }) =>
    (JSON.parse(added) as T[]).map((check) => ({ release: id, check })),
  );
}
