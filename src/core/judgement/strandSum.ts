import type { Finding } from '../checks/finding';
import type { ClassMix, PerClass } from './classes';
import { pieceOf } from './evidence';
import type { HouseRules } from './houseRules';
import type { Parameters } from './parameters';
import { productsOf } from './strandLikelihood';

/** How a strand's weight comes about, for those who want to add it up themselves. */
export interface StrandSum {
  mix: ClassMix<number>;
  /** Likelihood of all that was seen in the strand, by hidden class. */
  products: PerClass<number>;
  genuine: number;
  counterfeit: number;
}

/**
 * The sum of one strand as if all of its checks stood on one side, genuine or counterfeit: per side the mixture of
 * its two classes. Measured values enter with densities, so only the ratio of the two sides means something.
 */
export function strandSum(findings: Finding[], rules: HouseRules, parameters: Parameters): StrandSum {
  const mix = parameters.shares(findings[0]?.check.strand ?? '');
  const products = { usual: 1, offDay: 1, well: 1, poorly: 1 };
  const pieces = findings.flatMap((finding) => pieceOf(finding, parameters, rules) ?? []);
  for (const product of Object.values(productsOf(pieces))) {
    products.usual *= product.usual;
    products.offDay *= product.offDay;
    products.well *= product.well;
    products.poorly *= product.poorly;
  }
  return {
    mix,
    products,
    genuine: (1 - mix.offDay) * products.usual + mix.offDay * products.offDay,
    counterfeit: mix.wellCopied * products.well + (1 - mix.wellCopied) * products.poorly,
  };
}
