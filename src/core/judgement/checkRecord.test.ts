import { describe, expect, it } from 'vitest';
import shippedRules from '@/desk/shipped/house-rules.json';
import { addDays } from '../dates/day';
import { type CheckVerdict, checkRecord } from './checkRecord';
import type { ConfirmedCase } from './confirmedCase';
import type { HouseRules } from './houseRules';

const rules = shippedRules as HouseRules;
const TODAY = '2026-11-24';
const check = {
  id: 'a',
  name: 'a',
  layer: 'l',
  strand: 's',
  bearsOn: 'goods' as const,
  answer: { form: 'presence' as const, expected: 'present' as const },
  instruction: '',
  expected: '',
  copies: '',
  g: 0.05,
  c: 0.4,
  support: 'one source' as const,
  source: '',
  seconds: 10,
  inHand: false,
  notWhen: [],
  after: [],
};
/** So many items, of which some differed, looked at so many days ago. */
const items = (goods: 'genuine' | 'counterfeit', seen: number, differed: number, daysAgo: number): ConfirmedCase[] =>
  Array.from({ length: seen }, (_, i) => ({
    number: 'PP-0001',
    kind: 'k',
    release: null,
    truth: { goods, packaging: 'own', trust: 1 },
    at: addDays(TODAY, -daysAgo),
    circumstances: { channel: 'walk-in', inHand: true, packaged: true },
    without: [],
    chain: 'open',
    findings: { a: { differs: i < differed } },
  }));
const verdictOf = (...cases: ConfirmedCase[][]): CheckVerdict => checkRecord(check, cases.flat(), rules, TODAY).verdict;
const GENUINE = items('genuine', 40, 2, 300);

describe('a check’s record', () => {
  it('is untested until enough items of both kinds were seen', () => {
    expect(verdictOf(GENUINE, items('counterfeit', 7, 5, 30))).toBe('untested');
    expect(verdictOf(items('counterfeit', 40, 20, 30))).toBe('untested');
  });
  it('tells what separates from what does not', () => {
    expect(verdictOf(GENUINE, items('counterfeit', 30, 15, 30))).toBe('useful');
    expect(verdictOf(items('genuine', 40, 10, 300), items('counterfeit', 30, 10, 30))).toBe('weak');
  });
  it('marks as stale what copies used to fail and no longer do', () => {
    const record = checkRecord(
      check,
      [...GENUINE, ...items('counterfeit', 30, 20, 500), ...items('counterfeit', 20, 1, 60)],
      rules,
      TODAY,
    );
    expect(record.verdict).toBe('stale');
    expect(record.because).toMatch(/66 % of earlier counterfeits and on 7.1 % of those/);
    expect(verdictOf(GENUINE, items('counterfeit', 30, 20, 500), items('counterfeit', 20, 13, 60))).toBe('useful');
  });
  it('weighs by what was seen, with intervals that narrow', () => {
    const wide = checkRecord(check, [], rules, TODAY);
    const narrow = checkRecord(check, [...GENUINE, ...items('counterfeit', 60, 30, 10)], rules, TODAY);
    const width = ([low, high]: [number, number]) => high - low;
    expect(width(narrow.c.interval)).toBeLessThan(width(wide.c.interval) / 2);
    expect(narrow.c.value).toBeCloseTo(0.49, 1);
    expect(narrow.worth.differs).toBeLessThan(-8);
    expect(narrow.trend.map(({ quarter }) => quarter)).toEqual(['2026 Q1', '2026 Q4']);
  });
});
