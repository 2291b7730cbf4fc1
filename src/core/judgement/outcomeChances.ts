import { gammaln } from 'simple-statistics';
import { SUPPORT_OBSERVATIONS } from '../checks/check';
import type { Finding } from '../checks/finding';
import { NO_RECORD } from '../checks/measuredForm';
import type { PerClass } from './classes';
import type { HouseRules } from './houseRules';
import type { Parameters } from './parameters';
import type { KnownShift } from './statistics';

/** How likely an outcome of one check is under each hidden class; densities for measured values. */
export interface OutcomeChances extends PerClass<number> {
  /** Where goods and packaging do not belong together; only link checks have it. */
  foreign: number;
  /** By known make of copies, in their order; absent where none is known. */
  makes?: readonly number[];
}

/** Logarithm of the factor in front of Student's t; a case asks for the same few again and again. */
const logFactors = new Map<number, number>();
function logFactor(freedom: number): number {
  let factor = logFactors.get(freedom);
  if (factor === undefined) {
    factor = gammaln((freedom + 1) / 2) - gammaln(freedom / 2) - 0.5 * Math.log(freedom * Math.PI);
    logFactors.set(freedom, factor);
  }
  return factor;
}

/**
 * Density of Student's t with a location and a scale.
 *
 * @param x where
 * @param location centre
 * @param scale greater than 0
 * @param freedom degrees of freedom, greater than 0
 * @source Johnson, Kotz, Balakrishnan, Continuous Univariate Distributions, vol. 2, chapter 28
 */
export function studentDensity(x: number, location: number, scale: number, freedom: number): number {
  const z = (x - location) / scale;
  const log = logFactor(freedom) - Math.log(scale) - ((freedom + 1) / 2) * Math.log1p((z * z) / freedom);
  return Math.exp(log);
}

const WELL_SCALE = 1.5;
const POOR_SCALE = 5;

/** Where a measured value lies against what is known of genuine items. */
export interface Residual {
  /** Distance from what is expected, in the unit of the measure. */
  off: number;
  /** Scale of the genuine predictive, in the same unit. */
  scale: number;
  /** Degrees of freedom of the predictive. */
  freedom: number;
}

/**
 * A measured value against the predictive of genuine items: that of the exemplars where there are enough, else
 * the record's tolerance read as two standard deviations, known as well as the check is supported.
 */
export function residualOf({ check, value, nominal }: Finding): Residual | null {
  const { answer } = check;
  if ((answer.form !== 'quantity' && answer.form !== 'count') || value === undefined || !nominal) return null;
  if (answer.measure === NO_RECORD) return null;
  const uncertainty = answer.form === 'quantity' ? answer.uncertainty : 0.3;
  const off = value - nominal.value;
  if (nominal.predictive) {
    const { scale, freedom } = nominal.predictive;
    return { off, scale: Math.sqrt(scale ** 2 + uncertainty ** 2), freedom };
  }
  const observations = SUPPORT_OBSERVATIONS[check.support];
  const spread = (nominal.tolerance / 2) ** 2 * (1 + 1 / observations);
  return { off, scale: Math.sqrt(spread + uncertainty ** 2), freedom: observations };
}

/** Pseudo-count of “no shift” that the mean of known counterfeits has to overcome. */
const SHIFT_DOUBT = 2;

/**
 * Densities of a measured value by class; poor copies are expected where the known ones were.
 *
 * @param slips share of values that are a slip of the hand: they lie anywhere in reach of the poorest copy, whatever
 *   was measured, so that no single value condemns
 */
export function residualChances(
  { off, scale, freedom }: Residual,
  shift: KnownShift | null,
  slips: number,
): OutcomeChances {
  const known = shift ? (shift.mean * shift.n) / (shift.n + SHIFT_DOUBT) : 0;
  const slip = slips === 0 ? 0 : slips * studentDensity(off, 0, POOR_SCALE * scale, freedom);
  const floored = (density: number) => (1 - slips) * density + slip;
  const genuine = floored(studentDensity(off, 0, scale, freedom));
  return {
    usual: genuine,
    offDay: genuine,
    well: floored(studentDensity(off, 0, WELL_SCALE * scale, freedom)),
    poorly: floored(studentDensity(off, known, POOR_SCALE * scale, freedom)),
    foreign: genuine,
  };
}

/** True for outcomes that count as evidence: not open, excused or can't tell. */
export const counts = ({ mark }: Finding): boolean => mark === 'agrees' || mark === 'differs' || mark === 'missing';

/** What a finding says about each class, or null where it says nothing: open, excused, can't tell. */
export function outcomeChances(finding: Finding, parameters: Parameters, rules: HouseRules): OutcomeChances | null {
  if (!counts(finding)) return null;
  const residual = residualOf(finding);
  const makes = parameters.makes?.differs(finding);
  if (residual) {
    const chances = residualChances(residual, parameters.shift(finding), parameters.slips(finding));
    return makes ? { ...chances, makes: measuredByMake(makes, chances) } : chances;
  }
  const differs = { ...parameters.differs(finding), foreign: 1 - rules.foreignAgrees };
  if (finding.mark !== 'agrees') return makes ? { ...differs, makes } : differs;
  return {
    usual: 1 - differs.usual,
    offDay: 1 - differs.offDay,
    well: 1 - differs.well,
    poorly: 1 - differs.poorly,
    foreign: 1 - differs.foreign,
    ...(makes ? { makes: makes.map((chance) => 1 - chance) } : {}),
  };
}

/** A make's measure is that of genuine items, or strays as a poor copy's does, as often as its copies differ there. */
const measuredByMake = (differs: readonly number[], { usual, poorly }: OutcomeChances): number[] =>
  differs.map((chance) => (1 - chance) * usual + chance * poorly);
