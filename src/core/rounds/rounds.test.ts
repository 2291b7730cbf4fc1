import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import houseRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../checks/check';
import type { Finding } from '../checks/finding';
import { evidenceOf } from '../judgement/evidence';
import { type HouseRules, thresholds } from '../judgement/houseRules';
import { rankGains } from '../judgement/nextCheck';
import { planDay, type Waiting } from './planDay';
import { filterFrom, wordsOf } from './queueFilter';
import { SETUPS } from './setups';
import { workAhead } from './workAhead';

const TODAY = '2026-05-04';
const waiting = (number: string, minutes: Waiting['ahead']['minutes'], more: Partial<Waiting> = {}): Waiting => ({
  number,
  ahead: { minutes, checks: 1, decides: true },
  due: null,
  urgent: false,
  value: null,
  release: null,
  ...more,
});

describe('a day of rounds', () => {
  it('sets up once for all that need it', () => {
    const cases = ['a', 'b', 'c'].map((number) => waiting(number, { bench: 2, dark: 3 }));
    const { bands, minutes, alone } = planDay(cases, { today: TODAY });
    expect(bands.filter(({ setup }) => setup === 'dark')).toHaveLength(1);
    expect(minutes).toBe(3 * 5 + SETUPS.dark.minutes);
    expect(alone - minutes).toBe(2 * SETUPS.dark.minutes);
  });
  it('fetches a known item once for its release', () => {
    const cases = [
      waiting('a', { exemplar: 3 }, { release: 'x' }),
      waiting('b', { exemplar: 3 }, { release: 'y' }),
      waiting('c', { exemplar: 3 }, { release: 'x' }),
    ];
    expect(planDay(cases, { today: TODAY }).bands.map(({ release, lines }) => [release, lines.length])).toEqual([
      ['x', 2],
      ['y', 1],
    ]);
  });
  it('has what presses done first, and what somebody moves before that', () => {
    const cases = [
      waiting('late', { bench: 20 }, { due: '2026-05-01' }),
      waiting('plain', { bench: 20 }),
      waiting('urgent', { bench: 20 }, { urgent: true, due: '2026-05-01' }),
    ];
    const order = (first: string[] = []) =>
      planDay(cases, { today: TODAY, first }).bands[0]?.lines.map(({ number }) => number);
    expect(order()).toEqual(['urgent', 'late', 'plain']);
    expect(order(['plain'])).toEqual(['plain', 'urgent', 'late']);
  });
  it('has what is worth more first among those that press alike, and never before a promise', () => {
    const value = (amount: number) => ({ value: { amount, currency: 'EUR' } });
    const cases = [
      waiting('cheap', { bench: 20 }, value(20)),
      waiting('middle', { bench: 20 }, value(200)),
      waiting('dear', { bench: 20 }, value(20_000)),
      waiting('elsewhere', { bench: 20 }, { value: { amount: 5_000_000, currency: 'JPY' } }),
      waiting('due', { bench: 20 }, { ...value(20), due: TODAY }),
    ];
    expect(planDay(cases, { today: TODAY }).bands[0]?.lines.map(({ number }) => number)).toEqual([
      'due',
      'dear',
      'middle',
      'elsewhere',
      'cheap',
    ]);
  });
  it('goes through the set-ups in the order that has the pressing case done soonest', () => {
    const many = Array.from({ length: 8 }, (_, i) => waiting(`m${i}`, { bench: 10, scale: 5 }));
    const pressing = waiting('p', { dark: 4 }, { urgent: true, due: TODAY });
    expect(planDay([...many, pressing], { today: TODAY }).bands[0]?.setup).toBe('dark');
  });
  it('says what cannot be done in time, over nights and week-ends', () => {
    // A Friday; a day of work lies before the second, which is done on Monday.
    const cases = [waiting('a', { bench: 420 }, { urgent: true }), waiting('b', { bench: 30 }, { due: '2026-05-09' })];
    const plan = planDay(cases, { today: '2026-05-08' });
    const order = plan.bands[0]?.lines.map(({ number }) => number);
    expect(plan.done[order?.[1] ?? '']?.day).toBe('2026-05-11');
    expect(planDay([waiting('a', { bench: 500 }, { due: TODAY })], { today: TODAY }).late).toEqual(['a']);
    expect(planDay([], { today: TODAY })).toEqual({ bands: [], minutes: 0, alone: 0, done: {}, late: [] });
  });
});

describe('the work ahead of a case', () => {
  const rules = houseRules as HouseRules;
  const limits = thresholds(rules.losses);
  const open = (n: number, over: Partial<CheckDefinition> = {}) =>
    Array.from({ length: n }, (_, i): Finding => {
      // Each of a cause of its own, so that they add up.
      const check = madeUpCheck(`c${i}${over.id ?? ''}`, {
        strand: `s${i}`,
        g: 0.02,
        c: 0.5,
        ...over,
        id: `c${i}${over.id ?? ''}`,
      });
      return { check, mark: 'open', problems: [] };
    });
  const ahead = (findings: Finding[], prior: number, more: { undecided?: boolean; required?: string[] } = {}) => {
    const evidence = evidenceOf(findings, prior, rules);
    return workAhead(
      rankGains(findings, evidence),
      evidence,
      { p: 1 - prior, undecided: true, required: [], ...more },
      limits,
    );
  };
  it('ends where it can be decided, and takes the longer the more is doubted', () => {
    const even = ahead(open(60), 0.5);
    expect(even.decides).toBe(true);
    expect(even.checks).toBeGreaterThan(3);
    expect(even.checks).toBeLessThan(40);
    expect(ahead(open(60), 0.1).checks).toBeLessThan(even.checks);
    // Weaker signs take longer.
    expect(ahead(open(60, { c: 0.2 }), 0.5).checks).toBeGreaterThan(even.checks);
  });
  it('says where nothing that is left decides it, and what has to be set up', () => {
    const few = ahead(open(2, { tools: ['uv'], seconds: 120, c: 0.05 }), 0.5);
    expect(few).toEqual({ minutes: { bench: 2, dark: expect.closeTo(4, 9) }, checks: 2, decides: false });
    expect(ahead([], 0.3).decides).toBe(false);
    expect(ahead(open(9), 0.01, { undecided: false })).toEqual({ minutes: { bench: 2 }, checks: 0, decides: true });
  });
  it('counts what the house requires, whatever else is known', () => {
    const findings = [...open(5), ...open(1, { id: 'must', seconds: 240 })];
    const must = findings.at(-1)?.check.id ?? '';
    const { minutes, checks } = ahead(findings, 0.001, { required: [must] });
    expect(checks).toBe(1);
    expect(minutes.bench).toBeCloseTo(2 + 4, 1);
  });
});

describe('a narrowing of the queue', () => {
  it('is said by an address and read from it again; what is none is passed over', () => {
    const filter = { text: 'VK 48', owner: 'nobody', due: 'overdue', sort: 'due' } as const;
    expect(filterFrom(Object.fromEntries(new URLSearchParams(wordsOf(filter))))).toEqual(filter);
    expect(filterFrom({ due: 'someday', waits: '__proto__', sort: 'x', text: ' ', page: '3' })).toEqual({});
  });
});
