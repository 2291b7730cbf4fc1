import type { Migration } from '../migration';

/** Keys, signatures of events, and what the desk held at the end of each day. */
export const anchors: Migration = {
  name: '0006-anchors',
  statements: [
    // This desk's own keys, and those of other desks that a person vouched for.
    `CREATE TABLE desk_keys (
      publicKey TEXT PRIMARY KEY NOT NULL, own INTEGER NOT NULL, label TEXT NOT NULL, since TEXT NOT NULL) STRICT`,
    `CREATE TABLE event_signatures (
      hash TEXT NOT NULL, caseId TEXT NOT NULL REFERENCES cases (id), publicKey TEXT NOT NULL,
      signature TEXT NOT NULL, PRIMARY KEY (hash, publicKey)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX event_signatures_by_case ON event_signatures (caseId)',
    `CREATE TABLE day_roots (
      day TEXT PRIMARY KEY NOT NULL, cases INTEGER NOT NULL, root TEXT NOT NULL, previous TEXT,
      publicKey TEXT NOT NULL, signature TEXT NOT NULL) STRICT`,
    // Only what a day changed: the heads before it stand until another day replaces them.
    `CREATE TABLE day_heads (
      day TEXT NOT NULL REFERENCES day_roots (day), caseId TEXT NOT NULL REFERENCES cases (id), seq INTEGER NOT NULL,
      hash TEXT NOT NULL, PRIMARY KEY (day, caseId)) STRICT, WITHOUT ROWID`,
    'CREATE INDEX day_heads_by_case ON day_heads (caseId, day)',
    ...['event_signatures', 'day_roots', 'day_heads'].flatMap((table) => [
      `CREATE TRIGGER ${table}_keep BEFORE UPDATE ON ${table} BEGIN
        SELECT RAISE(ABORT, 'what was signed is never changed'); END`,
      `CREATE TRIGGER ${table}_stay BEFORE DELETE ON ${table} BEGIN
        SELECT RAISE(ABORT, 'what was signed is never deleted'); END`,
    ]),
  ],
};
