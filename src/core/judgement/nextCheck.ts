import { type Finding, withinTolerance } from '../checks/finding';
import type { HouseRules } from './houseRules';
import { counts } from './outcomeChances';
import { type Parameters, parametersOf } from './parameters';
import { type StrandItem, strandLogLikelihood } from './strandLikelihood';
import { groupByStrand, itemsOf, posteriorWorlds } from './weigh';
import { GENUINE_WORLDS, genuineShare, type PerWorld, WORLDS } from './worlds';

/** What looking at one open check is expected to tell about the goods. */
export interface Gain {
  finding: Finding;
  /** Expected information about whether the goods are genuine, in bits. */
  bits: number;
  minutes: number;
  bitsPerMinute: number;
}

/** Values tried for a measured check, as multiples of its tolerance; far enough out for a poor copy. */
const GRID = Array.from({ length: 21 }, (_, i) => (i - 10) * 0.8);

/** The findings that an open check may turn into. */
function possibleOutcomes(finding: Finding): Finding[] {
  const { check, nominal } = finding;
  if (check.answer.form !== 'quantity' || !nominal) {
    return [
      { ...finding, mark: 'agrees' },
      { ...finding, mark: 'differs' },
    ];
  }
  const { uncertainty } = check.answer;
  return GRID.map((step) => {
    const value = nominal.value + step * nominal.tolerance;
    return { ...finding, value, mark: withinTolerance(value, uncertainty, nominal) ? 'agrees' : 'differs' };
  });
}

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Expected drop in the entropy of “genuine”, exact over the worlds and the classes of the check's strand. */
function expectedBits(
  finding: Finding,
  seen: StrandItem[],
  worlds: PerWorld,
  rules: HouseRules,
  parameters: Parameters,
): number {
  const mix = parameters.mix(finding.check.strand);
  const base = strandLogLikelihood(seen, mix);
  const joint = itemsOf(possibleOutcomes(finding), parameters, rules).map((outcome) => {
    const after = strandLogLikelihood([...seen, outcome], mix);
    return WORLDS.map((world) => Math.exp(after[world] - base[world]));
  });
  // Grid densities do not sum to 1, so each world's column is normalised before it is used as a distribution.
  const sums = WORLDS.map((_, w) => joint.reduce((sum, row) => sum + (row[w] as number), 0));
  let expected = 0;
  for (const row of joint) {
    let genuine = 0;
    let total = 0;
    for (const [w, world] of WORLDS.entries()) {
      const mass = (worlds[world] * (row[w] as number)) / (sums[w] as number);
      total += mass;
      if (GENUINE_WORLDS.has(world)) genuine += mass;
    }
    if (total > 0) expected += total * entropy(genuine / total);
  }
  return Math.max(0, entropy(genuineShare(worlds)) - expected);
}

/** True where everything that must come before a check is done or excused. */
function unlocked(finding: Finding, findings: Finding[]): boolean {
  return finding.check.after.every((id) => findings.find((each) => each.check.id === id)?.mark !== 'open');
}

/**
 * Open checks by what they are expected to tell in a minute, best first.
 *
 * @param findings every check of the case
 * @param worlds the case as it stands
 */
export function rankGains(
  findings: Finding[],
  worlds: PerWorld,
  rules: HouseRules,
  parameters: Parameters = parametersOf(rules),
): Gain[] {
  const strands = new Map(
    [...groupByStrand(findings.filter(counts))].map(([strand, seen]) => [strand, itemsOf(seen, parameters, rules)]),
  );
  return findings
    .filter((finding) => finding.mark === 'open' && unlocked(finding, findings))
    .map((finding) => {
      const bits = expectedBits(finding, strands.get(finding.check.strand) ?? [], worlds, rules, parameters);
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

const FAR_OUT = 5;

/** The best and the worst that the remaining checks can do together. */
export function bound(
  findings: Finding[],
  prior: PerWorld,
  rules: HouseRules,
  parameters: Parameters = parametersOf(rules),
): Bound {
  const all = (mark: 'agrees' | 'differs') => {
    const filled = findings.map((finding): Finding => {
      if (finding.mark !== 'open') return finding;
      if (!finding.nominal) return { ...finding, mark };
      const { value, tolerance } = finding.nominal;
      return { ...finding, mark, value: value + (mark === 'agrees' ? 0 : FAR_OUT * tolerance) };
    });
    return genuineShare(posteriorWorlds(prior, [...groupByStrand(filled).values()], parameters, rules));
  };
  return { allAgree: all('agrees'), allDiffer: all('differs') };
}
