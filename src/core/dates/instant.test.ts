import { expect, it } from 'vitest';
import { formatInstant, isTimeZone } from './instant';

it.each([
  ['2026-03-09T23:05:59.123Z', 'UTC', '9 Mar 2026, 23:05 UTC'],
  ['2026-03-09T23:05:59.123Z', 'Etc/GMT-2', '10 Mar 2026, 01:05 GMT+2'],
  ['2026-03-09T23:05:59.123Z', 'No/Where', '9 Mar 2026, 23:05 UTC'],
])('says %s in %s as %s', (at, zone, text) => expect(formatInstant(at, zone)).toBe(text));

it('knows which zones there are', () =>
  expect(['UTC', 'Etc/GMT-2', 'No/Where', ''].map(isTimeZone)).toEqual([true, true, false, false]));
