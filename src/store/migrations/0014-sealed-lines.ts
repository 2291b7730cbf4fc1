import type { Migration } from '../migration';

/** The line of a sealed case says what was sealed of the packaging, not what it came to with fewer draws. */
export const sealedLines: Migration = {
  name: '0014-sealed-lines',
  statements: [
    `UPDATE cases SET summary = json_set(summary, '$.packaging.decision', (
      SELECT json_extract(body, '$.packaging') FROM case_events
      WHERE caseId = cases.id AND type = 'verdictSealed' ORDER BY seq DESC LIMIT 1))
    WHERE state = 'sealed'`,
  ],
};
