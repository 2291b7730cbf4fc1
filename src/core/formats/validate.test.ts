import { describe, expect, it } from 'vitest';
import { RELEASES } from '@/demo/releases';
import footwear from '@/desk/shipped/footwear.json';
import houseRules from '@/desk/shipped/house-rules.json';
import { formatProblem } from './validate';

const release = RELEASES[0];
const check = footwear.checks[0];

describe('formats', () => {
  it.each<[string, Parameters<typeof formatProblem>[0], unknown, RegExp]>([
    [
      'a date that does not exist',
      'release',
      { ...release, releaseDate: '2025-02-31' },
      /“releaseDate”.*is no day of the calendar/,
    ],
    ['a GTIN of nine digits', 'release', { ...release, sizes: [{ key: '42', gtin: '952120410' }] }, /“gtin”/],
    ['a release without sizes', 'release', { ...release, sizes: [] }, /“sizes”/],
    [
      'a tolerance of zero',
      'release',
      { ...release, nominal: { w: { value: 1, tolerance: 0, unit: 'g', source: 'x' } } },
      /“tolerance”/,
    ],
    [
      'a field that the format does not know',
      'maker',
      { id: 'x', name: 'X', gtinPrefixes: [], styleShape: 'A9', dateOrder: 'DMY', logo: 'x' },
      /field “logo”/,
    ],
    ['a chance of one', 'check', { ...check, g: 1 }, /“g”/],
    ['a chance of zero', 'check', { ...check, c: 0 }, /“c”/],
    ['an unknown support', 'check', { ...check, support: 'somebody said' }, /none of hearsay, one source/],
    ['a check without its source', 'check', { ...check, source: undefined }, /lacks the field “source”/],
    [
      'a loss of nothing',
      'house-rules',
      { ...houseRules, losses: { acceptCounterfeit: 0, rejectGenuine: 5, escalate: 1 } },
      /“acceptCounterfeit”/,
    ],
    ['an unknown school', 'house-rules', { ...houseRules, school: 'guessing' }, /none of weighing, oneFault, chain/],
    [
      'a value that is no number',
      'new-event',
      {
        id: '6f2c1c1e-3f65-4c0d-8a53-0123456789ab',
        type: 'findingRecorded',
        body: { check: 'c', outcome: 'agrees', value: '402' },
      },
      /“value”.*number/,
    ],
    [
      'a log that is no list',
      'case',
      { format: 'pinprick-case', version: 1, id: '6f2c1c1e-3f65-4c0d-8a53-0123456789ab', events: {}, documents: {} },
      /“events”/,
    ],
    ['nothing at all', 'roster', null, /^It is no record of fields/],
  ])('refuse %s with a sentence that says where', (_, format, value, sentence) => {
    expect(formatProblem(format, value)).toMatch(sentence);
  });
});
