import type { Finding } from '../checks/finding';
import type { HouseRules } from './houseRules';
import { type Hypotheses, hypothesesOf, update } from './hypotheses';
import { outcomeChances } from './outcomeChances';
import { type Parameters, parametersOf } from './parameters';
import { addLogs, logLikelihoods, type Products, productsOf, type StrandItem } from './strandLikelihood';
import { genuineShare, type PerWorld, priorWorlds } from './worlds';

/** One finding that says something, with what it says. */
export interface Piece extends StrandItem {
  finding: Finding;
}

/** What was seen in one strand. */
export interface StrandEvidence {
  /** By check, in order of first appearance. */
  pieces: ReadonlyMap<string, Piece>;
  products: Products;
  logs: Float64Array;
}

/** All that was seen on a case, ready to be weighed and to be weighed again with single findings otherwise. */
export interface Evidence {
  prior: PerWorld;
  rules: HouseRules;
  parameters: Parameters;
  hypotheses: Hypotheses;
  strands: ReadonlyMap<string, StrandEvidence>;
}

/** A finding as a piece of evidence; null where it says nothing: open, excused, can't tell. */
export function pieceOf(finding: Finding, parameters: Parameters, rules: HouseRules): Piece | null {
  const chances = outcomeChances(finding, parameters, rules);
  return chances && { finding, bearing: finding.check.bearsOn, chances };
}

/** The evidence with findings in place of those of the same checks, or beside the others. */
export function withFindings(evidence: Evidence, findings: Finding[]): Evidence {
  const { rules, parameters } = evidence;
  const changed = new Map<string, Map<string, Piece>>();
  for (const finding of findings) {
    const piece = pieceOf(finding, parameters, rules);
    if (!piece) continue;
    const { id, strand } = finding.check;
    const pieces = changed.get(strand) ?? new Map(evidence.strands.get(strand)?.pieces);
    changed.set(strand, pieces.set(id, piece));
  }
  const strands = new Map(evidence.strands);
  for (const [strand, pieces] of changed) {
    const products = productsOf([...pieces.values()]);
    strands.set(strand, { pieces, products, logs: logLikelihoods(products, parameters.shares(strand)) });
  }
  return { ...evidence, strands };
}

/**
 * The evidence of some findings.
 *
 * @param counterfeit prior P(counterfeit), from the channel
 * @param parameters learned ones, or the stated ones
 */
export function evidenceOf(
  findings: Finding[],
  counterfeit: number,
  rules: HouseRules,
  parameters: Parameters = parametersOf(rules),
): Evidence {
  const hypotheses = hypothesesOf(parameters.quality, parameters.makes?.shares);
  const nothing = { prior: priorWorlds(counterfeit, rules), rules, parameters, hypotheses, strands: new Map() };
  return withFindings(nothing, findings);
}

/** Log-likelihoods of all that was seen, one for each hypothesis. */
export const logsOf = ({ strands, hypotheses }: Evidence): Float64Array =>
  addLogs(
    [...strands.values()].map(({ logs }) => logs),
    hypotheses.count,
  );

/** The worlds after all evidence. */
export const posteriorOf = (evidence: Evidence): PerWorld =>
  update(evidence.hypotheses, evidence.prior, logsOf(evidence));

/** P(goods genuine) after all evidence. */
export const shareOf = (evidence: Evidence): number => genuineShare(posteriorOf(evidence));

/** How far out a measure would lie that clearly differs, in tolerances. */
const FAR_OUT = 5;

/** A finding as it would be had it come out clearly one way. */
export function cameOut(finding: Finding, mark: 'agrees' | 'differs'): Finding {
  if (!finding.nominal) return { ...finding, mark };
  const { value, tolerance } = finding.nominal;
  return { ...finding, mark, value: mark === 'agrees' ? value : value + FAR_OUT * tolerance };
}
