import type { Finding } from '../checks/finding';
import type { HouseRules, Thresholds } from './houseRules';
import { type Gain, rankGains } from './nextCheck';
import { counts } from './outcomeChances';
import type { Parameters } from './parameters';
import { addLogs, type StrandItem, strandLogLikelihood } from './strandLikelihood';
import { itemsOf, type Weighing } from './weigh';
import { genuineShare, type PerWorld, update } from './worlds';

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

/** The finding as it would be had it come out some way. */
function as(finding: Finding, mark: 'agrees' | 'differs'): Finding {
  if (!finding.nominal) return { ...finding, mark };
  const { value, tolerance } = finding.nominal;
  return { ...finding, mark, value: mark === 'agrees' ? value : value + FAR_OUT * tolerance };
}

const turned = (finding: Finding): Finding => as(finding, finding.mark === 'agrees' ? 'differs' : 'agrees');

/**
 * P(genuine) while single findings are exchanged or added: a strand is weighed anew only where it changes.
 */
function whatIf(seen: Finding[], prior: PerWorld, rules: HouseRules, parameters: Parameters) {
  const items = new Map<string, Map<string, StrandItem>>();
  const logs = new Map<string, PerWorld>();
  const weighStrand = (strand: string) =>
    logs.set(strand, strandLogLikelihood([...(items.get(strand)?.values() ?? [])], parameters.mix(strand)));
  /** Put a finding in place of the one of the same check, or beside the others. */
  const put = (finding: Finding): void => {
    const { id, strand } = finding.check;
    const own = items.get(strand) ?? new Map<string, StrandItem>();
    items.set(strand, own);
    const [item] = itemsOf([finding], parameters, rules);
    if (item) own.set(id, item);
    weighStrand(strand);
  };
  for (const finding of seen) put(finding);
  return { put, share: () => genuineShare(update(prior, addLogs([...logs.values()]))) };
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
  const { put, share } = whatIf(seen, prior, rules, parameters);
  const single = seen
    .map((finding): Flip => {
      put(turned(finding));
      const p = share();
      put(finding);
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
  const together: Finding[] = [];
  for (const { finding } of holding) {
    together.push(finding);
    put(turned(finding));
    const p = share();
    const to = weighedSide(p, limits);
    if (to !== side) return [{ findings: together, to, p }];
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
  if (doubtful.size === 0) return [];
  // Only the doubtful ones are asked for again; what is open anyway has its own list.
  const reopened = findings
    .filter(({ mark }) => mark !== 'open')
    .map((finding): Finding => {
      if (!doubtful.has(finding.check.id)) return finding;
      const { value: _, ...rest } = finding;
      return { ...rest, mark: 'open' };
    });
  return rankGains(reopened, weighing.posterior, rules, parameters);
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
  const agreeing = whatIf(seen, prior, rules, parameters);
  const differing = whatIf(seen, prior, rules, parameters);
  const chosen: string[] = [];
  for (const { finding } of gains) {
    chosen.push(finding.check.id);
    agreeing.put(as(finding, 'agrees'));
    differing.put(as(finding, 'differs'));
    if (agreeing.share() >= limits.accept && differing.share() <= limits.reject) break;
  }
  return chosen;
}
