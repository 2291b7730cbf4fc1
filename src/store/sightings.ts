import type { Whereabouts } from '@/core/casefile/events/itemMoved';
import { STANDS } from './caseFacts';
import type { Store } from './store';

/** A tag that was read into a case, or whose item left the desk or came back. */
export interface TagSeen {
  /** Id of the entry. */
  id: string;
  /** ISO 8601 instant. */
  at: string;
  raw: string;
  /** Where its item went; null where the tag was read. */
  to: Whereabouts | null;
}

/** Tags that were read, and those of moved items as far as they were not taken back, between two instants; at most so many. */
export const tagsSeenBetween = ({ reads }: Store, from: string, until: string, limit: number): Promise<TagSeen[]> =>
  reads.all(
    `SELECT id, at, raw, "to" FROM (
       SELECT id, at, seq, json_extract(body, '$.raw') AS raw, NULL AS "to" FROM case_events
       WHERE at >= ? AND at < ? AND type = 'factRead' AND json_extract(body, '$.fact') IN ('epc', 'secondEpc')
         AND json_extract(body, '$.state') = 'read'
       UNION ALL
       SELECT id, at, seq, (
         SELECT CASE json_extract(e.body, '$.state') WHEN 'read' THEN json_extract(e.body, '$.raw') END
         FROM case_events e WHERE e.caseId = moved.caseId AND e.seq < moved.seq
           AND json_extract(e.body, '$.fact') = 'epc' AND ${STANDS} ORDER BY e.seq DESC LIMIT 1
       ), json_extract(body, '$.to')
       FROM case_events moved WHERE at >= ? AND at < ? AND type = 'itemMoved')
     WHERE raw IS NOT NULL ORDER BY at, seq LIMIT ?`,
    [from, until, from, until, limit],
  );
