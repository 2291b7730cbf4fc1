import type { Migration } from '../migration';

/** Cases whose truth is known, for learning, and pairs of answers by two people. */
export const confirmedCases: Migration = {
  name: '0004-confirmed-cases',
  statements: [
    `CREATE TABLE confirmed_cases (
      caseId TEXT PRIMARY KEY NOT NULL REFERENCES cases (id), kind TEXT NOT NULL, at TEXT NOT NULL,
      body TEXT NOT NULL) STRICT`,
    'CREATE INDEX confirmed_cases_by_kind ON confirmed_cases (kind, at)',
    `CREATE TABLE second_opinions (
      opinionId TEXT PRIMARY KEY NOT NULL, caseId TEXT NOT NULL REFERENCES cases (id), at TEXT NOT NULL,
      pairs TEXT NOT NULL) STRICT`,
  ],
};
