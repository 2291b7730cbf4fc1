import { wordsKey } from '../crossread/words';

/** Where a variant is sold. No item shows it by itself; the order of dates and the day of release go by it. */
export const MARKET_TRAIT = { id: 'market', name: 'Market' } as const;

/** The name under which something is said of a market, however it is written there; undefined where nothing is. */
export function marketNamed(said: Record<string, unknown>, market: string): string | undefined {
  const key = wordsKey(market);
  return Object.keys(said).find((name) => wordsKey(name) === key);
}
