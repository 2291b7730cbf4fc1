import type { LoggedEntry } from '@/core/rounds/logbook';
import type { Store } from './store';

/** Entries of all cases between two instants, in their order; at most so many, the oldest first. */
export const entriesBetween = ({ reads }: Store, from: string, until: string, limit: number): Promise<LoggedEntry[]> =>
  reads.all(
    `SELECT e.at, e.by, e.type, e.caseId, json_extract(c.summary, '$.kind') AS kind,
       CASE e.type WHEN 'verdictSealed' THEN json_extract(e.body, '$.goods') END AS decision,
       CASE e.type WHEN 'findingRecorded' THEN json_extract(e.body, '$.check') END AS "check",
       CASE e.type WHEN 'itemMoved' THEN json_extract(e.body, '$.to') END AS "to"
     FROM case_events e JOIN cases c ON c.id = e.caseId
     WHERE e.at >= ? AND e.at < ? AND e.type <> 'codeMet' ORDER BY e.at, e.seq LIMIT ?`,
    [from, until, limit],
  );
