import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { confirmedFindings } from '@/core/judgement/confirmedCase';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { readChain } from '@/core/judgement/readings';
import { keepConfirmed } from '@/store/confirmedCases';
import { markToLearn } from '@/store/toLearn';
import type { Desk } from './desk';

/** What a confirmed case showed, kept for learning. */
export async function keepTruth(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  transaction: Transaction,
): Promise<void> {
  const { truth, seal } = file;
  if (!truth || !seal) return;
  const context = contextOf(file, groundsOf(grounds));
  const reading = crossread(context);
  const findings = gatherFindings(file, context, reading);
  const { goods, packaging, trust } = truth;
  const { channel, inHand, packaged } = file.circumstances;
  await keepConfirmed(
    desk.store,
    file.id,
    {
      number: file.number,
      kind: file.kind,
      release: grounds.release?.id ?? null,
      truth: { goods, packaging, trust },
      at: seal.at.slice(0, 10),
      findings: confirmedFindings(findings),
      circumstances: { channel, inHand, packaged },
      without: findings.flatMap(({ check, mark }) => (mark === 'excused' || mark === 'cantTell' ? [check.id] : [])),
      chain: readChain(reading, findings, context).says,
    },
    transaction,
  );
}

/** Keep what a confirmed case showed, and note that it is to be learned from. */
export async function keepToLearn(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  transaction: Transaction,
): Promise<void> {
  await keepTruth(desk, file, grounds, transaction);
  await markToLearn(desk.store, file.kind, (file.truth?.at ?? desk.now()).slice(0, 10), transaction);
}
