/** A figure that goes into a result, with its standard uncertainty. */
export interface Uncertain {
  value: number;
  sd: number;
}

/** A result with its standard uncertainty, both in the unit of the result. */
export interface Result {
  value: number;
  uncertainty: number;
}

/** What stands for 95 % where errors add up from many causes. */
export const COVERAGE = 1.96;

/**
 * Carry the uncertainty of independent inputs through a computation (GUM 5.1.3, by finite steps of one standard
 * uncertainty). Of the steps up and down the larger change counts, so that an input whose effect turns back at its value,
 * as that of a tilt does, is not taken for one without effect.
 *
 * @returns null where the computation has no answer for some of these inputs
 */
export function propagated(inputs: Uncertain[], compute: (values: number[]) => number): Result | null {
  const values = inputs.map(({ value }) => value);
  const value = compute(values);
  let variance = 0;
  for (const [i, { value: at, sd }] of inputs.entries()) {
    if (sd === 0) continue;
    const change = [at + sd, at - sd].map((moved) => {
      const others = [...values];
      others[i] = moved;
      return Math.abs(compute(others) - value);
    });
    variance += Math.max(...change) ** 2;
  }
  const uncertainty = Math.sqrt(variance);
  return Number.isFinite(value) && Number.isFinite(uncertainty) ? { value, uncertainty } : null;
}
