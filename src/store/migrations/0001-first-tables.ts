import type { Migration } from '../migration';

/** Documents, cases with their event logs, photographs, and the index of release sizes. */
export const firstTables: Migration = {
  name: '0001-first-tables',
  statements: [
    `CREATE TABLE documents (
      kind TEXT NOT NULL, id TEXT NOT NULL, revision INTEGER NOT NULL, hash TEXT NOT NULL, body TEXT NOT NULL,
      createdAt TEXT NOT NULL, PRIMARY KEY (kind, id, revision)) STRICT`,
    'CREATE INDEX documents_by_hash ON documents (hash)',
    // What imported cases were held against, where this desk's own records differ.
    `CREATE TABLE foreign_documents (
      hash TEXT PRIMARY KEY NOT NULL, kind TEXT NOT NULL, id TEXT NOT NULL, revision INTEGER NOT NULL,
      body TEXT NOT NULL) STRICT`,
    `CREATE TABLE cases (
      id TEXT PRIMARY KEY NOT NULL, number TEXT NOT NULL UNIQUE, state TEXT NOT NULL, seq INTEGER NOT NULL,
      head TEXT NOT NULL, touchedAt TEXT NOT NULL, summary TEXT NOT NULL) STRICT`,
    'CREATE INDEX cases_by_state ON cases (state, touchedAt)',
    `CREATE TABLE case_events (
      id TEXT PRIMARY KEY NOT NULL, caseId TEXT NOT NULL REFERENCES cases (id), seq INTEGER NOT NULL,
      type TEXT NOT NULL, at TEXT NOT NULL, by TEXT NOT NULL, previous TEXT NOT NULL, hash TEXT NOT NULL,
      body TEXT NOT NULL, UNIQUE (caseId, seq)) STRICT`,
    // A correction is a new event; the database itself refuses to change or drop an old one.
    `CREATE TRIGGER case_events_keep BEFORE UPDATE ON case_events BEGIN
      SELECT RAISE(ABORT, 'case events are never changed'); END`,
    `CREATE TRIGGER case_events_stay BEFORE DELETE ON case_events BEGIN
      SELECT RAISE(ABORT, 'case events are never deleted'); END`,
    `CREATE TABLE photographs (
      sha256 TEXT PRIMARY KEY NOT NULL, mime TEXT NOT NULL, bytes INTEGER NOT NULL, addedAt TEXT NOT NULL) STRICT`,
    `CREATE TABLE release_index (
      releaseId TEXT PRIMARY KEY NOT NULL, kind TEXT NOT NULL, makerName TEXT NOT NULL, name TEXT NOT NULL,
      styleCode TEXT NOT NULL, styleKey TEXT NOT NULL, colourName TEXT NOT NULL, sizeKeys TEXT NOT NULL) STRICT`,
    'CREATE INDEX release_index_by_style ON release_index (styleKey)',
    `CREATE TABLE release_sizes (
      gtin14 TEXT NOT NULL, releaseId TEXT NOT NULL REFERENCES release_index (releaseId) ON DELETE CASCADE,
      sizeKey TEXT NOT NULL, gtin TEXT NOT NULL, PRIMARY KEY (gtin14, releaseId, sizeKey)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX release_sizes_by_release ON release_sizes (releaseId)',
    `CREATE VIRTUAL TABLE release_search USING fts5(releaseId UNINDEXED, words, tokenize = 'trigram')`,
  ],
};
