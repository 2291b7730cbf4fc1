import { addDays, type Day, daysBetween, isoDay } from './day';

/** Monday of an ISO week; null where that year has no such week. */
export function isoWeekStart(year: number, week: number): Day | null {
  const monday = (near: Day) => addDays(near, -((new Date(`${near}T00:00:00Z`).getUTCDay() + 6) % 7));
  // The week that holds 4 January is the first.
  const start = addDays(monday(isoDay(year, 1, 4)), 7 * (week - 1));
  return start < monday(isoDay(year + 1, 1, 4)) ? start : null;
}

/** The ISO week that a day lies in, with the year that the week belongs to. */
export function isoWeek(day: Day): { year: number; week: number } {
  const near = Number(day.slice(0, 4));
  const year = [near + 1, near, near - 1].find((each) => day >= (isoWeekStart(each, 1) as Day)) as number;
  return { year, week: Math.floor(daysBetween(isoWeekStart(year, 1) as Day, day) / 7) + 1 };
}
