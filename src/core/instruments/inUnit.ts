import type { Result } from '../measure/propagate';
import type { Reading } from './instrument';

/** What a reading comes to in the unit of a check; null where it cannot be told in it. */
export function inUnit(
  { value, uncertainty, unit }: Pick<Reading, 'value' | 'uncertainty' | 'unit'>,
  wanted: string,
): Result | null {
  if (unit === wanted) return { value, uncertainty };
  if (unit === 'mm' && wanted === 'cm') return { value: value / 10, uncertainty: uncertainty / 10 };
  // Of something that repeats: how many there are on a centimetre.
  if (unit === 'mm' && wanted === 'per cm') return { value: 10 / value, uncertainty: (10 * uncertainty) / value ** 2 };
  return null;
}

/**
 * A figure with as many digits as its uncertainty bears: two of the uncertainty's own.
 *
 * @example rounded(31.8273, 0.0841) // '31.827', of which 0.084 is uncertain
 */
export function rounded(value: number, uncertainty: number): string {
  const digits = Math.max(0, Math.min(4, 1 - Math.floor(Math.log10(Math.max(1e-9, uncertainty)))));
  return value.toFixed(digits);
}
