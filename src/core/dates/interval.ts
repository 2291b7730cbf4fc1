import { type Day, daysBetween, formatDay, formatMonth } from './day';

/** How finely a date is printed; a `span` is a stretch that has no name of its own, such as a season. */
export type Precision = 'day' | 'week' | 'month' | 'quarter' | 'span' | 'year';

/** All the days that a printed date may mean, first and last included. */
export interface DayInterval {
  from: Day;
  to: Day;
  precision: Precision;
}

/** `9 Mar 2026`, `week of 9 Mar 2026`, `Mar 2026`, `Q1 2026` or `2026`, never finer than what was printed. */
export function formatInterval({ from, to, precision }: DayInterval): string {
  switch (precision) {
    case 'week':
      return `week of ${formatDay(from)}`;
    case 'month':
      return formatMonth(from);
    case 'quarter':
      return `Q${Math.ceil(Number(from.slice(5, 7)) / 3)} ${from.slice(0, 4)}`;
    case 'year':
      return from.slice(0, 4);
    default:
      return from === to ? formatDay(from) : `${formatDay(from)} – ${formatDay(to)}`;
  }
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
