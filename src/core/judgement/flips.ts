import type { Finding } from '../checks/finding';
import type { HouseRules, Thresholds } from './houseRules';
import { type Gain, rankGains } from './nextCheck';
import { counts } from './outcomeChances';
import type { Parameters } from './parameters';
import { groupByStrand, posteriorWorlds, type Weighing } from './weigh';
import { genuineShare } from './worlds';

export type WeighedSide = 'genuine' | 'undecided' | 'counterfeit';

/** What would change what the weighing says: answers that would have to be otherwise, and what it would say then. */
export interface Flip {
  findings: Finding[];
  to: WeighedSide;
  p: number;
}

const MOST_FLIPS = 4;
const FAR_OUT = 4;

export function weighedSide(p: number, { accept, reject }: Thresholds): WeighedSide {
  return p >= accept ? 'genuine' : p <= reject ? 'counterfeit' : 'undecided';
}

/** The finding as it would be had it come out the other way. */
function turned(finding: Finding): Finding {
  const mark = finding.mark === 'agrees' ? 'differs' : 'agrees';
  if (finding.value === undefined || !finding.nominal) return { ...finding, mark };
  const { value, tolerance } = finding.nominal;
  return { ...finding, mark, value: mark === 'agrees' ? value : value + FAR_OUT * tolerance };
}

/**
 * The nearest changes of mind: single answers that would move the weighing to another side of the thresholds,
 * those that move it least beyond first; where no single one does, the fewest of the heaviest together.
 *
 * @param findings every check of the case
 */
export function nearestFlips(
  findings: Finding[],
  { prior, posterior, strands }: Weighing,
  limits: Thresholds,
  rules: HouseRules,
  parameters: Parameters,
): Flip[] {
  const now = genuineShare(posterior);
  const side = weighedSide(now, limits);
  const seen = findings.filter(counts);
  const shareWith = (others: Set<Finding>) => {
    const changed = seen.map((finding) => (others.has(finding) ? turned(finding) : finding));
    return genuineShare(posteriorWorlds(prior, [...groupByStrand(changed).values()], parameters, rules));
  };
  const single = seen
    .map((finding): Flip => {
      const p = shareWith(new Set([finding]));
      return { findings: [finding], to: weighedSide(p, limits), p };
    })
    .filter(({ to }) => to !== side)
    .sort((a, b) => Math.abs(a.p - now) - Math.abs(b.p - now));
  if (single.length > 0) return single.slice(0, MOST_FLIPS);
  // What holds the case where it is, the heaviest first.
  const towards = now >= 0.5 ? 1 : -1;
  const holding = strands
    .flatMap(({ checks }) => checks)
    .filter(({ weight }) => weight * towards > 0)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  const together = new Set<Finding>();
  for (const { finding } of holding) {
    together.add(finding);
    const p = shareWith(together);
    const to = weighedSide(p, limits);
    if (to !== side) return [{ findings: [...together], to, p }];
  }
  return [];
}

/**
 * What a second look is worth where the first could not tell, or two people found opposite things: the bits that
 * a clear answer is expected to bring, best first.
 */
export function secondLooks(
  findings: Finding[],
  weighing: Weighing,
  rules: HouseRules,
  parameters: Parameters,
): Gain[] {
  const doubtful = new Set(findings.filter(({ mark }) => mark === 'cantTell').map(({ check }) => check.id));
  const reopened = findings.map((finding): Finding => {
    if (!doubtful.has(finding.check.id)) return finding;
    const { value: _, ...rest } = finding;
    return { ...rest, mark: 'open' };
  });
  return rankGains(reopened, weighing.posterior, rules, parameters).filter(({ finding }) =>
    doubtful.has(finding.check.id),
  );
}

/**
 * The quick pass: the fewest open checks, most telling for their time first, that could settle the case either way
 * if they all fell the same. All of them where even together they could not.
 */
export function quickPass(
  gains: Gain[],
  findings: Finding[],
  { prior }: Weighing,
  limits: Thresholds,
  rules: HouseRules,
  parameters: Parameters,
): string[] {
  const seen = findings.filter(counts);
  const chosen: Finding[] = [];
  const all = (mark: 'agrees' | 'differs') => {
    const filled = chosen.map((finding): Finding => {
      if (!finding.nominal) return { ...finding, mark };
      const { value, tolerance } = finding.nominal;
      return { ...finding, mark, value: value + (mark === 'agrees' ? 0 : FAR_OUT * tolerance) };
    });
    const groups = [...groupByStrand([...seen, ...filled]).values()];
    return genuineShare(posteriorWorlds(prior, groups, parameters, rules));
  };
  for (const { finding } of gains) {
    chosen.push(finding);
    if (all('agrees') >= limits.accept && all('differs') <= limits.reject) break;
  }
  return chosen.map(({ check }) => check.id);
}
