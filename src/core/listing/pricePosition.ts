import { median, medianAbsoluteDeviation, quantileRank } from 'simple-statistics';
import type { Condition } from '../checks/check';
import type { Comparable } from './comparable';
import { aboutMoney, formatMoney, type Money } from './money';

/** Where a price stands among those of others. */
export interface PricePosition {
  asked: Money;
  /** The middle of the others, and its 95 % interval. */
  centre: number;
  interval: [number, number];
  /** Factor within which two thirds of the others lie around their middle. */
  spread: number;
  /** `asked` as a share of the middle, and the standard deviation of its logarithm. */
  ratio: number;
  logSd: number;
  /** The others that were used. */
  used: Comparable[];
  /** Sellers that they are from; one that names no seller counts as one. */
  sellers: number;
  /** What they have in common beyond the release: `sold, worn, size 42`. */
  alike: string;
  /** Share of the others that are cheaper. */
  cheaper: number;
  /** What was left out, and why. */
  leftOut: string[];
}

export type PositionResult = { position: PricePosition } | { position: null; why: string };

/** Sellers without whom no middle is spoken of. */
export const FEWEST_SELLERS = 3;
/** From so many on, those alike are enough by themselves. */
const ENOUGH = 5;
/** Makes the median absolute deviation of a normal distribution its standard deviation. */
const MAD_TO_SD = 1.4826;
/** Standard error of a median, in those of a mean. */
const MEDIAN_WIDER = 1.2533;
/** Prices of the same thing never lie closer together than this, in logarithms. */
const LEAST_SD = 0.05;
const LIMIT_95 = 1.96;

/** One that names no seller stands for itself. */
const sellerKey = ({ seller }: Comparable, i: number): string => seller?.trim().toLowerCase() || `#${i}`;

const sellersOf = (rows: Comparable[]): number => new Set(rows.map(sellerKey)).size;

const sameSize = (a: string | undefined, b: string): boolean =>
  a !== undefined && a.replace(/\s/g, '').toUpperCase() === b.replace(/\s/g, '').toUpperCase();

/** Those most alike of which there are enough: sold ones before asked ones, of that condition and size. */
function mostAlike(
  rows: Comparable[],
  { condition, size }: { condition: Condition; size: string | null },
): { rows: Comparable[]; alike: string } {
  const sold: [string, (row: Comparable) => boolean] = ['sold', (row) => row.sold];
  const worn: [string, (row: Comparable) => boolean] = [condition, (row) => row.condition === condition];
  const sized: [string, (row: Comparable) => boolean] = [
    `size ${size}`,
    (row) => size !== null && sameSize(row.size, size),
  ];
  const ways = [[sold, worn, sized], [worn, sized], [sold, worn], [worn], [sold, sized], [sized], [sold]];
  for (const way of ways) {
    const found = rows.filter((row) => way.every(([, holds]) => holds(row)));
    if (sellersOf(found) >= ENOUGH) return { rows: found, alike: way.map(([name]) => name).join(', ') };
  }
  return { rows, alike: 'of any condition and size, asked or sold' };
}

/** One price for each seller: somebody who offers a dozen has one opinion of what it is worth. */
function bySeller(rows: Comparable[]): number[] {
  const groups = new Map<string, number[]>();
  rows.forEach((row, i) => {
    const seller = sellerKey(row, i);
    groups.set(seller, [...(groups.get(seller) ?? []), Math.log(row.amount)]);
  });
  return [...groups.values()].map((logs) => median(logs));
}

/**
 * Where a price stands among those of others: against their median, since a few absurd ones are always among them.
 *
 * @param asked the price in question, more than 0
 * @param comparables what others ask or were paid
 * @param item the condition and size that it is claimed to have
 * @returns the position with its uncertainty, or why there is none
 * @source median and its standard error 1.2533 s / √n; s from the median absolute deviation (Rousseeuw, Croux 1993)
 */
export function pricePosition(
  asked: Money,
  comparables: Comparable[],
  item: { condition: Condition; size: string | null },
): PositionResult {
  const own = comparables.filter(({ currency, amount }) => currency === asked.currency && amount > 0);
  const foreign = comparables.length - own.length;
  const leftOut =
    foreign > 0 ? [`${foreign} in other currencies than ${asked.currency}: what they change to is not known here`] : [];
  if (own.length === 0)
    return { position: null, why: comparables.length === 0 ? 'No price of others is entered yet.' : `${leftOut[0]}.` };
  if (sellersOf(own) < FEWEST_SELLERS) {
    const named = own.every(({ seller }) => seller) && sellersOf(own) === 1;
    const why = named
      ? `All ${own.length} are from one seller, “${own[0]?.seller}”: that is one opinion, not a market.`
      : `${sellersOf(own)} of at least ${FEWEST_SELLERS} sellers whose prices it takes to speak of a middle.`;
    return { position: null, why };
  }
  const { rows, alike } = mostAlike(own, item);
  if (rows.length < own.length) leftOut.push(`${own.length - rows.length} that are less alike`);
  const logs = bySeller(rows);
  const middle = median(logs);
  const sd = Math.max(LEAST_SD, MAD_TO_SD * medianAbsoluteDeviation(logs));
  const error = (MEDIAN_WIDER * sd) / Math.sqrt(logs.length);
  const centre = Math.exp(middle);
  return {
    position: {
      asked,
      centre,
      interval: [centre * Math.exp(-LIMIT_95 * error), centre * Math.exp(LIMIT_95 * error)],
      spread: Math.exp(sd),
      ratio: asked.amount / centre,
      logSd: error,
      used: rows,
      sellers: logs.length,
      alike,
      cheaper: quantileRank(
        rows.map(({ amount }) => amount),
        asked.amount,
      ),
      leftOut,
    },
  };
}

/** The position as a sentence: `EUR 60 is 48 % (42 to 55 %) of EUR 125, the middle of 12 (sold, worn).` */
export function positionSaid({ asked, centre, interval, ratio, sellers, alike }: PricePosition): string {
  const percent = (share: number) => `${Math.round(share * 100)}`;
  const [low, high] = interval;
  const middle = aboutMoney({ amount: centre, currency: asked.currency });
  return `${formatMoney(asked)} is ${percent(ratio)}\u00a0% (${percent(asked.amount / high)} to ${percent(asked.amount / low)}\u00a0%) of ${middle}, the middle of ${sellers} sellers’ prices (${alike}).`;
}
