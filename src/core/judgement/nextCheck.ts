import { type Finding, withinTolerance } from '../checks/finding';
import { cameOut, type Evidence, pieceOf, posteriorOf, shareOf, withFindings } from './evidence';
import { likelihoods, multiply, productsOf } from './strandLikelihood';
import { genuineShare, type PerWorld, WORLDS } from './worlds';

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

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Expected drop in the entropy of “genuine”, exact over the worlds and the classes of the check's strand. */
function expectedBits(finding: Finding, evidence: Evidence, worlds: PerWorld): number {
  const { parameters, rules } = evidence;
  const { strand } = finding.check;
  const mix = parameters.mix(strand);
  const seen = evidence.strands.get(strand)?.products ?? productsOf([]);
  const base = likelihoods(seen, mix);
  const joint: PerWorld[] = [];
  for (const { finding: outcome, values } of possibleOutcomes(finding, parameters.shift(finding) === null)) {
    const piece = pieceOf(outcome, parameters, rules);
    if (!piece) continue;
    const after = likelihoods(multiply(seen, piece), mix);
    for (const world of WORLDS) after[world] *= values / base[world];
    joint.push(after);
  }
  // Grid densities do not sum to 1, so each world's column is normalised before it is used as a distribution.
  const scale = { ...worlds };
  for (const world of WORLDS) scale[world] /= joint.reduce((sum, row) => sum + row[world], 0);
  let expected = 0;
  for (const row of joint) {
    for (const world of WORLDS) row[world] *= scale[world];
    const total = genuineShare(row) + row.transplanted + row.copied;
    if (total > 0) expected += total * entropy(genuineShare(row) / total);
  }
  return Math.max(0, entropy(genuineShare(worlds)) - expected);
}

/**
 * Open checks by what they are expected to tell in a minute, best first.
 *
 * @param findings every check of the case
 * @param evidence what was seen of it
 */
export function rankGains(findings: Finding[], evidence: Evidence): Gain[] {
  const open = new Set(findings.filter(({ mark }) => mark === 'open').map(({ check }) => check.id));
  const worlds = posteriorOf(evidence);
  return findings
    .filter(({ check }) => open.has(check.id) && !check.after.some((id) => open.has(id)))
    .map((finding): Gain => {
      const bits = expectedBits(finding, evidence, worlds);
      const minutes = finding.check.seconds / 60;
      return { finding, bits, minutes, bitsPerMinute: bits / minutes };
    })
    .sort((a, b) => b.bitsPerMinute - a.bitsPerMinute);
}

/** P(genuine) if every open check fell all one way. */
export interface Bound {
  allAgree: number;
  allDiffer: number;
}

/** The best and the worst that the remaining checks can do together. */
export function bound(findings: Finding[], evidence: Evidence): Bound {
  const open = findings.filter(({ mark }) => mark === 'open');
  const all = (mark: 'agrees' | 'differs') =>
    shareOf(
      withFindings(
        evidence,
        open.map((finding) => cameOut(finding, mark)),
      ),
    );
  return { allAgree: all('agrees'), allDiffer: all('differs') };
}
