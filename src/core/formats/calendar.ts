import type { Day } from '../dates/day';

/** A case that is due on a day. */
export interface DueDate {
  number: string;
  title: string;
  due: Day;
  owner: string | null;
}

const escaped = (text: string): string =>
  text
    .replace(/[\\;,]/g, (sign) => `\\${sign}`)
    .replace(/\r?\n/g, '\\n')
    // Of what is left below the space nothing belongs in a calendar.
    .replace(/\p{Cc}/gu, '');

const MOST_OCTETS = 73;

/** A line broken after at most 75 octets, never within a character. */
function folded(line: string): string {
  const lines: string[] = [];
  let [now, octets] = ['', 0];
  for (const character of line) {
    const size = new TextEncoder().encode(character).length;
    if (octets + size > MOST_OCTETS) {
      lines.push(now);
      [now, octets] = [' ', 1];
    }
    now += character;
    octets += size;
  }
  return [...lines, now].join('\r\n');
}

/**
 * Due dates as a calendar: one whole-day event for each case.
 *
 * @param now ISO 8601 instant at which it is made
 * @source RFC 5545
 */
export function dueCalendar(dates: DueDate[], now: string): string {
  const stamp = now.replace(/[-:]|\.\d+/g, '');
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Pinprick//Due dates//EN',
    ...dates.flatMap(({ number, title, due, owner }) => [
      'BEGIN:VEVENT',
      `UID:${number}@pinprick`,
      `DTSTAMP:${stamp}`,
      `DTSTART;VALUE=DATE:${due.replaceAll('-', '')}`,
      `SUMMARY:${escaped(`${number} due: ${title}${owner ? ` (${owner})` : ''}`)}`,
      'TRANSP:TRANSPARENT',
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ];
  return `${lines.map(folded).join('\r\n')}\r\n`;
}
