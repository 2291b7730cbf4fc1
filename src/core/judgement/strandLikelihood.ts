import type { Bearing } from '../checks/check';
import type { ClassMix } from './classes';
import type { OutcomeChances } from './outcomeChances';
import { type PerWorld, sideOf, WORLDS } from './worlds';

/** A piece of evidence within its strand. */
export interface StrandItem {
  bearing: Bearing;
  chances: OutcomeChances;
}

export const BEARINGS: Bearing[] = ['goods', 'packaging', 'link'];

/** For each world, on which side the checks of each bearing stand. */
const SIDES = WORLDS.map((world) => ({ world, sides: BEARINGS.map((bearing) => sideOf(world, bearing)) }));

/** Products of outcome chances by bearing, in the order of `BEARINGS`. */
export type Products = OutcomeChances[];

/** Below this a product says no more; a strand would need a hundred rare outcomes to get there. */
const FLOOR = 1e-300;

/** The products of a strand's items. */
export function productsOf(items: StrandItem[]): Products {
  const products = BEARINGS.map(() => ({ usual: 1, offDay: 1, well: 1, poorly: 1, foreign: 1 }));
  for (const { bearing, chances } of items) {
    const product = products[BEARINGS.indexOf(bearing)] as OutcomeChances;
    product.usual *= chances.usual;
    product.offDay *= chances.offDay;
    product.well *= chances.well;
    product.poorly *= chances.poorly;
    product.foreign *= chances.foreign;
  }
  return products;
}

/** Log-likelihood of a strand in each world, from the products of its items. */
export function combine(products: Products, mix: ClassMix<number>): PerWorld {
  const result = {} as PerWorld;
  for (const { world, sides } of SIDES) {
    let [usual, offDay, well, poorly, foreign] = [1, 1, 1, 1, 1];
    for (let b = 0; b < products.length; b++) {
      const product = products[b] as OutcomeChances;
      if (sides[b] === 'genuine') {
        usual *= product.usual;
        offDay *= product.offDay;
      } else if (sides[b] === 'counterfeit') {
        well *= product.well;
        poorly *= product.poorly;
      } else foreign *= product.foreign;
    }
    const genuine = (1 - mix.offDay) * usual + mix.offDay * offDay;
    const counterfeit = mix.wellCopied * well + (1 - mix.wellCopied) * poorly;
    result[world] =
      Math.log(Math.max(FLOOR, foreign)) + Math.log(Math.max(FLOOR, genuine)) + Math.log(Math.max(FLOOR, counterfeit));
  }
  return result;
}

/**
 * Log-likelihood of all that was seen in one strand, in each world: per side, the mixture over its two hidden
 * classes of the products of the outcome chances.
 */
export function strandLogLikelihood(items: StrandItem[], mix: ClassMix<number>): PerWorld {
  return combine(productsOf(items), mix);
}

/** Add log-likelihoods of independent strands. */
export function addLogs(parts: PerWorld[]): PerWorld {
  const sum = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
  for (const part of parts) for (const world of WORLDS) sum[world] += part[world];
  return sum;
}
