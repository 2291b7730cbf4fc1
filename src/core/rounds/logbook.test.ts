import { describe, expect, it } from 'vitest';
import { dueCalendar } from '../formats/calendar';
import { type LoggedEntry, logbookOf } from './logbook';

const entry = (at: string, caseId: string, more: Partial<LoggedEntry> = {}): LoggedEntry => ({
  at: `2026-05-04T${at}:00.000Z`,
  by: 'a',
  type: 'findingRecorded',
  caseId,
  kind: 'shoe',
  decision: null,
  check: null,
  to: null,
  ...more,
});
const dayOf = (at: string) => at.slice(0, 10);

describe('a logbook', () => {
  it('counts time between entries to the case of the earlier one, and no pauses', () => {
    const { days, kinds } = logbookOf(
      [
        entry('09:00', 'x'),
        entry('09:04', 'y'),
        entry('09:10', 'x', { type: 'verdictSealed', decision: 'genuine' }),
        // A pause of hours is nobody's work.
        entry('14:00', 'y', { type: 'caseClosed' }),
        entry('14:00', 'z', { by: 'b', type: 'verdictSealed', decision: 'noObjection' }),
      ],
      dayOf,
    );
    expect(days).toEqual([
      expect.objectContaining({ by: 'a', entries: 4, cases: 2, genuine: 1, undecided: 0, closed: 1, minutes: 11 }),
      expect.objectContaining({ by: 'b', entries: 1, cases: 1, undecided: 1, minutes: 0.5 }),
    ]);
    // Four minutes before the other case, and what the seal took.
    expect(kinds).toEqual([{ kind: 'shoe', cases: 2, median: 2.5, quartiles: [1.5, 3.5] }]);
    expect(logbookOf([], dayOf)).toEqual({ days: [], kinds: [] });
  });
});

describe('items that leave', () => {
  it('are counted as gone back or passed on, and not at all once they are back', () => {
    const moves = (['owner', 'owner', 'sale', 'destroyed', 'desk'] as const).map((to, i) =>
      entry(`09:0${i}`, `case ${i}`, { type: 'itemMoved', to }),
    );
    expect(logbookOf(moves, dayOf).days).toEqual([expect.objectContaining({ returned: 2, passedOn: 2, closed: 0 })]);
  });
});

describe('due dates as a calendar', () => {
  const calendar = (title: string) =>
    dueCalendar([{ number: 'PP-0001', title, due: '2026-05-09', owner: null }], '2026-05-04T09:30:00.123Z');
  it('have one whole day each', () => {
    expect(calendar('Shoe').split('\r\n')).toEqual([
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//Pinprick//Due dates//EN',
      'BEGIN:VEVENT',
      'UID:PP-0001@pinprick',
      'DTSTAMP:20260504T093000Z',
      'DTSTART;VALUE=DATE:20260509',
      'SUMMARY:PP-0001 due: Shoe',
      'TRANSP:TRANSPARENT',
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ]);
  });
  it('keep signs, breaks and long names within the format', () => {
    const lines = calendar(`a,b;c\\d\ne ${'ü'.repeat(80)}`).split('\r\n');
    expect(lines.every((line) => new TextEncoder().encode(line).length <= 75)).toBe(true);
    const whole = lines.join('\r\n').replaceAll('\r\n ', '');
    expect(whole).toContain(`a\\,b\\;c\\\\d\\ne ${'ü'.repeat(80)}`);
  });
});
