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
  const sql = 'SELECT (SELECT MAX(rowid) FROM documents) AS own, (SELECT MAX(rowid) FROM foreign_documents) AS others';
  const [row] = await reads.all<{ own: number | null; others: number | null }>(sql, []);
  return `${row?.own}/${row?.others}`;
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
  { tables }: Store,
  kind: DocumentKind,
  { id, revision, hash }: Pick<ForeignDocumentRow, 'id' | 'revision' | 'hash'>,
): Promise<boolean> {
  const where = { kind, id, revision, hash };
  return (await tables.documents.count({ where })) + (await tables.foreignDocuments.count({ where })) > 0;
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
  const revision = (newest?.revision ?? 0) + 1;
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
