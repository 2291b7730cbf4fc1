import type { Migration } from '../migration';

/** What the waiting cases can be narrowed to, found without reading their summaries. */
export const choices: Migration = {
  name: '0012-choices',
  statements: [
    `CREATE INDEX open_cases_by_kind ON cases (json_extract(summary, '$.kind'), json_extract(summary, '$.kindName'))
      WHERE state = 'open'`,
    `CREATE INDEX open_cases_by_maker ON cases (json_extract(summary, '$.makerName')) WHERE state = 'open'`,
  ],
};
