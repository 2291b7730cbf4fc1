import { indexNewestReleases } from '../indexRelease';
import type { Migration } from '../migration';

/** What an import brings is hidden until all of it is kept at once. */
const SHOWN = (row: string) => `${row}.import NOT IN (SELECT id FROM library_imports WHERE state <> 'kept')`;

/**
 * Imports of a library: their rows lie among the others under the number of their import, and are seen from the moment at
 * which it is kept. A release that an import brings anew stands in front of its older row until that is cleared away.
 */
export const library: Migration = {
  name: '0010-library',
  statements: [
    `CREATE TABLE library_imports (
      id INTEGER PRIMARY KEY, file TEXT NOT NULL, name TEXT NOT NULL, state TEXT NOT NULL, job TEXT NOT NULL,
      by TEXT NOT NULL, at TEXT NOT NULL, since INTEGER NOT NULL, taken INTEGER NOT NULL, found TEXT NOT NULL) STRICT`,
    `CREATE TABLE library_entries (
      import INTEGER NOT NULL REFERENCES library_imports (id), n INTEGER NOT NULL, line INTEGER NOT NULL,
      kind TEXT NOT NULL, id TEXT NOT NULL, came TEXT NOT NULL, reason TEXT NOT NULL,
      PRIMARY KEY (import, n)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX library_entries_by_came ON library_entries (import, came, n)',
    `CREATE TABLE csv_mappings (headings TEXT PRIMARY KEY NOT NULL, mapping TEXT NOT NULL, at TEXT NOT NULL) STRICT`,

    'ALTER TABLE documents RENAME TO kept_documents',
    'ALTER TABLE kept_documents ADD COLUMN import INTEGER NOT NULL DEFAULT 0',
    // SHA-256 of the text that a document came as: what comes again unchanged need not be read again.
    'ALTER TABLE kept_documents ADD COLUMN source TEXT',
    'CREATE INDEX documents_by_import ON kept_documents (import) WHERE import > 0',
    `CREATE VIEW documents AS SELECT kind, id, revision, hash, body, createdAt, source FROM kept_documents d
      WHERE ${SHOWN('d')}`,

    'DROP TABLE style_slips',
    'DROP TABLE release_sizes',
    'DROP TABLE release_index',
    'DELETE FROM release_words',
    `CREATE TABLE kept_releases (
      row INTEGER PRIMARY KEY, releaseId TEXT NOT NULL, import INTEGER NOT NULL, kind TEXT NOT NULL, maker TEXT NOT NULL,
      makerName TEXT NOT NULL, name TEXT NOT NULL, styleCode TEXT NOT NULL, styleKey TEXT NOT NULL,
      colourName TEXT NOT NULL, sizeKeys TEXT NOT NULL, chart TEXT, retired INTEGER NOT NULL,
      UNIQUE (releaseId, import)) STRICT`,
    'CREATE INDEX kept_releases_by_style ON kept_releases (styleKey)',
    'CREATE INDEX kept_releases_by_chart ON kept_releases (chart) WHERE chart IS NOT NULL',
    'CREATE INDEX kept_releases_by_name ON kept_releases (makerName, name, colourName)',
    `CREATE TABLE release_sizes (
      gtin14 TEXT NOT NULL, row INTEGER NOT NULL, sizeKey TEXT NOT NULL, gtin TEXT NOT NULL,
      PRIMARY KEY (gtin14, row, sizeKey)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX release_sizes_by_row ON release_sizes (row)',
    'CREATE TABLE style_slips (slip TEXT NOT NULL, row INTEGER NOT NULL, PRIMARY KEY (slip, row)) STRICT, WITHOUT ROWID',
    'CREATE INDEX style_slips_by_row ON style_slips (row)',
    `CREATE VIEW release_index AS SELECT * FROM kept_releases r WHERE ${SHOWN('r')} AND NOT EXISTS (
      SELECT 1 FROM kept_releases n WHERE n.releaseId = r.releaseId AND n.import > r.import AND ${SHOWN('n')})`,
  ],
  fill: indexNewestReleases,
};
