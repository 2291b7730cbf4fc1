import type { CaseFile } from '@/core/casefile/caseFile';
import type { Assessment } from '@/core/judgement/assess';
import { summarise } from '@/core/judgement/caseSummary';
import type { GroundsRevisions } from '@/core/judgement/grounds';
import type { CaseRow } from '@/store/tables';

/** The projection row of a case, computed anew from its log. */
export function projectionRow(
  file: CaseFile,
  number: string,
  grounds: GroundsRevisions,
  assessment?: Assessment,
): CaseRow {
  return {
    id: file.id,
    number,
    state: file.seal ? 'sealed' : file.closed ? 'closed' : 'open',
    seq: file.seq,
    head: file.head,
    touchedAt: file.touched.at,
    summary: JSON.stringify(summarise(file, grounds, assessment)),
  };
}
