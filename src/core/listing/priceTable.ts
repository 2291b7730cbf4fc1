import { erf } from 'simple-statistics';

/** How often prices stand so, among genuine items and among counterfeits. */
export interface PriceBand {
  /** Prices under this share of what others ask, and over the band before; null for all that is over. */
  below: number | null;
  genuine: number;
  counterfeit: number;
}

/** What stands for a house that says nothing else. Copies are priced to go quickly; some are priced to look right. */
export const PRICE_TABLE: PriceBand[] = [
  { below: 0.4, genuine: 0.01, counterfeit: 0.1 },
  { below: 0.6, genuine: 0.05, counterfeit: 0.24 },
  { below: 0.8, genuine: 0.2, counterfeit: 0.28 },
  { below: 1.25, genuine: 0.58, counterfeit: 0.29 },
  { below: null, genuine: 0.16, counterfeit: 0.09 },
];

/** P(a standard normal value ≤ z). */
const normalBelow = (z: number): number => (1 + erf(z / Math.SQRT2)) / 2;

/** Where a price stands: as a share of what others ask, with the standard deviation of its logarithm. */
export interface PriceStands {
  ratio: number;
  logSd: number;
}

/** The share of a price that falls into each band: where its middle is hardly known, it falls into several. */
export function bandShares(table: PriceBand[], { ratio, logSd }: PriceStands): number[] {
  let before = 0;
  return table.map(({ below }) => {
    const upTo = below === null ? 1 : normalBelow((Math.log(below) - Math.log(ratio)) / Math.max(1e-9, logSd));
    const share = upTo - before;
    before = upTo;
    return share;
  });
}

/**
 * How likely a price is among genuine items and among counterfeits, averaged over where it may stand: a middle that is
 * hardly known says little.
 */
export function priceChances(table: PriceBand[], stands: PriceStands): { genuine: number; counterfeit: number } {
  const shares = bandShares(table, stands);
  const among = (side: 'genuine' | 'counterfeit') =>
    table.reduce((sum, band, i) => sum + (shares[i] as number) * band[side], 0);
  return { genuine: among('genuine'), counterfeit: among('counterfeit') };
}

/** A band in words: `40 to 60 %`. */
export function bandName(band: PriceBand, before: PriceBand | undefined): string {
  const from = before?.below == null ? null : `${Math.round(100 * before.below)}`;
  if (band.below === null) return `over ${from}\u00a0%`;
  return from === null
    ? `under ${Math.round(100 * band.below)}\u00a0%`
    : `${from} to ${Math.round(100 * band.below)}\u00a0%`;
}

/** What is wrong with a table, as a sentence; null where it is sound. */
export function priceTableProblem(table: PriceBand[]): string | null {
  const limits = table.slice(0, -1).map(({ below }) => below);
  const rising = limits.every((below, i) => below !== null && below > (limits[i - 1] ?? 0));
  if (table.length < 2 || !rising || table.at(-1)?.below !== null)
    return 'The price bands must rise, and the last one takes all that is over.';
  for (const side of ['genuine', 'counterfeit'] as const) {
    const sum = table.reduce((total, band) => total + band[side], 0);
    if (Math.abs(sum - 1) > 0.005)
      return `The shares of ${side} items in the price bands come to ${(100 * sum).toFixed(1)} %, not to 100 %.`;
  }
  return null;
}
