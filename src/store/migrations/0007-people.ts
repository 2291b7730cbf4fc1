import type { Migration } from '../migration';

/** Who signed in at which browser, until when, and when they last proved to be themselves there. */
export const SHIFTS = `CREATE TABLE shifts (
  bench TEXT NOT NULL, person TEXT NOT NULL, begun TEXT NOT NULL, until TEXT NOT NULL, proved TEXT,
  PRIMARY KEY (bench, person)) STRICT, WITHOUT ROWID`;
/** What was tried, and what came of it. */
export const SIGN_INS = `CREATE TABLE sign_ins (
  at TEXT NOT NULL, person TEXT NOT NULL, how TEXT NOT NULL, came TEXT NOT NULL, done INTEGER NOT NULL) STRICT`;

/** How people prove who they are, where they are signed in, and what was tried. */
export const people: Migration = {
  name: '0007-people',
  statements: [
    // A passphrase, PIN or invitation as a scrypt hash, one each; passkeys by their id.
    `CREATE TABLE credentials (
      person TEXT NOT NULL, kind TEXT NOT NULL, id TEXT NOT NULL, secret TEXT NOT NULL, label TEXT NOT NULL,
      since TEXT NOT NULL, PRIMARY KEY (person, kind, id)) STRICT, WITHOUT ROWID`,
    SHIFTS,
    'CREATE INDEX shifts_by_person ON shifts (person)',
    SIGN_INS,
    'CREATE INDEX sign_ins_by_time ON sign_ins (at)',
    'CREATE INDEX sign_ins_by_person ON sign_ins (person, at)',
  ],
};
