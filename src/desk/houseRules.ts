import type { CheckDefinition } from '@/core/checks/check';
import type { HouseRules } from '@/core/judgement/houseRules';
import { type LearnedFigure, learnedFigures } from '@/core/judgement/learnedFigures';
import { learn } from '@/core/judgement/learning/learn';
import { withStatedShares } from '@/core/judgement/prior';
import { type Replay, replay, ruleWarnings } from '@/core/judgement/replay';
import type { TellStatistics } from '@/core/judgement/statistics';
import { listConfirmed, listSealed, newestConfirmed } from '@/store/confirmedCases';
import { readDocument, saveDocument } from '@/store/documents';
import { listKinds } from './checks';
import type { Desk } from './desk';
import { HOUSE_RULES_ID } from './grounds';
import { checksOfKind, doubleAnswers, markRestated, sortedByHand } from './learning';
import { ownProblem } from './library/soundness';
import { allow, everybody } from './people/roster';
import { Refusal } from './refusal';

export type { HouseRules } from '@/core/judgement/houseRules';

const LAST = 100;

/** What a change of the house rules would have done. */
export interface RulesPreview {
  before: Replay;
  after: Replay;
  /** Cases that would have been decided otherwise. */
  changed: { number: string; truth: string; before: string; after: string }[];
  warnings: string[];
}

/** The house rules in force. */
export async function readHouseRules(desk: Desk): Promise<{ rules: HouseRules; revision: number }> {
  const found = await readDocument<HouseRules>(desk.store, 'house-rules', HOUSE_RULES_ID);
  if (!found) throw new Refusal('notFound', 'This desk has no house rules.');
  return { rules: found.body, revision: found.revision };
}

function sound(rules: HouseRules): void {
  const problem = ownProblem({ kind: 'house-rules', body: rules });
  if (problem) throw new Refusal('invalid', problem);
}

/** The checks that a person or the codes answer, by kind of goods: what a house can require. */
export async function checksByKind(desk: Desk): Promise<Record<string, CheckDefinition[]>> {
  const kinds = await listKinds(desk);
  return Object.fromEntries(
    await Promise.all(kinds.map(async ({ id }) => [id, await checksOfKind(desk, id)] as const)),
  );
}

/** What cases taught about each kind of goods of which anything was learned, beside what the house states. */
export async function readLearned(desk: Desk): Promise<{ id: string; name: string; figures: LearnedFigure[] }[]> {
  const { rules } = await readHouseRules(desk);
  const people = Object.fromEntries((await everybody(desk)).map(({ id, name }) => [id, name]));
  const learned = await Promise.all(
    (await listKinds(desk)).map(async (kind) => {
      const statistics = await readDocument<TellStatistics>(desk.store, 'statistics', kind.id);
      return { ...kind, figures: statistics ? learnedFigures(statistics.body, rules, people) : [] };
    }),
  );
  return learned.filter(({ figures }) => figures.length > 0);
}

/** What edited rules would have made of the last 100 confirmed cases, beside those in force. */
export async function previewRules(desk: Desk, edited: HouseRules): Promise<RulesPreview> {
  sound(edited);
  const { rules } = await readHouseRules(desk);
  const cases = await newestConfirmed(desk.store, LAST);
  const checks = await checksByKind(desk);
  const learned: Record<string, TellStatistics | null> = {};
  for (const kind of Object.keys(checks))
    learned[kind] = (await readDocument<TellStatistics>(desk.store, 'statistics', kind))?.body ?? null;
  // Only what statistics rest on makes them anew.
  const restsOn = ({ halfLifeMonths, strands, frozen }: HouseRules) =>
    JSON.stringify([halfLifeMonths, strands, frozen]);
  const doubles = await doubleAnswers(desk);
  const relearned =
    restsOn(edited) === restsOn(rules)
      ? Object.fromEntries(
          Object.entries(learned).map(([kind, each]) => [kind, each && withStatedShares(each, rules, edited)]),
        )
      : Object.fromEntries(
          await Promise.all(
            Object.entries(checks).map(async ([kind, list]) => {
              const asOf = learned[kind]?.asOf;
              if (!asOf) return [kind, null] as const;
              const confirmed = await listConfirmed(desk.store, kind);
              const own = [...confirmed, ...(await listSealed(desk.store, kind))];
              const makes = await sortedByHand(desk, confirmed);
              return [kind, learn(kind, own, list, edited, asOf, doubles, makes)] as const;
            }),
          ),
        );
  const before = replay(cases, checks, rules, learned);
  const after = replay(cases, checks, edited, relearned);
  const changed = cases.flatMap(({ number, truth }) => {
    const [was, would] = [before.decisions[number] ?? '', after.decisions[number] ?? ''];
    return was === would ? [] : [{ number, truth: truth.goods, before: was, after: would }];
  });
  return { before, after, changed, warnings: ruleWarnings(edited, after) };
}

/**
 * Keep edited house rules as a new revision, and learn anew where they say so.
 *
 * @param from the revision that the editor began with
 * @throws Refusal where they are unsound, or somebody else kept other rules meanwhile
 */
export async function saveHouseRules(
  desk: Desk,
  by: string,
  edited: HouseRules,
  from: number,
): Promise<{ revision: number }> {
  await allow(desk, by, 'editHouse');
  sound(edited);
  if (edited.id !== HOUSE_RULES_ID) throw new Refusal('invalid', 'These are the rules of no house here.');
  const checks = await checksByKind(desk);
  for (const [kind, required] of Object.entries(edited.required)) {
    const unknown = required.find((id) => !checks[kind]?.some((check) => check.id === id));
    if (unknown) throw new Refusal('invalid', `The rules require “${unknown}” of ${kind}, which has no such check.`);
  }
  const kinds = await listKinds(desk);
  const saved = await desk.store.write(async (transaction) => {
    const newest = (await readDocument(desk.store, 'house-rules', HOUSE_RULES_ID, transaction))?.revision;
    if (newest !== from)
      throw new Refusal(
        'conflict',
        `Somebody kept revision ${newest} of the house rules meanwhile. Copy what you changed, load the page again and enter it there.`,
      );
    const kept = await saveDocument(desk.store, 'house-rules', edited, desk.now(), transaction);
    for (const { id } of kinds) await markRestated(desk, id, transaction);
    return { revision: kept.revision };
  });
  await desk.learner(desk);
  return saved;
}
