import type { Migration } from '../migration';

/** The last value of a field of the circumstances of a case. */
const CIRCUMSTANCE = (
  field: string,
) => `(SELECT COALESCE(json_extract(body, '$.${field}'), json_extract(body, '$.circumstances.${field}'))
  FROM case_events WHERE caseId = cases.id AND type IN ('opened', 'circumstancesStated') ORDER BY seq DESC LIMIT 1)`;

/** What the day at the bench is planned by: sellers, consignments, and what pictures look like. */
export const day: Migration = {
  name: '0011-day',
  statements: [
    `UPDATE cases SET summary = json_set(summary, '$.seller', ${CIRCUMSTANCE('seller')}, '$.channel', ${CIRCUMSTANCE('channel')})`,
    // What an open case still takes is worked out when it is read next.
    `UPDATE cases SET summary = json_remove(summary, '$.weighedBy') WHERE state = 'open'`,
    `CREATE INDEX cases_by_seller ON cases (json_extract(summary, '$.seller'), touchedAt)
      WHERE json_extract(summary, '$.seller') IS NOT NULL`,
    // Twice 256 bits as hex: where brightness rises and falls across a picture.
    'CREATE TABLE photograph_looks (sha256 TEXT PRIMARY KEY NOT NULL, look TEXT NOT NULL) STRICT, WITHOUT ROWID',
    `CREATE INDEX photographs_in_cases ON case_events (json_extract(body, '$.sha256')) WHERE type = 'photoAdded'`,
    `CREATE TABLE consignments (
      id TEXT PRIMARY KEY NOT NULL, name TEXT NOT NULL, body TEXT NOT NULL, at TEXT NOT NULL, by TEXT NOT NULL,
      closedAt TEXT, closedBy TEXT) STRICT`,
    'CREATE INDEX consignments_by_time ON consignments (at)',
    `CREATE TABLE consignment_items (
      consignment TEXT NOT NULL REFERENCES consignments (id), n INTEGER NOT NULL, body TEXT NOT NULL, epc TEXT,
      caseId TEXT, PRIMARY KEY (consignment, n)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX consignment_items_by_case ON consignment_items (caseId) WHERE caseId IS NOT NULL',
    'CREATE INDEX events_by_time ON case_events (at)',
    'CREATE TABLE saved_views (person TEXT NOT NULL, name TEXT NOT NULL, query TEXT NOT NULL, PRIMARY KEY (person, name)) STRICT, WITHOUT ROWID',
  ],
};
