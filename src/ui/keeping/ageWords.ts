const UNITS: [ms: number, one: string, many: string][] = [
  [86_400_000, 'a day', 'days'],
  [3_600_000, 'an hour', 'hours'],
  [60_000, 'a minute', 'minutes'],
];

/**
 * How long ago an instant was, in words: `3 hours ago`.
 *
 * @param at ISO 8601
 * @param now ISO 8601
 */
export function ageWords(at: string, now: string): string {
  const age = Date.parse(now) - Date.parse(at);
  const [ms, one, many] = UNITS.find(([unit]) => age >= unit) ?? [0, '', ''];
  if (ms === 0) return 'just now';
  const count = Math.floor(age / ms);
  return `${count === 1 ? one : `${count} ${many}`} ago`;
}
