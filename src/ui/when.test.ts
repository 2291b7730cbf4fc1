import { expect, it } from 'vitest';
import { formatAgo } from './when';

it.each([
  ['2026-11-24T11:59:00Z', 'just now'],
  ['2026-11-24T13:00:00Z', 'just now'],
  ['2026-11-24T11:20:00Z', '40 minutes ago'],
  ['2026-11-24T10:30:00Z', '1 hour ago'],
  ['2026-11-23T13:00:00Z', '23 hours ago'],
  ['2026-11-23T11:00:00Z', '1 day ago'],
  ['2026-11-10T11:00:00Z', '14 days ago'],
  ['2026-10-15T09:22:00Z', '15 Oct 2026'],
])('says of %s at noon that it was %s', (at, words) => expect(formatAgo(at, '2026-11-24T12:00:00Z')).toBe(words));
