import type { Store } from './store';

/** Tags that were read into cases between two instants, in their order; at most so many. */
export const tagsReadBetween = (
  { reads }: Store,
  from: string,
  until: string,
  limit: number,
): Promise<{ id: string; at: string; raw: string }[]> =>
  reads.all(
    `SELECT id, at, json_extract(body, '$.raw') AS raw FROM case_events
     WHERE at >= ? AND at < ? AND type = 'factRead' AND json_extract(body, '$.fact') IN ('epc', 'secondEpc')
       AND json_extract(body, '$.state') = 'read' ORDER BY at, seq LIMIT ?`,
    [from, until, limit],
  );
