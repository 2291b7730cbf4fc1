import { describe, expect, it } from 'vitest';
import { GROUNDS } from '@/demo/testing/bench';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../checks/check';
import type { ConfirmedCase } from './confirmedCase';
import { schoolDecides } from './decide';
import type { HouseRules } from './houseRules';
import { replay, ruleWarnings } from './replay';

const rules = shippedRules as HouseRules;
const CHECKS = { footwear: GROUNDS.kind.checks };
const people = GROUNDS.kind.checks.filter(({ answer }) => answer.form === 'choice').slice(0, 14);

function confirmed(
  number: string,
  goods: 'genuine' | 'counterfeit',
  differs: (check: CheckDefinition) => boolean,
): ConfirmedCase {
  return {
    number,
    kind: 'footwear',
    release: null,
    truth: { goods, packaging: 'own', trust: 1 },
    at: '2026-10-01',
    circumstances: { channel: 'walk-in', inHand: true, packaged: true },
    without: ['inner.style', 'inner.print'],
    chain: 'open',
    findings: Object.fromEntries(people.map((check) => [check.id, { differs: differs(check) }])),
  };
}
const CASES = [
  confirmed('PP-0001', 'genuine', () => false),
  confirmed('PP-0002', 'counterfeit', () => true),
  confirmed('PP-0003', 'counterfeit', () => false),
  confirmed('PP-0004', 'genuine', (check) => check === people[3] || check === people[4] || check === people[7]),
];
const played = (change: Partial<HouseRules> = {}) => replay(CASES, CHECKS, { ...rules, ...change }, {});

describe('replay', () => {
  it('counts what was right, what was accepted and rejected in error, and what it cost', () => {
    const { decisions, cases, right, acceptedCounterfeit, rejectedGenuine, undecided, meanLoss } = played();
    expect(cases).toBe(right + acceptedCounterfeit + rejectedGenuine + undecided);
    expect(decisions['PP-0001']).toBe('genuine');
    expect(decisions['PP-0002']).toBe('counterfeit');
    expect(decisions['PP-0003']).toBe('genuine');
    expect(acceptedCounterfeit).toBe(1);
    const { losses } = rules;
    const cost =
      losses.acceptCounterfeit * acceptedCounterfeit +
      losses.rejectGenuine * rejectedGenuine +
      losses.escalate * undecided;
    expect(meanLoss).toBeCloseTo(cost / cases, 9);
  });
  it('is more careful where accepting a counterfeit costs more', () => {
    const dear = played({ losses: { ...rules.losses, acceptCounterfeit: 5000 } });
    expect(dear.undecided).toBeGreaterThanOrEqual(played().undecided);
    expect(dear.acceptedCounterfeit).toBeLessThanOrEqual(played().acceptedCounterfeit);
  });
  it('decides nothing without what the house requires, and nothing on weak evidence', () => {
    const never = played({ required: { footwear: ['nobody.does-it'] } });
    expect(never.undecided).toBe(CASES.length);
    expect(ruleWarnings(rules, never)).toEqual([expect.stringMatching(/All of the last 4/)]);
    expect(played({ leastEvidence: 60 }).undecided).toBeGreaterThan(played().undecided);
  });
});

describe('the school that decides', () => {
  const case0 = {
    p: 0.99,
    interval: [0.98, 0.999] as [number, number],
    weight: 14,
    ofItem: 14,
    missing: [],
    inHand: true,
  };
  it.each([
    ['weighing', 0, 'broken', 'genuine'],
    ['oneFault', 1, 'holds', 'counterfeit'],
    ['oneFault', 0, 'broken', 'genuine'],
    ['chain', 1, 'holds', 'genuine'],
    ['chain', 0, 'broken', 'counterfeit'],
    ['chain', 0, 'open', 'undecided'],
  ] as const)('%s, with %i faults and a chain that is %s: %s', (school, faults, chain, decision) => {
    expect(schoolDecides({ ...rules, school }, { ...case0, faults, chain, misfit: null }).decision).toBe(decision);
  });
  it('decides nothing by a listing alone, either way', () => {
    const alone = { faults: 0, chain: 'open', misfit: null, ofItem: 1 } as const;
    const decided = (more: object) => schoolDecides(rules, { ...case0, ...alone, ...more });
    expect(decided({})).toEqual({ decision: 'undecided', reasons: [expect.stringMatching(/listing alone/)] });
    const against = { p: 0.02, interval: [0.01, 0.05], weight: -20 };
    expect(decided({ ...against, ofItem: -2 }).decision).toBe('undecided');
    expect(decided({ ...against, ofItem: -8 }).decision).toBe('counterfeit');
    // The item speaks the other way, and the listing outweighs it.
    expect(decided({ ...against, ofItem: 8 }).decision).toBe('undecided');
  });
});
