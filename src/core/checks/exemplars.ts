import { linearRegression, mean, sampleStandardDeviation } from 'simple-statistics';
import { type Exemplar, type NominalMeasure, nominalFor } from '../releases/release';
import type { Nominal } from './finding';

/** Fewer exemplars than this do not show how wide genuine items scatter. */
export const ENOUGH = 3;

/**
 * What a genuine item of a size should measure, and how far genuine items stray: from its exemplars (their mean,
 * or a line in size where three or more sizes are known), else from the record's nominal value.
 *
 * @param size leading size of the item; null where it has none
 * @returns location, tolerance and, with enough exemplars, the scale and degrees of freedom of the predictive
 * @source the predictive distribution of a normal sample and of a simple regression: Student's t with scale
 * s·√(1 + 1/n) and s·√(1 + 1/n + (x − x̄)²/Sxx)
 */
export function expectedMeasure(measure: NominalMeasure, exemplars: Exemplar[], size: number | null): Nominal {
  const { tolerance, unit, source } = measure;
  const nominal: Nominal = { value: nominalFor(measure, size), tolerance, unit, source };
  const n = exemplars.length;
  if (n < ENOUGH) return nominal;
  const sized = exemplars.filter((each): each is Exemplar & { size: number } => each.size !== null);
  const sizes = new Set(sized.map((each) => each.size));
  if (size !== null && sizes.size >= 3 && sized.length > ENOUGH) {
    const { m, b } = linearRegression(sized.map((each) => [each.size, each.value]));
    const xs = sized.map((each) => each.size);
    const middle = mean(xs);
    const sxx = xs.reduce((sum, x) => sum + (x - middle) ** 2, 0);
    const rest = sized.reduce((sum, each) => sum + (each.value - m * each.size - b) ** 2, 0);
    const freedom = sized.length - 2;
    const scale = Math.sqrt((rest / freedom) * (1 + 1 / sized.length + (size - middle) ** 2 / sxx));
    return predicted(nominal, m * size + b, scale, freedom, `${sized.length} exemplars, a line in size`);
  }
  // Without a line in size, exemplars are brought to the item's size by the record's own growth.
  const grown = exemplars.map((each) => each.value - nominalFor(measure, each.size) + nominal.value);
  const scale = sampleStandardDeviation(grown) * Math.sqrt(1 + 1 / n);
  return predicted(nominal, mean(grown), scale, n - 1, `${n} exemplars`);
}

/** Exemplars that happen to be alike do not prove that genuine items never stray: no less than a fifth of the tolerance. */
const LEAST_SCALE = 0.2;

function predicted(nominal: Nominal, value: number, scale: number, freedom: number, source: string): Nominal {
  const wide = Math.max(scale, LEAST_SCALE * nominal.tolerance);
  return { ...nominal, value, source: `${source}; ${nominal.source}`, predictive: { scale: wide, freedom } };
}
