import { formatDay } from './day';

/** True for a time zone that this machine knows by that name. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/**
 * An instant as a clock on the wall of the house shows it, with the zone: `9 Mar 2026, 15:05 CET`.
 *
 * @param at ISO 8601
 * @param timeZone IANA name; one that is not known counts as UTC
 */
export function formatInstant(at: string, timeZone: string): string {
  const zone = isTimeZone(timeZone) ? timeZone : 'UTC';
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZoneName: 'short',
  }).formatToParts(new Date(at));
  const part = (type: string) => parts.find((each) => each.type === type)?.value ?? '';
  const day = formatDay(`${part('year')}-${part('month')}-${part('day')}`);
  return `${day}, ${part('hour')}:${part('minute')} ${part('timeZoneName')}`;
}
