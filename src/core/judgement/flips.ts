import type { Finding } from '../checks/finding';
import { cameOut, type Evidence, shareOf, withFindings } from './evidence';
import type { Thresholds } from './houseRules';
import { type Gain, rankGains } from './nextCheck';
import type { Weighing } from './weigh';
import { genuineShare } from './worlds';

export type WeighedSide = 'genuine' | 'undecided' | 'counterfeit';

/** What would change what the weighing says: answers that would have to be otherwise, and what it would say then. */
export interface Flip {
  findings: Finding[];
  to: WeighedSide;
  p: number;
}

const MOST_FLIPS = 4;

export function weighedSide(p: number, { accept, reject }: Thresholds): WeighedSide {
  return p >= accept ? 'genuine' : p <= reject ? 'counterfeit' : 'undecided';
}

const turned = (finding: Finding): Finding => cameOut(finding, finding.mark === 'agrees' ? 'differs' : 'agrees');

/**
 * The nearest changes of mind: single answers that would move the weighing to another side of the thresholds,
 * those that move it least beyond first; where no single one does, the fewest of the heaviest together.
 */
export function nearestFlips(evidence: Evidence, { posterior, strands }: Weighing, limits: Thresholds): Flip[] {
  const now = genuineShare(posterior);
  const side = weighedSide(now, limits);
  const checks = strands.flatMap((strand) => strand.checks);
  const single = checks
    .map(({ finding }): Flip => {
      const p = shareOf(withFindings(evidence, [turned(finding)]));
      return { findings: [finding], to: weighedSide(p, limits), p };
    })
    .filter(({ to }) => to !== side)
    .sort((a, b) => Math.abs(a.p - now) - Math.abs(b.p - now));
  if (single.length > 0) return single.slice(0, MOST_FLIPS);
  // What holds the case where it is, the heaviest first.
  const towards = now >= 0.5 ? 1 : -1;
  const holding = checks
    .filter(({ weight }) => weight * towards > 0)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  const together: Finding[] = [];
  let otherwise = evidence;
  for (const { finding } of holding) {
    together.push(finding);
    otherwise = withFindings(otherwise, [turned(finding)]);
    const p = shareOf(otherwise);
    const to = weighedSide(p, limits);
    if (to !== side) return [{ findings: together, to, p }];
  }
  return [];
}

/**
 * What a second look is worth where the first could not tell, or two people found opposite things: the bits that
 * a clear answer is expected to bring, best first.
 *
 * @param findings every check of the case
 */
export function secondLooks(findings: Finding[], evidence: Evidence): Gain[] {
  // Only the doubtful ones are asked for again; what is open anyway has its own list.
  const reopened = findings
    .filter(({ mark }) => mark !== 'open')
    .map(({ value, ...rest }): Finding => (rest.mark === 'cantTell' ? { ...rest, mark: 'open' } : { ...rest, value }));
  return rankGains(reopened, evidence);
}

/**
 * The quick pass: the fewest open checks, most telling for their time first, that could settle the case either way
 * if they all fell the same. All of them where even together they could not.
 */
export function quickPass(gains: Gain[], evidence: Evidence, limits: Thresholds): string[] {
  let agreeing = evidence;
  let differing = evidence;
  const chosen: string[] = [];
  for (const { finding } of gains) {
    chosen.push(finding.check.id);
    agreeing = withFindings(agreeing, [cameOut(finding, 'agrees')]);
    differing = withFindings(differing, [cameOut(finding, 'differs')]);
    if (shareOf(agreeing) >= limits.accept && shareOf(differing) <= limits.reject) break;
  }
  return chosen;
}
