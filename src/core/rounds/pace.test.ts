import { describe, expect, it } from 'vitest';
import type { LoggedEntry } from './logbook';
import { atPace, pacesOf } from './pace';

/** A case that was sealed so many minutes after its first of two findings. */
const sealedCase = (caseId: string, hour: number, minutes: number, kind = 'shoe'): LoggedEntry[] =>
  [
    ['findingRecorded', 0, 'weave'],
    ['findingRecorded', minutes / 2, 'gone'],
    ['verdictSealed', minutes, null],
  ].map(([type, at, check]) => ({
    at: new Date(Date.UTC(2026, 4, 4, hour) + Number(at) * 60_000).toISOString(),
    by: 'a',
    type: type as string,
    caseId,
    kind,
    decision: type === 'verdictSealed' ? 'genuine' : null,
    check: check as string | null,
    to: null,
  }));
/** One check is known and takes a minute; the other was taken out of its kind since. */
const stated = (_: string, check: string) => (check === 'weave' ? 1 : undefined);
const of = (cases: number, minutes: number) =>
  pacesOf(Array.from({ length: cases }, (_, i) => sealedCase(`c${i}`, i, minutes)).flat(), stated);

describe('the pace of a house', () => {
  it('is what sealed cases took for each minute that their checks state, the surer the more of them', () => {
    // With what the seal itself took: four and a half minutes for one.
    const [few, many] = [of(1, 4).shoe, of(20, 4).shoe];
    expect(many?.cases).toBe(20);
    expect(many?.factor).toBeCloseTo(4.5 ** (20 / 24), 6);
    expect(few?.factor).toBeCloseTo(4.5 ** (1 / 5), 6);
  });
  it('is not moved by one case over which somebody was called away', () => {
    const slow = sealedCase('slow', 23, 18);
    const all = Array.from({ length: 9 }, (_, i) => sealedCase(`c${i}`, i, 4)).flat();
    expect(pacesOf([...all, ...slow], stated).shoe?.factor).toBeCloseTo(4.5 ** (9 / 13), 6);
  });
  it('leaves out what was entered in one go when all was over', () =>
    expect(pacesOf([...sealedCase('a', 1, 0), ...sealedCase('b', 2, 4)], () => 5).shoe?.cases).toBe(1));
  it('counts an answer that is given again once', () => {
    const entries = sealedCase('c', 1, 4);
    const again = { ...(entries[0] as LoggedEntry), at: (entries[1] as LoggedEntry).at };
    const [first, ...rest] = entries as [LoggedEntry, ...LoggedEntry[]];
    expect(pacesOf([first, again, ...rest], stated)).toEqual(pacesOf(entries, stated));
  });
  it('is not told where nothing was sealed, or nothing that is known was answered', () => {
    expect(pacesOf([], stated)).toEqual({});
    expect(pacesOf(sealedCase('c', 1, 4), () => undefined)).toEqual({});
    expect(pacesOf(sealedCase('c', 1, 4).slice(0, 2), stated)).toEqual({});
  });
  it('stretches every part of the work ahead', () =>
    expect(atPace({ minutes: { bench: 2, dark: 3 }, checks: 4, decides: true }, { factor: 2, cases: 9 })).toEqual({
      minutes: { bench: 4, dark: 6 },
      checks: 4,
      decides: true,
    }));
});
