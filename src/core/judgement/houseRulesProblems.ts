import { isTimeZone } from '../dates/instant';
import { priceTableProblem } from '../listing/priceTable';
import type { HouseRules } from './houseRules';

/** What is wrong with house rules that follow their format: prices that do not come to all, a clock that nobody knows. */
export function houseRulesProblems({ prices, house }: HouseRules): string[] {
  const table = prices ? priceTableProblem(prices) : null;
  const zone = house?.timeZone;
  return [
    ...(table ? [table] : []),
    ...(zone === undefined || isTimeZone(zone)
      ? []
      : [`“${zone}” is no time zone that this machine knows; write it like UTC or Etc/GMT-1.`]),
  ];
}
