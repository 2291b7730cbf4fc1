import type { MarketPrice } from '../releases/release';
import { formatMoney } from './money';
import type { PricePosition } from './pricePosition';
import type { Ranged } from './worth';

/** What a release usually sells for again. */
export interface UsualResale {
  /** As a share of its retail price. */
  ratio: number;
  /** Nine in ten lie within this factor of it. */
  factor: number;
  source: string;
}

/** What an item sells for, genuine, and where that comes from. */
export interface Resale extends Ranged {
  currency: string;
  from: string;
}

/** From a 95 % interval to a 90 % one, on the scale of logarithms. */
const NARROWER = 1.645 / 1.96;

/**
 * What an item sells for again in a currency: the middle of what others were paid or ask; where there are too few, the
 * record's retail price and the share of it that such items usually fetch.
 *
 * @returns null where neither is known in that currency
 */
export function resaleOf(
  position: PricePosition | null,
  { prices = [], resale }: { prices?: MarketPrice[]; resale?: UsualResale },
  currency: string,
): Resale | null {
  if (position && position.asked.currency === currency) {
    const { centre, interval, sellers, alike } = position;
    const end = (limit: number) => centre * Math.exp(NARROWER * Math.log(limit / centre));
    return {
      value: centre,
      low: end(interval[0]),
      high: end(interval[1]),
      currency,
      from: `the middle of ${sellers} sellers’ prices (${alike})`,
    };
  }
  const retail = prices.find((price) => price.currency === currency);
  if (!retail || !resale) return null;
  const value = retail.amount * resale.ratio;
  return {
    value,
    low: value / resale.factor,
    high: value * resale.factor,
    currency,
    from: `${Math.round(100 * resale.ratio)}\u00a0% of ${formatMoney(retail)} retail in ${retail.market}, as such items usually fetch (${resale.source})`,
  };
}
