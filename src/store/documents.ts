import type { Transaction } from 'sequelize';
import { contentHash } from '@/core/casefile/hash';
import type { Revision } from '@/core/releases/release';
import type { Store } from './store';
import type { DocumentRow, ForeignDocumentRow } from './tables';

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

const toRevision = <T>(row: ForeignDocumentRow): Revision<T> => ({
  id: row.id,
  revision: row.revision,
  hash: row.hash,
  body: JSON.parse(row.body) as T,
});

/** The newest revision of a document; null where there is none. */
export async function readDocument<T>(
  { tables }: Store,
  kind: DocumentKind,
  id: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const where = { kind, id };
  const row = await tables.documents.findOne({ where, order: [['revision', 'DESC']], raw: true, transaction });
  return row ? toRevision<T>(row as unknown as DocumentRow) : null;
}

/** One revision of a document; null where there is none. */
export async function readRevision<T>(
  { tables }: Store,
  kind: DocumentKind,
  id: string,
  revision: number,
): Promise<Revision<T> | null> {
  const row = await tables.documents.findOne({ where: { kind, id, revision }, raw: true });
  return row ? toRevision<T>(row as unknown as DocumentRow) : null;
}

/** The very document that a pin names, this desk's own or one that came with an imported case. */
export async function readPinned<T>(
  { tables }: Store,
  kind: DocumentKind,
  hash: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const where = { kind, hash };
  const row =
    (await tables.documents.findOne({ where, raw: true, transaction })) ??
    (await tables.foreignDocuments.findOne({ where, raw: true, transaction }));
  return row ? toRevision<T>(row as unknown as ForeignDocumentRow) : null;
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
  { tables }: Store,
  kind: DocumentKind,
  id: string,
  transaction?: Transaction,
): Promise<Revision<T> | null> {
  const order: [string, string][] = [['revision', 'DESC']];
  const row = await tables.foreignDocuments.findOne({ where: { kind, id }, order, raw: true, transaction });
  return row ? toRevision<T>(row as unknown as ForeignDocumentRow) : null;
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
export async function listDocuments<T>({ sequelize }: Store, kind: DocumentKind): Promise<Revision<T>[]> {
  const [rows] = await sequelize.query(
    `SELECT d.* FROM documents d
     JOIN (SELECT id, MAX(revision) AS revision FROM documents WHERE kind = :kind GROUP BY id) newest
       ON newest.id = d.id AND newest.revision = d.revision
     WHERE d.kind = :kind ORDER BY d.id`,
    { replacements: { kind } },
  );
  return (rows as DocumentRow[]).map((row) => toRevision<T>(row));
}

/** The newest code schemes of a maker: this desk's own, or those that came with an imported case where it has none. */
export async function listSchemes<T>(
  { sequelize }: Store,
  maker: string,
  transaction?: Transaction,
): Promise<Revision<T>[]> {
  const newest = (table: string) => `SELECT * FROM ${table} d
    WHERE kind = 'code-scheme' AND json_extract(body, '$.maker') = :maker AND revision =
      (SELECT MAX(revision) FROM ${table} WHERE kind = 'code-scheme' AND id = d.id) ORDER BY id`;
  for (const table of ['documents', 'foreign_documents']) {
    const [rows] = await sequelize.query(newest(table), { replacements: { maker }, transaction });
    if (rows.length > 0) return (rows as DocumentRow[]).map((row) => toRevision<T>(row));
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
