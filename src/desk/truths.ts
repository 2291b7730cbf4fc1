import type { Transaction } from 'sequelize';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { CheckDefinition, KindDefinition } from '@/core/checks/check';
import { gatherFindings } from '@/core/checks/findings';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import { confirmedFindings } from '@/core/judgement/confirmedCase';
import { type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import type { HouseRules } from '@/core/judgement/houseRules';
import { learn } from '@/core/judgement/learn';
import { readChain } from '@/core/judgement/readings';
import type { TellStatistics } from '@/core/judgement/statistics';
import { keepConfirmed, listConfirmed } from '@/store/confirmedCases';
import { addedChecks, readDocument, saveDocument } from '@/store/documents';
import type { Desk } from './desk';
import { HOUSE_RULES_ID } from './grounds';

/** A check with the release that adds it; null where it is the kind's own. */
export interface KnownCheck {
  check: CheckDefinition;
  release: string | null;
}

/**
 * Every check that items of a kind may have been held against: the kind's and those that releases add. One that a
 * release has in place of the kind's own is learned with it, as the kind states it.
 */
export async function knownChecks(desk: Desk, kind: string, transaction?: Transaction): Promise<KnownCheck[]> {
  const definition = await readDocument<KindDefinition>(desk.store, 'kind', kind, transaction);
  const own = (definition?.body.checks ?? []).map((check): KnownCheck => ({ check, release: null }));
  const first = new Map<string, KnownCheck>();
  for (const known of [...own, ...(await addedChecks<CheckDefinition>(desk.store, kind, transaction))])
    if (!first.has(known.check.id)) first.set(known.check.id, known);
  return [...first.values()];
}

/** The same without the releases. */
export async function checksOfKind(desk: Desk, kind: string, transaction?: Transaction): Promise<CheckDefinition[]> {
  return (await knownChecks(desk, kind, transaction)).map(({ check }) => check);
}

/**
 * Learn a kind's statistics anew from all of its confirmed cases.
 *
 * @param asOf the day from which the ages of counterfeits are counted
 */
export async function relearn(desk: Desk, kind: string, asOf: string, transaction: Transaction): Promise<void> {
  const rules = await readDocument<HouseRules>(desk.store, 'house-rules', HOUSE_RULES_ID, transaction);
  if (!rules) return;
  const cases = await listConfirmed(desk.store, kind, transaction);
  const checks = await checksOfKind(desk, kind, transaction);
  const statistics = learn(kind, cases, checks, rules.body, asOf);
  await saveDocument(desk.store, 'statistics', statistics, desk.now(), transaction);
}

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

/** Learn a kind anew as of the day it was learned last, since what its checks state has changed. */
export async function relearnAsStated(desk: Desk, kind: string): Promise<void> {
  const statistics = await readDocument<TellStatistics>(desk.store, 'statistics', kind);
  if (statistics) await desk.store.write((transaction) => relearn(desk, kind, statistics.body.asOf, transaction));
}

/** Keep what a confirmed case showed, and learn from it at once. */
export async function learnFrom(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  transaction: Transaction,
): Promise<void> {
  await keepTruth(desk, file, grounds, transaction);
  await relearn(desk, file.kind, (file.truth?.at ?? desk.now()).slice(0, 10), transaction);
}
