import type { Bearing } from '../checks/check';
import type { ClassMix } from './classes';
import type { OutcomeChances } from './outcomeChances';
import { type PerWorld, WORLDS } from './worlds';

/** A piece of evidence within its strand. */
export interface StrandItem {
  bearing: Bearing;
  chances: OutcomeChances;
}

/** Products of a strand's outcome chances, by what the checks bear on. */
export type Products = Record<Bearing, OutcomeChances>;

const NOTHING_SEEN: OutcomeChances = { usual: 1, offDay: 1, well: 1, poorly: 1, foreign: 1 };

const times = (a: OutcomeChances, b: OutcomeChances): OutcomeChances => ({
  usual: a.usual * b.usual,
  offDay: a.offDay * b.offDay,
  well: a.well * b.well,
  poorly: a.poorly * b.poorly,
  foreign: a.foreign * b.foreign,
});

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

/** Below this a likelihood says no more; a strand would need a hundred rare outcomes to get there. */
const FLOOR = 1e-300;

const mixed = (share: number, yes: number, no: number): number => share * yes + (1 - share) * no;

/**
 * Likelihood of all that was seen in one strand, in each world: per side, the mixture over its two hidden classes
 * of the products of the outcome chances. A box of another item has genuine signs but no link to the goods.
 */
export function likelihoods(products: Products, { offDay, wellCopied }: ClassMix<number>): PerWorld {
  const { goods: g, packaging: p, link: l } = products;
  const { foreign } = l;
  return {
    own: Math.max(FLOOR, mixed(offDay, g.offDay * p.offDay * l.offDay, g.usual * p.usual * l.usual)),
    repackedGenuine: Math.max(FLOOR, mixed(offDay, g.offDay * p.offDay, g.usual * p.usual) * foreign),
    repackedMade: Math.max(FLOOR, mixed(offDay, g.offDay, g.usual) * mixed(wellCopied, p.well, p.poorly) * foreign),
    transplanted: Math.max(FLOOR, mixed(wellCopied, g.well, g.poorly) * mixed(offDay, p.offDay, p.usual) * foreign),
    copied: Math.max(FLOOR, mixed(wellCopied, g.well * p.well * l.well, g.poorly * p.poorly * l.poorly)),
  };
}

/** The same as logarithms. */
export function logLikelihoods(products: Products, mix: ClassMix<number>): PerWorld {
  const logs = likelihoods(products, mix);
  for (const world of WORLDS) logs[world] = Math.log(logs[world]);
  return logs;
}

/** Add log-likelihoods of independent strands. */
export function addLogs(parts: PerWorld[]): PerWorld {
  const sum = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  for (const { own, repackedGenuine, repackedMade, transplanted, copied } of parts) {
    sum.own += own;
    sum.repackedGenuine += repackedGenuine;
    sum.repackedMade += repackedMade;
    sum.transplanted += transplanted;
    sum.copied += copied;
  }
  return sum;
}
