/** What a house pays and loses around a purchase, in its currency. */
export interface DealCosts {
  /** Work and shipping of checking one item. */
  check: number;
  /** Sending one back. */
  returning: number;
  /** Share of the price that comes back for a counterfeit. */
  refunded: number;
  /** Share of a sale that selling costs. */
  selling: number;
  /** What a counterfeit that was sold on costs beyond its price. */
  mistake: number;
  /** Share of counterfeits that the check does not find. */
  missed: number;
}

/** What stands for a house that says nothing else. */
export const DEAL_COSTS: DealCosts = {
  check: 12,
  returning: 9,
  refunded: 0.8,
  selling: 0.12,
  mistake: 150,
  missed: 0.05,
};

/** A figure with the values between which it lies, 9 times in 10. */
export interface Ranged {
  value: number;
  low: number;
  high: number;
}

/** A deal as it stands before the item was bought. */
export interface Deal {
  /** P(goods genuine). */
  p: Ranged;
  /** What it sells for, genuine. */
  resale: Ranged;
  costs: DealCosts;
}

const gain = (p: number, resale: number, price: number, costs: DealCosts): number => {
  const { check, returning, refunded, selling, mistake, missed } = costs;
  const genuine = resale * (1 - selling) - price;
  const found = price * refunded - returning - price;
  const sold = resale * (1 - selling) - price - mistake;
  return p * genuine + (1 - p) * ((1 - missed) * found + missed * sold) - check;
};

/** The price at which a purchase neither gains nor loses; 0 where none does. */
function breakEven(p: number, resale: number, costs: DealCosts): number {
  const { refunded, missed } = costs;
  const atNothing = gain(p, resale, 0, costs);
  // A purchase gains less by this for each unit of its price.
  const slope = p + (1 - p) * ((1 - missed) * (1 - refunded) + missed);
  return Math.max(0, atNothing / slope);
}

/** Deviations of two figures that are known independently, as those of what both go into. */
const together = (a: number, b: number): number => Math.hypot(a, b);

/**
 * The price up to which buying pays, and how far that is known: the ends of P(genuine) and of the resale value are
 * carried through one at a time and put together as independent ones are.
 *
 * @source ISO/IEC Guide 98-3 (GUM), 5.1, with both ends kept apart since neither is symmetric
 */
export function payableUpTo({ p, resale, costs }: Deal): Ranged {
  const value = breakEven(p.value, resale.value, costs);
  const off = (ofP: number, ofResale: number) => breakEven(ofP, ofResale, costs) - value;
  return {
    value,
    low: Math.max(0, value - together(off(p.low, resale.value), off(p.value, resale.low))),
    high: value + together(off(p.high, resale.value), off(p.value, resale.high)),
  };
}

/** What a purchase at that price is expected to gain, after all costs. */
export const expectedGain = ({ p, resale, costs }: Deal, price: number): number =>
  gain(p.value, resale.value, price, costs);

/** How an answer may come out, how likely that is, and P(genuine) then. */
export interface PossibleAnswer {
  chance: number;
  p: number;
}

/**
 * What an answer is worth in money before buying: whoever may still walk away gains by learning when to.
 *
 * @param answers all ways in which it may come out; their chances sum to 1
 * @source value of sample information: Raiffa, Schlaifer, Applied Statistical Decision Theory (1961)
 */
export function worthOfAnswer(deal: Deal, price: number, answers: PossibleAnswer[]): number {
  const best = (p: number) => Math.max(0, gain(p, deal.resale.value, price, deal.costs));
  const after = answers.reduce((sum, { chance, p }) => sum + chance * best(p), 0);
  return Math.max(0, after - best(deal.p.value));
}
