import { gammaln } from 'simple-statistics';
import { type CheckDefinition, SUPPORT_OBSERVATIONS } from '../checks/check';
import type { Finding, Nominal } from '../checks/findings';
import type { HouseRules } from './houseRules';

/** Parameters of one check: stated, or drawn from their posterior. */
export interface CheckChances {
  /** P(differs | genuine). */
  g: number;
  /** P(differs | counterfeit). */
  c: number;
}

/** Hidden classes of a strand. */
export interface ClassChances {
  /** P(well copied | counterfeit). */
  wellCopied: number;
  /** P(off-day | genuine). */
  offDay: number;
  /** How far the classes stand apart from the mean, 0 to 1. */
  spread: number;
}

/** How likely an outcome of one check is under each hidden class; densities for measured values. */
export interface OutcomeChances {
  usual: number;
  offDay: number;
  well: number;
  poorly: number;
  /** Where goods and packaging do not belong together; only link checks have it. */
  foreign: number;
}

/** Nothing that people print or answer is rarer than this; keeps drawn chances from turning into certainties. */
const RAREST = 0.001;
const within = (chance: number): number => Math.min(1 - RAREST, Math.max(RAREST, chance));

/**
 * Chances that a check differs, by class. The classes keep the stated means: counterfeits are well or poorly
 * copied in equal parts around c; genuine items have an off-day on which they differ three times as often.
 */
export function differsChances(chances: CheckChances, classes: ClassChances, foreignAgrees: number): OutcomeChances {
  const { g, c } = chances;
  const apart = classes.spread * Math.min(c, 1 - c);
  const offDay = Math.min(0.9, 3 * g);
  return {
    usual: within((g - classes.offDay * offDay) / (1 - classes.offDay)),
    offDay: within(offDay),
    well: within(c - apart),
    poorly: within(c + apart),
    foreign: 1 - foreignAgrees,
  };
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
  const log =
    gammaln((freedom + 1) / 2) -
    gammaln(freedom / 2) -
    0.5 * Math.log(freedom * Math.PI) -
    Math.log(scale) -
    ((freedom + 1) / 2) * Math.log1p((z * z) / freedom);
  return Math.exp(log);
}

const WELL_SCALE = 1.5;
const POOR_SCALE = 5;

/**
 * Densities of a measured value. The record's nominal value stands in for exemplars: its tolerance is read as
 * two standard deviations, known as well as the check is supported.
 */
function quantityChances(check: CheckDefinition, value: number, nominal: Nominal): OutcomeChances {
  const observations = SUPPORT_OBSERVATIONS[check.support];
  const uncertainty = check.answer.form === 'quantity' ? check.answer.uncertainty : 0;
  const scale = Math.sqrt((nominal.tolerance / 2) ** 2 * (1 + 1 / observations) + uncertainty ** 2);
  const density = (factor: number) => studentDensity(value, nominal.value, factor * scale, observations);
  const genuine = density(1);
  return { usual: genuine, offDay: genuine, well: density(WELL_SCALE), poorly: density(POOR_SCALE), foreign: genuine };
}

/** What a finding says about each class, or null where it says nothing: open, excused, can't tell. */
export function outcomeChances(
  finding: Finding,
  chances: CheckChances,
  classes: ClassChances,
  rules: HouseRules,
): OutcomeChances | null {
  const { check, mark, value, nominal } = finding;
  if (mark !== 'agrees' && mark !== 'differs' && mark !== 'missing') return null;
  if (check.answer.form === 'quantity' && value !== undefined && nominal) return quantityChances(check, value, nominal);
  const differs = differsChances(chances, classes, rules.foreignAgrees);
  if (mark !== 'agrees') return differs;
  return {
    usual: 1 - differs.usual,
    offDay: 1 - differs.offDay,
    well: 1 - differs.well,
    poorly: 1 - differs.poorly,
    foreign: 1 - differs.foreign,
  };
}
