import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { confirmedFindings, type SealedCase } from '@/core/judgement/confirmedCase';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { readChain } from '@/core/judgement/readings';
import { priceStands } from '@/core/listing/listingRules';
import { dropSealed, keepConfirmed, keepSealed } from '@/store/confirmedCases';
import { markToLearn } from '@/store/toLearn';
import type { Desk } from './desk';

/**
 * What a sealed case showed, kept for learning: by its truth where somebody confirmed it, else by what it probably is.
 * One that was opened again says nothing until then: somebody found its verdict wanting.
 */
export async function keepTruth(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  transaction: Transaction,
): Promise<void> {
  const { truth, seal, reopenings } = file;
  await dropSealed(desk.store, file.id, transaction);
  if (!seal || (!truth && reopenings.length > 0)) return;
  const context = contextOf(file, groundsOf(grounds));
  const reading = crossread(context);
  const findings = gatherFindings(file, context, reading);
  const price = priceStands(file, context.release, reading);
  const { channel, inHand, packaged, seller, reference } = file.circumstances;
  const sealed: SealedCase = {
    number: file.number,
    kind: file.kind,
    release: grounds.release?.id ?? null,
    truth: null,
    at: seal.at.slice(0, 10),
    findings: confirmedFindings(findings),
    circumstances: { channel, inHand, packaged, ...(seller ? { seller } : {}), ...(reference ? { reference } : {}) },
    without: findings.flatMap(({ check, mark }) => (mark === 'excused' || mark === 'cantTell' ? [check.id] : [])),
    chain: readChain(reading, findings, context).says,
    ...(price ? { price } : {}),
  };
  if (!truth) return keepSealed(desk.store, file.id, sealed, transaction);
  const { goods, packaging, trust, source } = truth;
  await keepConfirmed(desk.store, file.id, { ...sealed, truth: { goods, packaging, trust, source } }, transaction);
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
