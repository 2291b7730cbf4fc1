import type { Migration } from '../migration';

/** Sealed cases whose truth nobody knows, which are learned from by what they probably are. */
export const sealedCases: Migration = {
  name: '0009-sealed-cases',
  statements: [
    `CREATE TABLE sealed_cases (
      caseId TEXT PRIMARY KEY NOT NULL REFERENCES cases (id), kind TEXT NOT NULL, at TEXT NOT NULL,
      body TEXT NOT NULL) STRICT`,
    'CREATE INDEX sealed_cases_by_kind ON sealed_cases (kind, at)',
    // What the edition before learned is learned anew.
    `INSERT OR IGNORE INTO to_learn (kind, asOf, mark)
      SELECT id, MAX(json_extract(body, '$.asOf')), 1 FROM documents WHERE kind = 'statistics' GROUP BY id`,
  ],
};
