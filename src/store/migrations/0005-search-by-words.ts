import type { Migration } from '../migration';

/** Words of releases for searching, by the row of their release; style codes with a character left out. */
export const searchByWords: Migration = {
  name: '0005-search-by-words',
  statements: [
    'DROP TABLE release_search',
    `CREATE VIRTUAL TABLE release_words USING fts5(words, tokenize = 'unicode61', prefix = '2 3', detail = none)`,
    `CREATE VIRTUAL TABLE release_vocabulary USING fts5vocab(release_words, row)`,
    `CREATE TABLE style_slips (
      slip TEXT NOT NULL, releaseId TEXT NOT NULL REFERENCES release_index (releaseId) ON DELETE CASCADE,
      PRIMARY KEY (slip, releaseId)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX style_slips_by_release ON style_slips (releaseId)',
  ],
};
