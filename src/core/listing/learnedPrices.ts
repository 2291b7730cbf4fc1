import type { Day } from '../dates/day';
import type { ConfirmedCase } from '../judgement/confirmedCase';
import type { HouseRules } from '../judgement/houseRules';
import { weightOfCase } from '../judgement/learning/caseWeight';
import { bandShares, PRICE_TABLE, type PriceBand } from './priceTable';

/** What confirmed cases taught about prices: the table, and how many items of either side it rests on. */
export interface LearnedPrices {
  table: PriceBand[];
  genuine: number;
  counterfeit: number;
}

/** The stated shares count as so many items of either side. */
const STATED_COUNTS = 30;

/**
 * The house's table of prices, moved by where the prices of confirmed items stood; items bought to learn from were priced
 * by nobody who came by, and are left out.
 *
 * @returns null where no confirmed item had a price that stands anywhere
 */
export function learnedPrices(cases: ConfirmedCase[], rules: HouseRules, asOf: Day): LearnedPrices | null {
  const stated = rules.prices ?? PRICE_TABLE;
  const counts = { genuine: stated.map(() => 0), counterfeit: stated.map(() => 0) };
  for (const each of cases) {
    if (!each.price || each.circumstances.reference) continue;
    const weight = weightOfCase(each, asOf, rules);
    const own = counts[each.truth.goods];
    for (const [i, share] of bandShares(stated, each.price).entries()) own[i] = (own[i] as number) + weight * share;
  }
  const sum = (all: number[]) => all.reduce((total, one) => total + one, 0);
  const [genuine, counterfeit] = [sum(counts.genuine), sum(counts.counterfeit)];
  if (genuine + counterfeit === 0) return null;
  const moved = (side: 'genuine' | 'counterfeit', i: number) =>
    (STATED_COUNTS * (stated[i] as PriceBand)[side] + (counts[side][i] as number)) /
    (STATED_COUNTS + sum(counts[side]));
  return {
    table: stated.map((band, i) => ({
      ...band,
      genuine: moved('genuine', i),
      counterfeit: moved('counterfeit', i),
    })),
    genuine,
    counterfeit,
  };
}
