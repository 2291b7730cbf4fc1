import type { Finding } from '../checks/finding';
import type { HouseRules } from './houseRules';
import { counts, outcomeChances } from './outcomeChances';
import { type Parameters, parametersOf } from './parameters';
import { addLogs, type StrandItem, strandLogLikelihood } from './strandLikelihood';
import { type PerWorld, priorWorlds, update, weightOf } from './worlds';

/** What one check added, given the rest of its strand: the change that taking it away would make. */
export interface CheckWeight {
  finding: Finding;
  /** Decibans; positive speaks for genuine goods. */
  weight: number;
}

/** The evidence of one strand on its own. */
export interface StrandWeight {
  strand: string;
  weight: number;
  /** Heaviest first. */
  checks: CheckWeight[];
}

/** Findings by strand, in order of first appearance. */
export function groupByStrand(findings: Finding[]): Map<string, Finding[]> {
  const strands = new Map<string, Finding[]>();
  for (const finding of findings) {
    const strand = strands.get(finding.check.strand);
    if (strand) strand.push(finding);
    else strands.set(finding.check.strand, [finding]);
  }
  return strands;
}

/** Findings as pieces of evidence; those that say nothing are left out. */
export function itemsOf(findings: Finding[], parameters: Parameters, rules: HouseRules): StrandItem[] {
  return findings.flatMap((finding) => {
    const chances = outcomeChances(finding, parameters, rules);
    return chances ? [{ bearing: finding.check.bearsOn, chances }] : [];
  });
}

/** Log-likelihood of one strand's findings. */
function strandLogs(findings: Finding[], parameters: Parameters, rules: HouseRules): PerWorld {
  const strand = findings[0]?.check.strand ?? '';
  return strandLogLikelihood(itemsOf(findings, parameters, rules), parameters.mix(strand));
}

/** The worlds after all findings, with given parameters. */
export function posteriorWorlds(
  prior: PerWorld,
  strands: Finding[][],
  parameters: Parameters,
  rules: HouseRules,
): PerWorld {
  return update(prior, addLogs(strands.map((findings) => strandLogs(findings, parameters, rules))));
}

export interface Weighing {
  prior: PerWorld;
  posterior: PerWorld;
  /** Decibans of all evidence together. */
  weight: number;
  /** Heaviest first; only strands in which something was seen. */
  strands: StrandWeight[];
  /** What the strands' weights do not add up to: goods and packaging are weighed together, not one by one. */
  interplay: number;
}

/**
 * Weigh all findings: four states, strands with hidden classes.
 *
 * @param counterfeit prior P(counterfeit), from the channel
 * @param parameters learned ones, or the stated ones
 * @source docs/architecture.md, “How a case is weighed”
 */
export function weigh(
  findings: Finding[],
  counterfeit: number,
  rules: HouseRules,
  parameters: Parameters = parametersOf(rules),
): Weighing {
  const prior = priorWorlds(counterfeit, rules);
  const groups = [...groupByStrand(findings.filter(counts))];
  const strands = groups.map(([strand, group]): StrandWeight => {
    const items = itemsOf(group, parameters, rules);
    const mix = parameters.mix(strand);
    const alone = (some: StrandItem[]) => weightOf(prior, update(prior, strandLogLikelihood(some, mix)));
    const weight = alone(items);
    const checks = group.map((finding, i) => ({ finding, weight: weight - alone(items.filter((_, at) => at !== i)) }));
    checks.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
    return { strand, weight, checks };
  });
  strands.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  const posterior = posteriorWorlds(
    prior,
    groups.map(([, group]) => group),
    parameters,
    rules,
  );
  const weight = weightOf(prior, posterior);
  const interplay = weight - strands.reduce((sum, strand) => sum + strand.weight, 0);
  return { prior, posterior, weight, strands, interplay };
}
