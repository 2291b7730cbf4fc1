import type { Transaction } from 'sequelize';
import { select } from './select';
import type { Store } from './store';

/** Numbers of open cases of a kind of goods in which a fact was read at a place. */
export async function factsInUse(
  store: Store,
  { kind, place, fact }: { kind: string; place: string; fact: string },
  transaction?: Transaction,
): Promise<string[]> {
  const found = await select<{ number: string }>(
    store,
    `SELECT number FROM cases c WHERE state = 'open'
      AND EXISTS (SELECT 1 FROM case_events WHERE caseId = c.id AND type = 'opened' AND json_extract(body, '$.kind') = ?)
      AND EXISTS (SELECT 1 FROM case_events WHERE caseId = c.id AND type = 'factRead'
        AND (json_extract(body, '$.fact') = ? OR json_extract(body, '$.fact') LIKE ? || '.%') AND json_extract(body, '$.place') = ?)
      ORDER BY number`,
    [kind, fact, fact, place],
    transaction,
  );
  return found.map(({ number }) => number);
}
