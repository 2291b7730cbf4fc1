import { formatDay } from '@/core/dates/day';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** How long ago, as one would say it; a date once it is over two weeks. Both instants ISO 8601. */
export function formatAgo(at: string, now: string): string {
  const elapsed = Date.parse(now) - Date.parse(at);
  if (elapsed < 2 * MINUTE) return 'just now';
  if (elapsed < HOUR) return `${Math.round(elapsed / MINUTE)} minutes ago`;
  if (elapsed < 24 * HOUR) return elapsed < 2 * HOUR ? '1 hour ago' : `${Math.floor(elapsed / HOUR)} hours ago`;
  const days = Math.floor(elapsed / (24 * HOUR));
  if (days < 15) return days === 1 ? '1 day ago' : `${days} days ago`;
  return formatDay(at.slice(0, 10));
}
