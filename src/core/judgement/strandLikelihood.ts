import type { Bearing } from '../checks/check';
import type { ClassMix } from './classes';
import type { OutcomeChances } from './outcomeChances';
import { type Quality, sharesByQuality } from './quality';

/** A piece of evidence within its strand. */
export interface StrandItem {
  bearing: Bearing;
  chances: OutcomeChances;
}

/** Products of a strand's outcome chances, by what the checks bear on. */
export type Products = Record<Bearing, OutcomeChances>;

const NOTHING_SEEN: OutcomeChances = { usual: 1, offDay: 1, well: 1, poorly: 1, foreign: 1 };

const times = (a: OutcomeChances, b: OutcomeChances): OutcomeChances => {
  const { makes } = b;
  const both = a.makes && makes ? a.makes.map((chance, k) => chance * (makes[k] as number)) : (a.makes ?? makes);
  return {
    usual: a.usual * b.usual,
    offDay: a.offDay * b.offDay,
    well: a.well * b.well,
    poorly: a.poorly * b.poorly,
    foreign: a.foreign * b.foreign,
    ...(both ? { makes: both } : {}),
  };
};

/** The products with one more item. */
export function multiply(products: Products, { bearing, chances }: StrandItem): Products {
  const { goods, packaging, link } = products;
  const more: Products = { goods, packaging, link };
  more[bearing] = times(products[bearing], chances);
  return more;
}

/** The products of a strand's items. */
export function productsOf(items: StrandItem[]): Products {
  const products: Products = { goods: NOTHING_SEEN, packaging: NOTHING_SEEN, link: NOTHING_SEEN };
  for (const { bearing, chances } of items) products[bearing] = times(products[bearing], chances);
  return products;
}

/** Shares of the second genuine and the first copied class: over all items, and at each quality of the item. */
export interface StrandShares extends ClassMix<number> {
  offDayAt: readonly number[];
  wellCopiedAt: readonly number[];
  /** What the shares by quality were made of. */
  ofItself: ClassMix<number>;
  /** How many known makes the goods may be of. */
  makes: number;
}

const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;

/** The shares of a strand whose items hang together as much as `quality` says. */
export function strandShares({ offDay, wellCopied }: ClassMix<number>, quality: Quality, makes = 0): StrandShares {
  const wellCopiedAt = sharesByQuality(wellCopied, quality.counterfeit);
  const offDayAt = quality.genuine === 0 ? [offDay] : sharesByQuality(1 - offDay, quality.genuine).map((u) => 1 - u);
  return {
    offDay: mean(offDayAt),
    wellCopied: mean(wellCopiedAt),
    offDayAt,
    wellCopiedAt,
    ofItself: { offDay, wellCopied },
    makes,
  };
}

/** Below this a likelihood says no more; a strand would need a hundred rare outcomes to get there. */
const FLOOR = 1e-300;

const mixed = (share: number, yes: number, no: number): number => share * yes + (1 - share) * no;

/**
 * Likelihood of all that was seen in one strand under each hypothesis: per side, the mixture over its two hidden
 * classes of the products of the outcome chances. A box of another item has genuine signs but no link to the goods.
 * A genuine item's off-day and a copy's care are felt in all strands at once as far as these hang together.
 *
 * @returns one entry for each of `Hypotheses`
 */
export function likelihoods(products: Products, shares: StrandShares): Float64Array {
  const { goods: g, packaging: p, link: l } = products;
  const { offDay, offDayAt, wellCopiedAt, makes } = shares;
  const [own, ownOff] = [g.usual * p.usual * l.usual, g.offDay * p.offDay * l.offDay];
  const [apart, apartOff] = [g.usual * p.usual * l.foreign, g.offDay * p.offDay * l.foreign];
  const genuineGoods = mixed(offDay, g.offDay, g.usual) * l.foreign;
  const genuinePackaging = mixed(offDay, p.offDay, p.usual) * l.foreign;
  const [well, poorly] = [g.well * p.well * l.well, g.poorly * p.poorly * l.poorly];
  const [genuineNodes, nodes] = [offDayAt.length, wellCopiedAt.length];
  const each = new Float64Array(2 * genuineNodes + 3 * nodes + 2 * makes);
  let at = 0;
  for (let i = 0; i < genuineNodes; i++) each[at++] = mixed(offDayAt[i] as number, ownOff, own);
  for (let i = 0; i < genuineNodes; i++) each[at++] = mixed(offDayAt[i] as number, apartOff, apart);
  for (let i = 0; i < nodes; i++) each[at++] = genuineGoods * mixed(wellCopiedAt[i] as number, p.well, p.poorly);
  for (let i = 0; i < nodes; i++) each[at++] = genuinePackaging * mixed(wellCopiedAt[i] as number, g.well, g.poorly);
  for (let k = 0; k < makes; k++) each[at++] = genuinePackaging * (g.makes?.[k] ?? 1);
  for (let i = 0; i < nodes; i++) each[at++] = mixed(wellCopiedAt[i] as number, well, poorly);
  for (let k = 0; k < makes; k++) each[at++] = (g.makes?.[k] ?? 1) * (p.makes?.[k] ?? 1) * (l.makes?.[k] ?? 1);
  for (at = 0; at < each.length; at++) each[at] = Math.max(FLOOR, each[at] as number);
  return each;
}

/** The same as logarithms. */
export function logLikelihoods(products: Products, shares: StrandShares): Float64Array {
  const logs = likelihoods(products, shares);
  for (let at = 0; at < logs.length; at++) logs[at] = Math.log(logs[at] as number);
  return logs;
}

/** Add log-likelihoods of strands that are independent under each hypothesis. */
export function addLogs(parts: Float64Array[], count: number): Float64Array {
  const sum = new Float64Array(count);
  for (const part of parts) for (let at = 0; at < count; at++) sum[at] = (sum[at] as number) + (part[at] as number);
  return sum;
}
