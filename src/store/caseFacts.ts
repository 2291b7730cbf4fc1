import type { Transaction } from 'sequelize';
import { select } from './select';
import type { Store } from './store';

/** Events `e` by which a fact was read that was not withdrawn at its place since. */
export const STANDS = `e.type = 'factRead' AND NOT EXISTS (SELECT 1 FROM case_events w
  WHERE w.caseId = e.caseId AND w.type = 'factWithdrawn' AND w.seq > e.seq
    AND json_extract(w.body, '$.fact') = json_extract(e.body, '$.fact')
    AND json_extract(w.body, '$.place') = json_extract(e.body, '$.place'))`;

async function openCases(
  store: Store,
  where: string,
  values: string[],
  transaction: Transaction | undefined,
): Promise<string[]> {
  const found = await select<{ number: string }>(
    store,
    `SELECT number FROM cases c WHERE state = 'open' AND ${where} ORDER BY number`,
    values,
    transaction,
  );
  return found.map(({ number }) => number);
}

/** Numbers of open cases of a kind of goods in which a fact was read at a place. */
export function factsInUse(
  store: Store,
  { kind, place, fact }: { kind: string; place: string; fact: string },
  transaction?: Transaction,
): Promise<string[]> {
  return openCases(
    store,
    `EXISTS (SELECT 1 FROM case_events WHERE caseId = c.id AND type = 'opened' AND json_extract(body, '$.kind') = ?)
      AND EXISTS (SELECT 1 FROM case_events e WHERE e.caseId = c.id AND json_extract(e.body, '$.place') = ?
        AND (json_extract(e.body, '$.fact') = ? OR json_extract(e.body, '$.fact') LIKE ? || '.%') AND ${STANDS})`,
    [kind, place, fact, fact],
    transaction,
  );
}

/** Numbers of open cases, held against a release of a size chart, in which a size was read in a column of it. */
export function columnInUse(
  store: Store,
  { chart, column }: { chart: string; column: string },
  transaction?: Transaction,
): Promise<string[]> {
  return openCases(
    store,
    `EXISTS (SELECT 1 FROM release_index WHERE chart = ? AND releaseId = (
        SELECT json_extract(body, '$.release.id') FROM case_events
        WHERE caseId = c.id AND type = 'releaseChosen' ORDER BY seq DESC LIMIT 1))
      AND EXISTS (SELECT 1 FROM case_events e
        WHERE e.caseId = c.id AND json_extract(e.body, '$.fact') = 'size.' || ? AND ${STANDS})`,
    [chart, column],
    transaction,
  );
}
