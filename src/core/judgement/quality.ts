import { errorFunction, probit } from 'simple-statistics';

/** P(Z <= z) of a standard normal. */
const normal = (z: number): number => (1 + errorFunction(z / Math.SQRT2)) / 2;

/** The z of which P(Z <= z) is `share`, over 0 to 1; the library's rough value, polished. */
export function normalQuantile(share: number): number {
  const within = Math.min(1 - 1e-6, Math.max(1e-6, share));
  let z = probit(within);
  for (let step = 0; step < 3; step++) z -= ((normal(z) - within) * Math.sqrt(2 * Math.PI)) / Math.exp(-(z * z) / 2);
  return z;
}

const NODES = 9;

/** Equally likely values of the hidden quality of an item, from the most careful copy to the worst. */
export const QUALITY_NODES: readonly number[] = Array.from({ length: NODES }, (_, i) =>
  normalQuantile((i + 0.5) / NODES),
);

/** How strongly the strands of one item hang together, 0 to under 1, for either side. */
export interface Quality {
  genuine: number;
  counterfeit: number;
}

export const UNRELATED: Quality = { genuine: 0, counterfeit: 0 };

/**
 * The share of a strand's first class at each quality of the item: a normal copula in which every strand hangs on
 * one latent quality. One share, the strand's own, where they hang on nothing.
 *
 * @param share of the first class among all items, 0 to 1
 * @param correlation of the strands, 0 to under 1
 * @source Vasicek, The Distribution of Loan Portfolio Value, Risk, 2002 (the same one-factor copula)
 */
export function sharesByQuality(share: number, correlation: number): number[] {
  if (correlation === 0) return [share];
  const at = normalQuantile(share);
  const [pull, rest] = [Math.sqrt(correlation), Math.sqrt(1 - correlation)];
  return QUALITY_NODES.map((z) => normal((at - pull * z) / rest));
}

/** How far the strands of a copy may hang together. */
export const CORRELATIONS = [0, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9];

/** What little is believed of it before any case, as a logarithm; likeliest where the edition states it. */
export const doubt = (correlation: number): number => 0.69 * Math.log(correlation + 0.1) + Math.log(1 - correlation);

/** Chances from logarithms of what they are in proportion to. */
export function chancesOf(logs: number[]): number[] {
  const most = Math.max(...logs);
  const parts = logs.map((log) => Math.exp(log - most));
  const sum = parts.reduce((a, b) => a + b, 0);
  return parts.map((part) => part / sum);
}

/** How likely each of the correlations is before any case. */
export const statedQualities = (): number[] => chancesOf(CORRELATIONS.map(doubt));
