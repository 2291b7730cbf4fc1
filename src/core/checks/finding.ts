import type { Supplied } from '../casefile/events/findingRecorded';
import type { Mark } from '../crossread/mark';
import type { Problem } from '../crossread/problem';
import type { CheckDefinition } from './check';

/** The expectation that a measured value is held against. */
export interface Nominal {
  value: number;
  tolerance: number;
  unit: string;
  source: string;
  /** The state of a variant's trait that it belongs to, such as `factory QE2`; unset for the general figure. */
  when?: string;
  /** What other variants that are still possible would show. */
  or?: Nominal[];
  /** Set where enough exemplars are known to say how genuine items scatter. */
  predictive?: { scale: number; freedom: number };
}

/** Where one check stands on one case. */
export interface Finding {
  /** With the uncertainty of the reading that answered it, where a device supplied that. */
  check: CheckDefinition;
  /** The check as it is asked, where that differs. */
  asked?: CheckDefinition;
  mark: Mark;
  /** Measured value and its standard uncertainty, in the unit of `nominal`. */
  value?: number;
  nominal?: Nominal;
  /** Of the release that it is held against; known counterfeits are known by release. */
  releaseId?: string;
  /** The device that the value came from. */
  supplied?: Supplied;
  choice?: string;
  /** What was found left and right, or as a text. */
  left?: string;
  right?: string;
  text?: string;
  note?: string;
  /** Set where the working, not what was learned, says how much it tells. */
  stated?: true;
  /** Set where the record has no figure to hold a measure against: it may be measured all the same. */
  noFigure?: true;
  /** Why it is excused, or the working of the cross-reading. */
  reason?: string;
  problems: Problem[];
  /** Set where a person answered. */
  by?: string;
  at?: string;
}

/**
 * What a measured or counted check expects, in words; a whole number of things has no tolerance that anybody would say.
 *
 * @example expectedFigure({ form: 'quantity' … }, { value: 31, tolerance: 0.8, unit: 'mm' … }) // '31 ± 0.8 mm'
 */
export function expectedFigure({ answer }: Pick<CheckDefinition, 'answer'>, nominal: Nominal): string {
  const { value, tolerance, unit } = nominal;
  const counted = answer.form === 'count' && tolerance < 1;
  return counted ? `${Math.round(value)} ${unit}` : `${Number(value.toFixed(2))} ± ${tolerance} ${unit}`;
}

/** A finding whose check is as it is asked, for whoever answers it anew. */
export const asAsked = (finding: Finding): Finding => ({ ...finding, check: finding.asked ?? finding.check });

/** The unit of a measured check: the record's, or that of its kind where the record has no figure. */
export const unitOf = ({ check: { answer }, nominal }: Pick<Finding, 'check' | 'nominal'>): string =>
  nominal?.unit ?? ('measure' in answer ? (answer.unit ?? '') : '');

/** A value agrees where its own uncertainty could bring it within the tolerance. */
export function withinTolerance(value: number, uncertainty: number, nominal: Nominal): boolean {
  // Values are entered in decimals, which binary fractions miss by a hair.
  return Math.abs(value - nominal.value) <= nominal.tolerance + uncertainty + 1e-9;
}

/** The figure that a value is nearest to, of those that a possible variant would show; the others in `or`. */
export function nearestNominal(nominal: Nominal, value: number): Nominal {
  const all = [{ ...nominal, or: undefined }, ...(nominal.or ?? [])];
  const [nearest = nominal, ...or] = all.sort((a, b) => Math.abs(value - a.value) - Math.abs(value - b.value));
  return or.length > 0 ? { ...nearest, or } : nearest;
}

/** How far a value is from the nearest expected figure, in tolerances. */
export function tolerancesOff(value: number, nominal: Nominal): number {
  const { value: expected, tolerance } = nearestNominal(nominal, value);
  return Math.abs(value - expected) / tolerance;
}

/** What a measured or counted value comes to; null for checks that are answered otherwise. */
export function measuredOutcome(
  { answer }: Pick<CheckDefinition, 'answer'>,
  value: number | undefined,
  nominal: Nominal | undefined,
): 'agrees' | 'differs' | null {
  if ((answer.form !== 'quantity' && answer.form !== 'count') || value === undefined || !nominal) return null;
  const uncertainty = answer.form === 'quantity' ? answer.uncertainty : 0;
  return withinTolerance(value, uncertainty, nearestNominal(nominal, value)) ? 'agrees' : 'differs';
}
