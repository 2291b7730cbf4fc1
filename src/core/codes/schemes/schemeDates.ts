import { addDays, daysInMonth, isoDay } from '../../dates/day';
import type { DayInterval } from '../../dates/interval';
import { isoWeekStart } from '../../dates/isoWeek';
import type { DatePart } from './codeScheme';
import { type DateParts, everyYear } from './segments/segmentKind';

function intervalIn(year: number, { month, day, dayOfYear, week, weekday, months }: DateParts): DayInterval | null {
  if (dayOfYear !== undefined) {
    const at = addDays(isoDay(year, 1, 1), dayOfYear - 1);
    return at.startsWith(isoDay(year, 1, 1).slice(0, 4)) ? { from: at, to: at, precision: 'day' } : null;
  }
  if (week !== undefined) {
    const from = isoWeekStart(year, week);
    if (from === null) return null;
    const on = weekday === undefined ? null : addDays(from, weekday - 1);
    return on ? { from: on, to: on, precision: 'day' } : { from, to: addDays(from, 6), precision: 'week' };
  }
  if (months) {
    const [first, last] = months;
    const end = last > 12 ? { year: year + 1, month: last - 12 } : { year, month: last };
    const to = isoDay(end.year, end.month, daysInMonth(end.year, end.month));
    const quarter = last === first + 2 && first % 3 === 1;
    return { from: isoDay(year, first, 1), to, precision: quarter ? 'quarter' : 'span' };
  }
  if (month === undefined) return { from: isoDay(year, 1, 1), to: isoDay(year, 12, 31), precision: 'year' };
  const last = daysInMonth(year, month);
  if (day === undefined) return { from: isoDay(year, month, 1), to: isoDay(year, month, last), precision: 'month' };
  if (day > last) return null;
  const at = isoDay(year, month, day);
  return { from: at, to: at, precision: 'day' };
}

/** Digits that are written apart, put together: years that have them, and other parts where all digits are there. */
function assembled({ digits = [], ...parts }: DateParts): DateParts | null {
  const of = (part: DatePart) => digits.filter((each) => each.part === part);
  const whole: DateParts = { ...parts };
  const years = of('year');
  if (years.length > 0)
    whole.years = everyYear((year) =>
      years.every(
        ({ digit, of: width, value }) =>
          Number(
            String(year)
              .slice(-width)
              .charAt(digit - 1),
          ) === value,
      ),
    );
  for (const [part, most] of [
    ['month', 12],
    ['day', 31],
    ['dayOfYear', 366],
    ['week', 53],
  ] as const) {
    const given = of(part);
    if (given.length === 0 || given.length < (given[0]?.of ?? 0)) continue;
    const value = Number(
      [...given]
        .sort((a, b) => a.digit - b.digit)
        .map((each) => each.value)
        .join(''),
    );
    if (value < 1 || value > most) return null;
    whole[part] = value;
  }
  return whole;
}

/** True where the parts of a code say anything of when it was made. */
export const isDated = ({ years, interval, digits }: DateParts): boolean =>
  years !== undefined || interval !== undefined || digits?.some(({ part }) => part === 'year') === true;

/**
 * Every stretch of days that the date parts of a code may mean, one for each year that they leave possible.
 *
 * @returns none where no such day exists, such as 31 February; one empty list also where the code has no year
 */
export function datesOf(parts: DateParts): DayInterval[] {
  if (parts.interval) return [parts.interval];
  const whole = assembled(parts);
  if (!whole) return [];
  return (whole.years ?? []).map((year) => intervalIn(year, whole)).filter((interval) => interval !== null);
}
