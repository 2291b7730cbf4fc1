import type { Transaction } from 'sequelize';
import { contentHash } from '@/core/casefile/hash';
import type { CheckDefinition, KindDefinition } from '@/core/checks/check';
import { type CheckRecord, checkRecord } from '@/core/judgement/checkRecord';
import type { ConfirmedCase } from '@/core/judgement/confirmedCase';
import type { HouseRules } from '@/core/judgement/houseRules';
import { learn } from '@/core/judgement/learning/learn';
import { keepMakeIds } from '@/core/judgement/learning/makes/names';
import type { CheckedTwice } from '@/core/judgement/learning/slipRates';
import type { TellStatistics } from '@/core/judgement/statistics';
import type { Release, Revision } from '@/core/releases/release';
import { kindsToRelearn, listConfirmed, listPairs, listSealed } from '@/store/confirmedCases';
import { addedChecks, readDocument, saveDocument } from '@/store/documents';
import {
  dropToLearn,
  keepCheckRecords,
  listToLearn,
  markToLearn,
  readKeptCheckRecords,
  type ToLearn,
} from '@/store/toLearn';
import type { Desk } from './desk';
import { HOUSE_RULES_ID } from './grounds';
import { Refusal } from './refusal';

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
export async function checksOfKind(desk: Desk, kind: string): Promise<CheckDefinition[]> {
  return (await knownChecks(desk, kind)).map(({ check }) => check);
}

/** What is known of the checks of a kind, and by what it was learned. */
interface Learned {
  checks: KnownCheck[];
  rules: Revision<HouseRules>;
  statistics: Revision<TellStatistics> | null;
  /** What stands for all that a person stated of them. */
  stated: string;
}

async function learnedOf(desk: Desk, kind: string): Promise<Learned> {
  const rules = await readDocument<HouseRules>(desk.store, 'house-rules', HOUSE_RULES_ID);
  if (!rules) throw new Refusal('notFound', 'This desk has no house rules.');
  const statistics = await readDocument<TellStatistics>(desk.store, 'statistics', kind);
  const definition = await readDocument<KindDefinition>(desk.store, 'kind', kind);
  const checks = await knownChecks(desk, kind);
  const added = checks.filter(({ release }) => release !== null);
  const stated = contentHash([definition?.hash, added, rules.hash]);
  return { checks, rules, statistics, stated };
}

/** All that the records of checks rest on, as one text. */
const basisOf = (stated: string, statistics: Revision<TellStatistics> | null): string =>
  `${stated} ${statistics?.hash ?? ''}`;

/** What confirmed cases say of every check of a kind, as far as they were learned. */
export async function checkRecords(
  desk: Desk,
  kind: string,
): Promise<Omit<Learned, 'stated' | 'rules'> & { records: CheckRecord[] }> {
  const { checks, rules, statistics, stated } = await learnedOf(desk, kind);
  const kept = await readKeptCheckRecords(desk.store, kind);
  if (kept?.basis === basisOf(stated, statistics))
    return { checks, statistics, records: JSON.parse(kept.body) as CheckRecord[] };
  // Learned by an older version, or by nothing yet.
  const cases = await listConfirmed(desk.store, kind);
  const asOf = statistics?.body.asOf ?? desk.now().slice(0, 10);
  return { checks, statistics, records: checks.map(({ check }) => checkRecord(check, cases, rules.body, asOf)) };
}

/** What two people answered without knowing of each other, where it is known who they were. */
export async function doubleAnswers(desk: Desk): Promise<CheckedTwice[]> {
  const pairs = (await listPairs(desk.store)).flatMap((each) => each.pairs);
  return pairs.flatMap(({ first, second, by }): CheckedTwice[] =>
    by && first !== 'cantTell' && second !== 'cantTell'
      ? [
          {
            first: { by: by[0], differs: first === 'differs' },
            second: { by: by[1], differs: second === 'differs' },
          },
        ]
      : [],
  );
}

/** Case number to the make of copies that a person sorted it into, from the records of the releases that were copied. */
export async function sortedByHand(desk: Desk, cases: ConfirmedCase[]): Promise<Map<string, string>> {
  const copied = new Set(
    cases.flatMap(({ release, truth }) => (release && truth.goods === 'counterfeit' ? [release] : [])),
  );
  const sorted = new Map<string, string>();
  for (const id of copied) {
    const release = await readDocument<Release>(desk.store, 'release', id);
    for (const copy of release?.body.copies ?? [])
      for (const number of copy.cases) sorted.set(number, `${id}/${copy.id}`);
  }
  return sorted;
}

/** Learn a kind anew, outside of any transaction, from all of its confirmed cases. */
async function learnKind(desk: Desk, toLearn: ToLearn): Promise<void> {
  const { kind } = toLearn;
  const { checks, rules, statistics: before, stated } = await learnedOf(desk, kind);
  // A truth that is taken in late makes no counterfeit younger.
  const asOf = [toLearn.asOf, before?.body.asOf ?? ''].sort()[1] as string;
  const cases = await listConfirmed(desk.store, kind);
  const learned = learn(
    kind,
    [...cases, ...(await listSealed(desk.store, kind))],
    checks.map(({ check }) => check),
    rules.body,
    asOf,
    await doubleAnswers(desk),
    await sortedByHand(desk, cases),
  );
  const { makes } = learned;
  const body = makes ? { ...learned, makes: keepMakeIds(before?.body.makes, makes) } : learned;
  const records = checks.map(({ check }) => checkRecord(check, cases, rules.body, asOf));
  await desk.store.write(async (transaction) => {
    const statistics = await saveDocument(desk.store, 'statistics', body, desk.now(), transaction);
    const basis = basisOf(stated, statistics);
    await keepCheckRecords(desk.store, kind, { basis, body: JSON.stringify(records) }, transaction);
    await dropToLearn(desk.store, toLearn, transaction);
  });
}

/** Learn every kind that is noted to be learned. */
export async function learnPending(desk: Desk): Promise<void> {
  for (const each of await listToLearn(desk.store)) await learnKind(desk, each);
}

/** Learn kinds of which something was sealed since: what nobody confirms teaches too, once a day. */
export async function learnSealed(desk: Desk): Promise<void> {
  const today = desk.now().slice(0, 10);
  const kinds = await kindsToRelearn(desk.store, today);
  if (kinds.length === 0) return;
  await desk.store.write(async (transaction) => {
    for (const kind of kinds) await markToLearn(desk.store, kind, today, transaction);
  });
  await desk.learner(desk);
}

/** Note that a kind is to be learned anew, as of the day it was learned last, since what its checks state changed. */
export async function markRestated(desk: Desk, kind: string, transaction: Transaction): Promise<void> {
  const statistics = await readDocument<TellStatistics>(desk.store, 'statistics', kind, transaction);
  if (statistics) await markToLearn(desk.store, kind, statistics.body.asOf, transaction);
}
