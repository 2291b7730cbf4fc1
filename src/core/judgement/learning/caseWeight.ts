import { type Day, daysBetween } from '../../dates/day';
import type { ConfirmedCase } from '../confirmedCase';
import type { HouseRules } from '../houseRules';
import { DAYS_A_MONTH } from './caseTable';

/** How much a confirmed case counts: by its source's trust, counterfeits fading with the half-life. */
export function weightOfCase({ truth, at }: ConfirmedCase, asOf: Day, rules: HouseRules): number {
  if (truth.goods === 'genuine') return truth.trust;
  const months = Math.max(0, daysBetween(at, asOf)) / DAYS_A_MONTH;
  return truth.trust * 0.5 ** (months / rules.halfLifeMonths);
}
