import { QueryTypes, type Transaction } from 'sequelize';
import { select } from './select';
import type { Store } from './store';

export interface ConsignmentRow {
  id: string;
  name: string;
  /** What holds for all of its items, as JSON. */
  body: string;
  at: string;
  by: string;
  closedAt: string | null;
  closedBy: string | null;
}

/** A piece of a consignment, and the case that was opened for it. */
export interface ConsignmentItemRow {
  consignment: string;
  n: number;
  /** What the manifest says of it, as JSON. */
  body: string;
  epc: string | null;
  caseId: string | null;
}

/** Begin a consignment; one that is there already stays as it is. */
export async function addConsignment(
  { sequelize }: Store,
  row: Omit<ConsignmentRow, 'closedAt' | 'closedBy'>,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    'INSERT OR IGNORE INTO consignments (id, name, body, at, by) VALUES (:id, :name, :body, :at, :by)',
    { replacements: row, transaction },
  );
}

export async function findConsignment(
  store: Store,
  id: string,
  transaction?: Transaction,
): Promise<ConsignmentRow | null> {
  const [row] = await select<ConsignmentRow>(store, 'SELECT * FROM consignments WHERE id = ?', [id], transaction);
  return row ?? null;
}

/** Consignments, the newest first, with how many pieces each has and how many of its cases still wait. */
export const listConsignments = (
  { reads }: Store,
  limit: number,
): Promise<(ConsignmentRow & { pieces: number; open: number })[]> =>
  reads.all(
    `SELECT c.*, (SELECT COUNT(*) FROM consignment_items i WHERE i.consignment = c.id) AS pieces,
       (SELECT COUNT(*) FROM consignment_items i JOIN cases k ON k.id = i.caseId
         WHERE i.consignment = c.id AND k.state = 'open') AS open
     FROM consignments c ORDER BY at DESC LIMIT ?`,
    [limit],
  );

/** The pieces of a consignment, with the number, state and summary of their cases. */
export const itemsOf = (
  { reads }: Store,
  consignment: string,
): Promise<(ConsignmentItemRow & { number: string | null; state: string | null; summary: string | null })[]> =>
  reads.all(
    `SELECT i.*, k.number, k.state, k.summary FROM consignment_items i LEFT JOIN cases k ON k.id = i.caseId
     WHERE i.consignment = ? ORDER BY i.n`,
    [consignment],
  );

export async function addItem({ sequelize }: Store, row: ConsignmentItemRow, transaction: Transaction): Promise<void> {
  await sequelize.query(
    'INSERT OR IGNORE INTO consignment_items (consignment, n, body, epc, caseId) VALUES (:consignment, :n, :body, :epc, :caseId)',
    { replacements: { ...row }, transaction },
  );
}

/** Close a consignment; false where it was closed before. */
export async function endConsignment(
  { sequelize }: Store,
  { id, at, by }: { id: string; at: string; by: string },
  transaction: Transaction,
): Promise<void> {
  await sequelize.query('UPDATE consignments SET closedAt = :at, closedBy = :by WHERE id = :id AND closedAt IS NULL', {
    replacements: { id, at, by },
    type: QueryTypes.UPDATE,
    transaction,
  });
}

/** How the columns of manifests with such headings were mapped last; null where none came yet. */
export async function knownMapping(store: Store, headings: string[]): Promise<string | null> {
  const rows = await select<{ mapping: string }>(store, 'SELECT mapping FROM csv_mappings WHERE headings = ?', [
    mappingKey(headings),
  ]);
  return rows[0]?.mapping ?? null;
}

/** Manifests and tables of records may have the same headings. */
const mappingKey = (headings: string[]): string => `manifest ${JSON.stringify(headings)}`;

export async function keepMapping(store: Store, headings: string[], mapping: string, at: string): Promise<void> {
  await store.write((transaction) =>
    store.sequelize.query('INSERT OR REPLACE INTO csv_mappings (headings, mapping, at) VALUES (:key, :mapping, :at)', {
      replacements: { key: mappingKey(headings), mapping, at },
      transaction,
    }),
  );
}
