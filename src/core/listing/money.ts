import { readPriceFact } from '../crossread/readers/plain';

/** An amount of money; `currency` by ISO 4217. */
export interface Money {
  amount: number;
  currency: string;
}

/** No item is priced higher; more is a slip of the hand. */
export const MOST_MONEY = 10_000_000;

/**
 * The amount that a text names.
 *
 * @returns null where it names none
 * @example moneyOf('€129,50') // { amount: 129.5, currency: 'EUR' }
 */
export function moneyOf(text: string): Money | null {
  const [currency, amount] = readPriceFact(text).reading?.normal.split(' ') ?? [];
  return currency && amount ? { amount: Number(amount), currency } : null;
}

/** An amount as it was asked, paid or printed: `EUR 1,290`, `EUR 189.95`. */
export function formatMoney({ amount, currency }: Money): string {
  const places = Number.isInteger(amount) ? 0 : 2;
  const figure = amount.toLocaleString('en', { minimumFractionDigits: places, maximumFractionDigits: places });
  return `${currency}\u00a0${figure}`;
}

/** An amount that was worked out, with as many places as tell something: `EUR 1,290`, `EUR 12.50`. */
export const aboutMoney = ({ amount, currency }: Money): string =>
  formatMoney({ currency, amount: Math.abs(amount) < 100 ? amount : Math.round(amount) });
