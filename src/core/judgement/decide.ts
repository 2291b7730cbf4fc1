import { type HouseRules, type Thresholds, thresholds } from './houseRules';

export type GoodsDecision = 'genuine' | 'counterfeit' | 'undecided' | 'noObjection';
export type PackagingDecision = 'own' | 'notOwn' | 'undecided' | 'notSeen' | 'noObjection';

export interface Decision<D> {
  decision: D;
  /** Why it is undecided, or why it is capped; empty for a plain decision. */
  reasons: string[];
}

/** The sign stays on the line of its figure. */
const PERCENT = '\u00a0%';

/** A probability as a person reads it: `97 %`, `99.4 %`, `over 99.9 %`; never a certainty. */
export function formatShare(share: number): string {
  const value = share * 100;
  if (value < 0.1) return `under 0.1${PERCENT}`;
  if (value > 99.9) return `over 99.9${PERCENT}`;
  return `${Number(value.toFixed(value >= 1 && value <= 99 ? 0 : 1))}${PERCENT}`;
}

/**
 * A probability as a person reads it, fine enough to be told from the thresholds that it does not reach.
 *
 * @example formatShareAgainst(0.947, { accept: 0.95, reject: 0.2 }) // '94.7 %'
 */
export function formatShareAgainst(share: number, { accept, reject }: Thresholds): string {
  const plain = formatShare(share);
  const close = [accept, reject].find((limit) => limit !== share && formatShare(limit) === plain);
  if (close === undefined) return plain;
  for (const places of [1, 2]) {
    const fine = (share * 100).toFixed(places);
    if (Number(fine) !== Number((close * 100).toFixed(places))) return `${fine}${PERCENT}`;
  }
  return `just ${share < close ? 'under' : 'over'} ${plain}`;
}

type Side = 'yes' | 'no' | 'open';

/**
 * The side of the thresholds on which a probability with its interval stands.
 *
 * @param p probability of the favourable answer
 * @returns `open` with the reasons where escalating is cheapest or the interval crosses a threshold
 */
export function sideOfThresholds(
  p: number,
  [low, high]: [number, number],
  limits: Thresholds,
): { side: Side; reasons: string[] } {
  const { accept, reject } = limits;
  if (p > reject && p < accept) {
    return {
      side: 'open',
      reasons: [
        `${formatShareAgainst(p, limits)} lies between ${formatShare(reject)} and ${formatShare(accept)}, where a second look costs less than a mistake`,
      ],
    };
  }
  if (p >= accept && low < accept) {
    return {
      side: 'open',
      reasons: [
        `the interval reaches down to ${formatShareAgainst(low, limits)}, under the ${formatShare(accept)} that accepting needs`,
      ],
    };
  }
  if (p <= reject && high > reject) {
    return {
      side: 'open',
      reasons: [
        `the interval reaches up to ${formatShareAgainst(high, limits)}, over the ${formatShare(reject)} that rejecting needs`,
      ],
    };
  }
  return { side: p >= accept ? 'yes' : 'no', reasons: [] };
}

const logOdds = (p: number): number => Math.log(p) - Math.log1p(-p);

/** So far, in parts of its width, an end of an interval from few draws may lie from where many put it. */
const STRAYS = 0.5;

/** True where the side hangs on the end of an interval that more draws could put beyond the threshold. */
export function hangsOnDraws(p: number, interval: [number, number], { accept, reject }: Thresholds): boolean {
  const limit = p >= accept ? accept : p <= reject ? reject : null;
  if (limit === null) return false;
  const [low, high] = interval.map((end) => logOdds(Math.min(1 - 1e-12, Math.max(1e-12, end)))) as [number, number];
  return Math.abs((p >= accept ? low : high) - logOdds(limit)) <= STRAYS * (high - low);
}

/** Turn a side into a decision about the goods; pictures alone never do better than “no objection”. */
export function decideGoods(
  side: Side,
  reasons: string[],
  missing: string[],
  inHand: boolean,
): Decision<GoodsDecision> {
  if (side !== 'open' && missing.length > 0) {
    return { decision: 'undecided', reasons: [`the house requires ${missing.join(', ')} first`] };
  }
  if (side === 'open') return { decision: 'undecided', reasons };
  if (side === 'no') return { decision: 'counterfeit', reasons };
  return inHand ? { decision: 'genuine', reasons } : { decision: 'noObjection', reasons: ['only pictures were seen'] };
}

/** Turn a side into a decision about the packaging; pictures alone never do better than “no objection”. */
export function decidePackaging(
  side: Side,
  reasons: string[],
  { packaged, inHand }: { packaged: boolean; inHand: boolean },
): Decision<PackagingDecision> {
  if (!packaged) return { decision: 'notSeen', reasons: ['the goods came without packaging'] };
  if (side === 'open') return { decision: 'undecided', reasons };
  if (side === 'no') return { decision: 'notOwn', reasons };
  return inHand ? { decision: 'own', reasons } : { decision: 'noObjection', reasons: ['only pictures were seen'] };
}

/** What a decision about the goods rests on. */
export interface Deciding {
  p: number;
  interval: [number, number];
  /** Decibans of all evidence. */
  weight: number;
  /** Decibans of what was seen of the item itself; null where the listing may decide alone. */
  ofItem: number | null;
  faults: number;
  chain: 'holds' | 'broken' | 'open';
  /** Required checks that were neither done nor excused, by name. */
  missing: string[];
  inHand: boolean;
  /** What no genuine item is expected to show, as a sentence; null where nothing is. */
  misfit: string | null;
}

/** What the house's school makes of a case. */
export function schoolDecides(rules: HouseRules, deciding: Deciding): Decision<GoodsDecision> {
  const { p, interval, weight, ofItem, faults, chain, missing, inHand, misfit } = deciding;
  if (rules.school === 'oneFault') return decideGoods(faults === 0 ? 'yes' : 'no', [], missing, inHand);
  if (rules.school === 'chain') {
    if (chain === 'open') return decideGoods('open', ['nothing of the chain was observed'], missing, inHand);
    return decideGoods(chain === 'holds' ? 'yes' : 'no', [], missing, inHand);
  }
  const { side, reasons } = sideOfThresholds(p, interval, thresholds(rules.losses));
  if (side !== 'open' && Math.abs(weight) < rules.leastEvidence) {
    const reason = `all that was seen weighs ${Math.abs(weight).toFixed(1)} dban, under the ${rules.leastEvidence} that the house wants`;
    return decideGoods('open', [reason], missing, inHand);
  }
  const own = ofItem === null ? null : side === 'yes' ? ofItem : -ofItem;
  if (side !== 'open' && own !== null && own < rules.leastEvidence) {
    const reason = `a listing alone decides nothing: what was seen of the item itself weighs ${own.toFixed(1)} dban that way, under the ${rules.leastEvidence} that the house wants`;
    return decideGoods('open', [reason], missing, inHand);
  }
  if (side === 'yes' && misfit) return decideGoods('open', [misfit], missing, inHand);
  return decideGoods(side, reasons, missing, inHand);
}
