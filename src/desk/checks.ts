import type { CheckDefinition, KindDefinition } from '@/core/checks/check';
import { cohensKappa } from '@/core/checks/secondOpinion';
import { quarterOf } from '@/core/dates/day';
import { formatProblem } from '@/core/formats/validate';
import type { CheckRecord } from '@/core/judgement/checkRecord';
import type { Revision } from '@/core/releases/release';
import { listDocuments, readDocument, readRevision } from '@/store/documents';
import type { Desk } from './desk';
import { checkRecords, markRestated } from './learning';
import { agreements } from './opinions';
import { allow } from './people/roster';
import { saveRecords } from './records';
import { Refusal } from './refusal';

/** The checks of a kind of goods with what confirmed cases say of each. */
export interface CheckRecords {
  kind: KindDefinition;
  revision: number;
  /** Check id to the id of a release that adds it, for checks that are not the kind's own. */
  addedBy: Record<string, string>;
  records: CheckRecord[];
  /** Weights of the confirmed cases, and the day of the last one; null before there are any. */
  learned: { genuine: number; counterfeit: number; unconfirmed?: number; generation?: string; asOf: string } | null;
}

/** Every kind of goods, by name. */
export async function listKinds(desk: Desk): Promise<{ id: string; name: string }[]> {
  const kinds = await listDocuments<KindDefinition>(desk.store, 'kind');
  return kinds.map(({ id, body }) => ({ id, name: body.name }));
}

/** Every kind of goods with all that it asks, by name. */
export async function listKindDefinitions(desk: Desk): Promise<KindDefinition[]> {
  const kinds = await listDocuments<KindDefinition>(desk.store, 'kind');
  return kinds.map(({ body }) => body).sort((a, b) => a.name.localeCompare(b.name));
}

/** @throws Refusal where there is no such kind of goods */
export async function readKind(desk: Desk, kind: string): Promise<Revision<KindDefinition>> {
  const definition = await readDocument<KindDefinition>(desk.store, 'kind', kind);
  if (!definition) throw new Refusal('notFound', `There is no kind of goods “${kind.slice(0, 80)}”.`);
  return definition;
}

/** @throws Refusal where there is no such kind of goods */
export async function readCheckRecords(desk: Desk, kind: string): Promise<CheckRecords> {
  const definition = await readKind(desk, kind);
  const { checks, statistics, records } = await checkRecords(desk, kind);
  return {
    addedBy: Object.fromEntries(checks.flatMap(({ check, release }) => (release ? [[check.id, release]] : []))),
    kind: definition.body,
    revision: definition.revision,
    records,
    learned: statistics && {
      genuine: statistics.body.genuine,
      counterfeit: statistics.body.counterfeit,
      unconfirmed: statistics.body.unconfirmed,
      generation: statistics.body.generation,
      asOf: statistics.body.asOf,
    },
  };
}

/**
 * Keep an edited check, or a new one, of a kind of goods, and learn anew with what it states.
 *
 * @param from the revision of the kind that the editor began with: what others did to other checks since stays
 * @throws Refusal with a sentence where it is unsound, or somebody else kept this check meanwhile; nothing is kept then
 */
export async function saveCheck(
  desk: Desk,
  by: string,
  kind: string,
  check: CheckDefinition,
  from: number,
): Promise<{ revision: number }> {
  await allow(desk, by, 'editChecks');
  const problem = formatProblem('check', check);
  if (problem) throw new Refusal('invalid', problem);
  const definition = await readKind(desk, kind);
  const { checks } = definition.body;
  const began = await readRevision<KindDefinition>(desk.store, 'kind', kind, from);
  const own = ({ id }: CheckDefinition) => id === check.id;
  if (!began || JSON.stringify(began.body.checks.find(own)) !== JSON.stringify(checks.find(own)))
    throw new Refusal(
      'conflict',
      `Somebody kept another version of “${check.name}” meanwhile. Copy what you changed, load the page again and enter it there.`,
    );
  const next = checks.some(own) ? checks.map((each) => (own(each) ? check : each)) : [...checks, check];
  const body = { ...definition.body, checks: next } as KindDefinition;
  await saveRecords(desk, [{ kind: 'kind', body, from: definition.revision }]);
  await desk.store.write((transaction) => markRestated(desk, kind, transaction));
  await desk.learner(desk);
  return { revision: (await readDocument(desk.store, 'kind', kind))?.revision ?? 1 };
}

/** Agreement of two people over time: Cohen's kappa by quarter. */
export async function agreementByQuarter(
  desk: Desk,
): Promise<{ quarter: string; pairs: number; kappa: number | null }[]> {
  const quarters = new Map<string, Parameters<typeof cohensKappa>[0]>();
  for (const { at, pairs } of await agreements(desk)) {
    const quarter = quarterOf(at);
    quarters.set(quarter, [...(quarters.get(quarter) ?? []), ...pairs]);
  }
  return [...quarters].map(([quarter, pairs]) => ({ quarter, pairs: pairs.length, kappa: cohensKappa(pairs) }));
}
