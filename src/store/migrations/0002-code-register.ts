import type { Migration } from '../migration';

/** Every code that ought to be unique, or that may recur, over all cases. */
export const codeRegister: Migration = {
  name: '0002-code-register',
  statements: [
    `CREATE TABLE code_register (
      normal TEXT NOT NULL, fact TEXT NOT NULL, scope TEXT NOT NULL,
      caseId TEXT NOT NULL REFERENCES cases (id), place TEXT NOT NULL, display TEXT NOT NULL,
      shared INTEGER NOT NULL, outcome TEXT NOT NULL, at TEXT NOT NULL,
      PRIMARY KEY (normal, fact, scope, caseId, place)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX code_register_by_case ON code_register (caseId)',
  ],
};
