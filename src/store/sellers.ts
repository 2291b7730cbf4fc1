import type { Store } from './store';
import type { CaseRow } from './tables';

/** Cases of a seller, by the house's own label, the newest first. */
export const casesOfSeller = ({ reads }: Store, seller: string, limit: number): Promise<CaseRow[]> =>
  reads.all<CaseRow>(
    `SELECT * FROM cases WHERE json_extract(summary, '$.seller') = ? ORDER BY touchedAt DESC LIMIT ?`,
    [seller, limit],
  );

/** What became of all cases of a seller: how many in each state, by the decision that was sealed and the truth. */
export const outcomesOfSeller = (
  { reads }: Store,
  seller: string,
): Promise<{ state: CaseRow['state']; decision: string; truth: string | null; n: number }[]> =>
  reads.all(
    `SELECT state, json_extract(summary, '$.goods.decision') AS decision, json_extract(k.body, '$.truth.goods') AS truth,
       COUNT(*) AS n FROM cases c LEFT JOIN confirmed_cases k ON k.caseId = c.id
     WHERE json_extract(summary, '$.seller') = ? GROUP BY 1, 2, 3`,
    [seller],
  );
