import type { CheckDefinition } from '../checks/check';
import type { Finding } from '../checks/finding';
import type { ConfirmedCase } from './confirmedCase';
import { type GoodsDecision, schoolDecides } from './decide';
import { drawIntervals, holding } from './draws';
import { EDITIONS, NEWEST_EDITION } from './edition';
import { evidenceOf } from './evidence';
import type { HouseRules } from './houseRules';
import { misfit } from './misfit';
import { type Knowledge, parametersOf } from './parameters';
import { priorOf } from './prior';
import { ONE_FAULT_CHANCE } from './readings';
import type { TellStatistics } from './statistics';
import { weigh, weightOfItem } from './weigh';
import { genuineShare } from './worlds';

/** What some house rules would have made of cases whose truth is known. */
export interface Replay {
  cases: number;
  /** Decided as the truth was. */
  right: number;
  acceptedCounterfeit: number;
  rejectedGenuine: number;
  undecided: number;
  meanLoss: number;
  /** By case number. */
  decisions: Record<string, GoodsDecision>;
}

/** Enough for a preview that follows the hand. */
const DRAWS = 40;
const SEED = 0.271828;

/** The findings of a confirmed case as they are weighed; measured values by their residuals. */
function findingsOf(confirmed: ConfirmedCase, checks: Map<string, CheckDefinition>): Finding[] {
  return Object.entries(confirmed.findings).flatMap(([id, { differs, residual }]): Finding[] => {
    const check = checks.get(id);
    if (!check) return [];
    const finding: Finding = { check, mark: differs ? 'differs' : 'agrees', problems: [] };
    if (!residual) return [finding];
    const { off, scale, freedom } = residual;
    const uncertainty = check.answer.form === 'quantity' ? check.answer.uncertainty : 0.3;
    const own = Math.sqrt(Math.max(1e-9, scale ** 2 - uncertainty ** 2));
    const nominal = { value: 0, tolerance: 2 * scale, unit: '', source: '', predictive: { scale: own, freedom } };
    return [{ ...finding, value: off, nominal, ...(confirmed.release ? { releaseId: confirmed.release } : {}) }];
  });
}

function lossOf(decision: GoodsDecision, goods: 'genuine' | 'counterfeit', { losses }: HouseRules): number {
  if (decision === 'undecided') return losses.escalate;
  if (decision === 'counterfeit') return goods === 'genuine' ? losses.rejectGenuine : 0;
  return goods === 'counterfeit' ? losses.acceptCounterfeit : 0;
}

/**
 * Decide confirmed cases anew, under some house rules and with what is known today.
 *
 * @param cases confirmed ones, of any kinds of goods
 * @param checks of all kinds, by id within the kind: `footwear/box.corners`
 * @param statistics by kind
 */
export function replay(
  cases: ConfirmedCase[],
  checks: Record<string, CheckDefinition[]>,
  rules: HouseRules,
  statistics: Record<string, TellStatistics | null>,
): Replay {
  const byKind = new Map(
    Object.entries(checks).map(([kind, list]) => [kind, new Map(list.map((check) => [check.id, check]))]),
  );
  const result: Replay = {
    cases: cases.length,
    right: 0,
    acceptedCounterfeit: 0,
    rejectedGenuine: 0,
    undecided: 0,
    meanLoss: 0,
    decisions: {},
  };
  for (const confirmed of cases) {
    const { kind, truth, circumstances, without, chain, number } = confirmed;
    const known = byKind.get(kind) ?? new Map<string, CheckDefinition>();
    const findings = findingsOf(confirmed, known);
    const learned = statistics[kind] ?? null;
    const knowledge: Knowledge = { rules, statistics: learned, edition: EDITIONS[NEWEST_EDITION] };
    const prior = priorOf(circumstances, rules, learned, knowledge.edition);
    const evidence = evidenceOf(findings, prior, rules, parametersOf(rules, learned));
    const { posterior, weight, strands } = weigh(evidence);
    const p = genuineShare(posterior);
    const missing = (rules.required[kind] ?? []).filter((id) => !confirmed.findings[id] && !without.includes(id));
    const { decision } = schoolDecides(rules, {
      p,
      interval: holding(drawIntervals(evidence, knowledge, DRAWS, SEED).genuine, p),
      weight,
      ofItem: knowledge.edition.asksForItem ? weightOfItem({ weight, strands }) : null,
      faults: findings.filter(({ check, mark }) => mark === 'differs' && check.g <= ONE_FAULT_CHANCE).length,
      chain,
      missing,
      inHand: circumstances.inHand,
      misfit: misfit(findings, rules),
    });
    result.decisions[number] = decision;
    result.meanLoss += lossOf(decision, truth.goods, rules) / cases.length;
    if (decision === 'undecided') result.undecided += 1;
    else if ((decision === 'counterfeit') === (truth.goods === 'counterfeit')) result.right += 1;
    else if (decision === 'counterfeit') result.rejectedGenuine += 1;
    else result.acceptedCounterfeit += 1;
  }
  return result;
}

/** Why some rules should not be saved without thought, as sentences. */
export function ruleWarnings(rules: HouseRules, after: Replay | null): string[] {
  const warnings: string[] = [];
  const { acceptCounterfeit, rejectGenuine, escalate } = rules.losses;
  if (after && after.cases > 0 && after.undecided === after.cases)
    warnings.push(`All of the last ${after.cases} confirmed cases would have been left undecided.`);
  if (rules.school === 'weighing' && escalate / acceptCounterfeit < 0.0005 && escalate / rejectGenuine < 0.0005)
    warnings.push('Escalating costs next to nothing, so no case will ever be decided.');
  if (rules.leastEvidence > 40) warnings.push('Hardly any case has so much evidence; nearly all will stay undecided.');
  if (escalate >= Math.max(acceptCounterfeit, rejectGenuine))
    warnings.push('Escalating costs more than any mistake, so no case will ever be left undecided for its evidence.');
  return warnings;
}
