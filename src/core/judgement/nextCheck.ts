import { type Finding, withinTolerance } from '../checks/finding';
import { type Evidence, logsOf, pieceOf } from './evidence';
import { type Hypotheses, updateAll } from './hypotheses';
import { likelihoods, multiply, productsOf } from './strandLikelihood';

/** What looking at one open check is expected to tell about the goods. */
export interface Gain {
  finding: Finding;
  /** Expected information about whether the goods are genuine, in bits. */
  bits: number;
  minutes: number;
  bitsPerMinute: number;
}

/** Distances tried for a measured check, as multiples of its tolerance; far enough out for a poor copy. */
const DISTANCES = Array.from({ length: 11 }, (_, i) => i * 0.8);

/** A finding that an open check may turn into, and how many values it stands for. */
interface Possible {
  finding: Finding;
  values: number;
}

/** @param even nothing is known that tells too much from too little, so that one value stands for both */
function possibleOutcomes(finding: Finding, even: boolean): Possible[] {
  const { check, nominal } = finding;
  if (check.answer.form !== 'quantity' || !nominal) {
    return [
      { finding: { ...finding, mark: 'agrees' }, values: 1 },
      { finding: { ...finding, mark: 'differs' }, values: 1 },
    ];
  }
  const { uncertainty } = check.answer;
  const at = (step: number, values: number): Possible => {
    const value = nominal.value + step * nominal.tolerance;
    const mark = withinTolerance(value, uncertainty, nominal) ? 'agrees' : 'differs';
    return { finding: { ...finding, value, mark }, values };
  };
  return DISTANCES.flatMap((step) => (step === 0 ? at(0, 1) : even ? at(step, 2) : [at(step, 1), at(-step, 1)]));
}

/** How much is in doubt about what is true with that probability, in bits. */
export const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/**
 * Expected drop in the entropy of “genuine”.
 *
 * @param joint for each outcome, how likely it is under each hypothesis; columns need not sum to 1
 * @param before P of each hypothesis
 */
export function informationOf(joint: Float64Array[], before: Float64Array, hypotheses: Hypotheses): number {
  // Grid densities do not sum to 1, so each hypothesis' column is normalised before it is used as a distribution.
  const columns = new Float64Array(hypotheses.count);
  for (const row of joint)
    for (let at = 0; at < row.length; at++) columns[at] = (columns[at] as number) + (row[at] as number);
  let [expected, genuineBefore] = [0, 0];
  for (const row of joint) {
    let [genuine, total] = [0, 0];
    for (let at = 0; at < row.length; at++) {
      const p = ((row[at] as number) * (before[at] as number)) / (columns[at] as number);
      total += p;
      if (at < hypotheses.from.transplanted) genuine += p;
    }
    genuineBefore += genuine;
    if (total > 0) expected += total * entropy(genuine / total);
  }
  return Math.max(0, entropy(genuineBefore) - expected);
}

/** Expected drop in the entropy of “genuine”, exact over the hypotheses and the classes of the check's strand. */
function expectedBits(finding: Finding, evidence: Evidence, before: Float64Array): number {
  const { parameters, rules, hypotheses } = evidence;
  const { strand } = finding.check;
  const shares = parameters.shares(strand);
  const seen = evidence.strands.get(strand)?.products ?? productsOf([]);
  const base = likelihoods(seen, shares);
  const joint: Float64Array[] = [];
  for (const { finding: outcome, values } of possibleOutcomes(finding, parameters.shift(finding) === null)) {
    const piece = pieceOf(outcome, parameters, rules);
    if (!piece) continue;
    const after = likelihoods(multiply(seen, piece), shares);
    for (let at = 0; at < after.length; at++) after[at] = ((after[at] as number) * values) / (base[at] as number);
    joint.push(after);
  }
  return informationOf(joint, before, hypotheses);
}

/**
 * Open checks by what they are expected to tell in a minute, best first.
 *
 * @param findings every check of the case
 * @param evidence what was seen of it
 */
export function rankGains(findings: Finding[], evidence: Evidence): Gain[] {
  const open = new Set(findings.filter(({ mark }) => mark === 'open').map(({ check }) => check.id));
  const before = updateAll(evidence.hypotheses, evidence.prior, logsOf(evidence));
  return findings
    .filter(({ check }) => open.has(check.id) && !check.after.some((id) => open.has(id)))
    .map((finding): Gain => {
      const bits = expectedBits(finding, evidence, before);
      const minutes = finding.check.seconds / 60;
      return { finding, bits, minutes, bitsPerMinute: bits / minutes };
    })
    .sort((a, b) => b.bitsPerMinute - a.bitsPerMinute);
}
