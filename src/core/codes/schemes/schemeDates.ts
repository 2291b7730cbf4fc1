import { addDays, daysInMonth, isoDay } from '../../dates/day';
import type { DayInterval } from '../../dates/interval';
import { isoWeekStart } from '../../dates/isoWeek';
import type { DateParts } from './segmentForms';

function intervalIn(year: number, { month, day, dayOfYear, week }: DateParts): DayInterval | null {
  if (dayOfYear !== undefined) {
    const at = addDays(isoDay(year, 1, 1), dayOfYear - 1);
    return at.startsWith(isoDay(year, 1, 1).slice(0, 4)) ? { from: at, to: at, precision: 'day' } : null;
  }
  if (week !== undefined) {
    const from = isoWeekStart(year, week);
    return from === null ? null : { from, to: addDays(from, 6), precision: 'week' };
  }
  if (month === undefined) return { from: isoDay(year, 1, 1), to: isoDay(year, 12, 31), precision: 'year' };
  const last = daysInMonth(year, month);
  if (day === undefined) return { from: isoDay(year, month, 1), to: isoDay(year, month, last), precision: 'month' };
  if (day > last) return null;
  const at = isoDay(year, month, day);
  return { from: at, to: at, precision: 'day' };
}

/**
 * Every stretch of days that the date parts of a code may mean, one for each year that they leave possible.
 *
 * @returns none where no such day exists, such as 31 February; one empty list also where the code has no year
 */
export function datesOf(parts: DateParts): DayInterval[] {
  return (parts.years ?? []).map((year) => intervalIn(year, parts)).filter((interval) => interval !== null);
}
