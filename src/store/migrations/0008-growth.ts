import { indexAllCases } from '../caseSearch';
import type { Migration } from '../migration';

/** What is looked for among many cases and documents, by index. */
export const growth: Migration = {
  name: '0008-growth',
  statements: [
    // Letters and digits of number, title, colour and style code, by the row of the case.
    `CREATE VIRTUAL TABLE case_search USING fts5(text, tokenize = 'trigram')`,
    `CREATE INDEX open_cases_by_style ON cases (json_extract(summary, '$.styleCode'), touchedAt) WHERE state = 'open'`,
    `CREATE INDEX open_cases_asked ON cases (touchedAt)
      WHERE state = 'open' AND json_array_length(summary, '$.asked') > 0`,
    `CREATE INDEX schemes_by_maker ON documents (json_extract(body, '$.maker')) WHERE kind = 'code-scheme'`,
    `CREATE INDEX releases_with_checks ON documents (json_extract(body, '$.kind'), id)
      WHERE kind = 'release' AND json_array_length(body, '$.checks.add') > 0`,
    // Counting tens of thousands of rows takes longer than all else that the queue reads.
    'CREATE TABLE case_counts (state TEXT PRIMARY KEY NOT NULL, n INTEGER NOT NULL) STRICT',
    `INSERT INTO case_counts SELECT state, COUNT(*) FROM cases GROUP BY state`,
    ...[
      ['INSERT', ''],
      ['UPDATE OF state', 'UPDATE case_counts SET n = n - 1 WHERE state = OLD.state;'],
    ].map(
      ([when = '', less], i) => `CREATE TRIGGER case_counts_${i} AFTER ${when} ON cases BEGIN ${less}
        INSERT INTO case_counts VALUES (NEW.state, 1) ON CONFLICT (state) DO UPDATE SET n = n + 1; END`,
    ),
    // Kinds of goods whose statistics are to be learned anew, and what their checks came to when they were.
    'CREATE TABLE to_learn (kind TEXT PRIMARY KEY NOT NULL, asOf TEXT NOT NULL, mark INTEGER NOT NULL) STRICT',
    'CREATE TABLE check_records (kind TEXT PRIMARY KEY NOT NULL, basis TEXT NOT NULL, body TEXT NOT NULL) STRICT',
  ],
  fill: indexAllCases,
};
