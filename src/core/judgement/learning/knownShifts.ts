import type { Day } from '../../dates/day';
import type { ConfirmedCase } from '../confirmedCase';
import type { HouseRules } from '../houseRules';
import type { KnownShift, TellStatistics } from '../statistics';
import { weightOfCase } from './caseWeight';

/** Where known counterfeits lie, by check and release. */
export function knownShifts(cases: ConfirmedCase[], asOf: Day, rules: HouseRules): TellStatistics['shifts'] {
  const sums: Record<string, { n: number; sum: number }> = {};
  for (const each of cases) {
    if (each.truth.goods !== 'counterfeit' || !each.release) continue;
    const weight = weightOfCase(each, asOf, rules);
    for (const [check, { residual }] of Object.entries(each.findings)) {
      if (!residual) continue;
      const key = `${check}/${each.release}`;
      const { n, sum } = sums[key] ?? { n: 0, sum: 0 };
      sums[key] = { n: n + weight, sum: sum + weight * residual.off };
    }
  }
  return Object.fromEntries(
    Object.entries(sums).map(([key, { n, sum }]): [string, KnownShift] => [key, { n, mean: sum / n }]),
  );
}
