import { describe, expect, it } from 'vitest';
import { CHARTS } from '@/demo/makers';
import { checkChart } from './checkChart';
import { tallyNotches } from './notches';
import type { SizeChart } from './sizeChart';

const court = CHARTS[0] as SizeChart;
const notches = court.notches ?? [];

describe('notch tally', () => {
  it.each([
    ['4 long, 2 short', 42],
    ['long 4 + short 2 + half', 42.5],
    ['9 9 9 9 5 5', 42],
    ['4x9, 2x5', 42],
    ['4 × 9.5 mm; 2 × 5', 42],
    ['9mm x4', 40],
    ['4L 2S', 42],
    ['L4 S2', 42],
    ['4 long 2 short', 42],
    ['9 mm × 4 + 5 mm × 2', 42],
    ['4 longs and 2 shorts', 42],
  ])('adds %s up to %d', (raw, sum) => expect(tallyNotches(raw, notches)).toMatchObject({ sum }));
  it.each([
    ['4 wide', /“4 wide” is no notch of this maker; it cuts long \(9 mm\)/],
    ['7.2', /no notch/],
    ['', /No notch/],
    ['41 short', /more than an insole/],
    ['99999999999 short', /no notch/],
  ])('refuses %s', (raw, sentence) => expect(tallyNotches(raw, notches).failure).toMatch(sentence));
});

describe('size chart', () => {
  const row = (key: string, eu: string) => ({ key, values: { eu } });
  it('of the demo world is sound', () => {
    for (const chart of CHARTS) expect([chart.id, checkChart(chart)]).toEqual([chart.id, []]);
  });
  it.each<[string, Partial<SizeChart>, RegExp]>([
    ['a leading column that is not there', { leading: 'jp' }, /leading column “jp”/],
    ['a size twice', { rows: [...court.rows, court.rows[0] as SizeChart['rows'][0]] }, /Size 38 is there twice/],
    ['a value without a column', { rows: [{ key: '38', values: { eu: '38', jp: '24' } }] }, /“jp”, which is no column/],
    ['sizes that run backwards', { rows: [row('42', '42'), row('41', '41')] }, /EU runs backwards/],
    [
      'notches that a ruler cannot tell apart',
      { notches: [...notches, { name: 'longer', lengthMm: 10, value: 20 }] },
      /less than 2 mm/,
    ],
  ])('refuses %s', (_, change, sentence) => expect(checkChart({ ...court, ...change }).join(' ')).toMatch(sentence));
});
