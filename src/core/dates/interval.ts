import { type Day, daysBetween, formatDay, formatMonth } from './day';

export type Precision = 'day' | 'week' | 'month' | 'year';

/** All the days that a printed date may mean, first and last included. */
export interface DayInterval {
  from: Day;
  to: Day;
  precision: Precision;
}

/** `9 Mar 2026`, `week of 9 Mar 2026`, `Mar 2026` or `2026`, never finer than what was printed. */
export function formatInterval(interval: DayInterval): string {
  if (interval.precision === 'day') return formatDay(interval.from);
  if (interval.precision === 'week') return `week of ${formatDay(interval.from)}`;
  if (interval.precision === 'month') return formatMonth(interval.from);
  return interval.from.slice(0, 4);
}

/**
 * By how many days an interval certainly lies outside a window; 0 where it may lie inside.
 *
 * @returns negative days too early, positive days too late
 * @example daysOutside({ from: '2024-01-01', to: '2024-01-31', precision: 'month' }, '2024-03-01', '2024-06-01') // -30
 */
export function daysOutside(interval: DayInterval, earliest: Day, latest: Day): number {
  if (interval.to < earliest) return daysBetween(earliest, interval.to);
  if (interval.from > latest) return daysBetween(latest, interval.from);
  return 0;
}
