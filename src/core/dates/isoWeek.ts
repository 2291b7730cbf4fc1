import { addDays, type Day, isoDay } from './day';

/** Monday of an ISO week; null where that year has no such week. */
export function isoWeekStart(year: number, week: number): Day | null {
  const monday = (near: Day) => addDays(near, -((new Date(`${near}T00:00:00Z`).getUTCDay() + 6) % 7));
  // The week that holds 4 January is the first.
  const start = addDays(monday(isoDay(year, 1, 4)), 7 * (week - 1));
  return start < monday(isoDay(year + 1, 1, 4)) ? start : null;
}
