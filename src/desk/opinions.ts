import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent } from '@/core/casefile/event';
import { gatherFindings } from '@/core/checks/findings';
import { type AnswerPair, answerPairs } from '@/core/checks/secondOpinion';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { keepPairs, listPairs } from '@/store/confirmedCases';
import type { Desk } from './desk';

/** Keep how two people answered the same checks. */
export async function keepOpinion(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  event: CaseEvent & { type: 'opinionGiven' },
  transaction: Transaction,
): Promise<void> {
  const opinion = file.opinions.find(({ id }) => id === event.body.asked);
  if (!opinion) return;
  const context = contextOf(file, groundsOf(grounds));
  // As the first person left them: without what the second one said.
  const findings = gatherFindings({ ...file, opinions: [] }, context, crossread(context));
  const first = Object.fromEntries(
    findings.flatMap(({ check, mark }) => (mark === 'open' || mark === 'excused' ? [] : [[check.id, mark] as const])),
  );
  const pairs = answerPairs(findings, opinion, first);
  await keepPairs(desk.store, opinion.id, file.id, event.at, pairs, transaction);
}

/** All second opinions of this desk, the oldest first. */
export function agreements(desk: Desk): Promise<{ at: string; pairs: AnswerPair[] }[]> {
  return listPairs(desk.store);
}
