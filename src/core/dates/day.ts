/** A calendar day as ISO 8601 text, `2026-03-09`. Compared and sorted as text. */
export type Day = string;

const MS_PER_DAY = 86_400_000;

const toMs = (day: Day): number => Date.parse(`${day}T00:00:00Z`);
const fromMs = (ms: number): Day => new Date(ms).toISOString().slice(0, 10);

/** Days in a month of the Gregorian calendar; month 1 to 12. */
export function daysInMonth(year: number, month: number): number {
  return new Date(Date.UTC(year, month, 0)).getUTCDate();
}

/** The ISO text of a day that exists. */
export function isoDay(year: number, month: number, day: number): Day {
  return `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
}

/** True for the ISO text of a day that exists. */
export function isDay(text: string): boolean {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
  if (!match) return false;
  const [year, month, day] = match.slice(1).map(Number) as [number, number, number];
  return month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
}

/** Whole days from `a` to `b`, negative where b is earlier. */
export function daysBetween(a: Day, b: Day): number {
  return Math.round((toMs(b) - toMs(a)) / MS_PER_DAY);
}

/** The day that many days later (earlier where negative). */
export function addDays(day: Day, days: number): Day {
  return fromMs(toMs(day) + days * MS_PER_DAY);
}

const DAY_FORMAT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});
const MONTH_FORMAT = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });

/** The day of the week of a day; Monday is 0. */
export const weekdayOf = (day: Day): number => (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7;

/** The days of the week, from Monday on. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** `2026 Q1`: the quarter that a day or instant lies in. */
export const quarterOf = (at: string): string => `${at.slice(0, 4)} Q${Math.ceil(Number(at.slice(5, 7)) / 3)}`;

/** `9 Mar 2026`. */
export function formatDay(day: Day): string {
  return DAY_FORMAT.format(toMs(day));
}

/** `Mar 2026`. */
export function formatMonth(day: Day): string {
  return MONTH_FORMAT.format(toMs(day));
}

const LENGTHS: [limit: number, unit: number, name: string][] = [
  [60, 1, 'day'],
  [730, 30.44, 'month'],
  [Number.POSITIVE_INFINITY, 365.25, 'year'],
];

/** A number of days in the unit a person would use: `12 days`, `7 months`, `3 years`. */
export function formatSpan(days: number): string {
  const length = Math.abs(days);
  const [, unit, name] = LENGTHS.find(([limit]) => length < limit) as [number, number, string];
  const count = Math.round(length / unit);
  return `${count} ${name}${count === 1 ? '' : 's'}`;
}
