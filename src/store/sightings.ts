import type { Whereabouts } from '@/core/casefile/events/itemMoved';
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

/** Tags that were read, and those that the cases of moved items had last, between two instants; at most so many. */
export const tagsSeenBetween = ({ reads }: Store, from: string, until: string, limit: number): Promise<TagSeen[]> =>
  reads.all(
    `WITH tags AS (
       SELECT id, at, seq, caseId, json_extract(body, '$.fact') AS fact, json_extract(body, '$.raw') AS raw
       FROM case_events WHERE type = 'factRead' AND json_extract(body, '$.fact') IN ('epc', 'secondEpc')
         AND json_extract(body, '$.state') = 'read')
     SELECT id, at, raw, "to" FROM (
       SELECT id, at, seq, raw, NULL AS "to" FROM tags WHERE at >= ? AND at < ?
       UNION ALL
       SELECT id, at, seq, (
         SELECT raw FROM tags WHERE caseId = moved.caseId AND seq < moved.seq AND fact = 'epc' ORDER BY seq DESC LIMIT 1
       ), json_extract(body, '$.to')
       FROM case_events moved WHERE at >= ? AND at < ? AND type = 'itemMoved')
     WHERE raw IS NOT NULL ORDER BY at, seq LIMIT ?`,
    [from, until, from, until, limit],
  );
