import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import { madeUpConfirmed } from '@/demo/testing/madeUpConfirmed';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../../checks/check';
import type { Finding } from '../../checks/finding';
import { meanOf } from '../classes';
import { sideOfTruth } from '../confirmedCase';
import { evidenceOf } from '../evidence';
import type { HouseRules } from '../houseRules';
import { type Parameters, parametersOf } from '../parameters';
import { strandSum } from '../strandSum';
import { weigh } from '../weigh';
import { weightOfCase } from './caseWeight';
import { learn } from './learn';

const rules = shippedRules as HouseRules;
const TODAY = '2026-11-24';

const check = madeUpCheck;
const confirmed = madeUpConfirmed;
const weightOf = (findings: Finding[], parameters?: Parameters) =>
  weigh(evidenceOf(findings, 0.2, rules, parameters)).weight;
const CHECKS = ['a', 'b', 'c', 'd'].map((id) => check(id));

it('adds a strand up to the weight that the weighing gives it, where all of it is about the goods', () => {
  const findings = CHECKS.map((each, i) => ({
    check: each,
    mark: i < 2 ? ('differs' as const) : ('agrees' as const),
    problems: [],
  }));
  const { genuine, counterfeit } = strandSum(findings, rules, parametersOf(rules));
  expect(10 * Math.log10(genuine / counterfeit)).toBeCloseTo(weightOf(findings), 9);
});

describe('learning', () => {
  it('leaves everything as stated while no case is confirmed', () => {
    const statistics = learn('k', [], CHECKS, rules, TODAY);
    const finding = { check: CHECKS[0] as CheckDefinition, mark: 'differs' as const, problems: [] };
    const learned = parametersOf(rules, statistics);
    expect(weightOf([finding], learned)).toBeCloseTo(weightOf([finding]), 3);
  });
  it('finds the classes of a made-up strand: shares and chances', () => {
    const random = randomLcg(0.3);
    const cases = Array.from({ length: 1500 }, () => {
      const well = random() < 0.3;
      return confirmed('counterfeit', Object.fromEntries(CHECKS.map(({ id }) => [id, random() < (well ? 0.05 : 0.8)])));
    });
    const { mix, checks } = learn('k', cases, CHECKS, rules, TODAY).strands.s ?? {};
    expect(meanOf(mix?.wellCopied ?? [0, 1])).toBeCloseTo(0.3, 1);
    for (const { well, poorly } of Object.values(checks ?? {})) {
      expect(meanOf(well)).toBeCloseTo(0.05, 1);
      expect(meanOf(poorly)).toBeCloseTo(0.8, 1);
    }
  });
  it('moves a check’s chances towards what is seen, the more slowly the better it is supported', () => {
    const cases = Array.from({ length: 12 }, () => confirmed('genuine', { a: true, b: true }));
    const pair = [check('a', { support: 'hearsay' }), check('b', { support: 'measured', strand: 't' })];
    const { strands } = learn('k', cases, pair, rules, TODAY);
    expect(meanOf(strands.s?.checks.a?.usual ?? [0, 1])).toBeGreaterThan(
      meanOf(strands.t?.checks.b?.usual ?? [0, 1]) + 0.1,
    );
  });
  it('knows a rare chance within a factor: a few that agree make it no rarer, many that differ less rare', () => {
    const rare = [check('a', { g: 0.005 }), check('b', { g: 0.005, strand: 't' })];
    const cases = Array.from({ length: 30 }, (_, i) => confirmed('genuine', { a: false, b: i % 3 === 0 }));
    const { strands } = learn('k', cases, rare, rules, TODAY);
    const learned = (strand: string, id: string) => meanOf(strands[strand]?.checks[id]?.usual ?? [0, 1]);
    expect(learned('s', 'a')).toBeGreaterThan(0.002);
    expect(learned('s', 'a')).toBeLessThan(0.005);
    expect(learned('t', 'b')).toBeGreaterThan(0.05);
  });
  it('lets counterfeits fade by half in the half-life, genuine items never, and counts by trust', () => {
    const old = { at: '2025-05-25' };
    expect(weightOfCase(confirmed('counterfeit', {}, old), TODAY, rules)).toBeCloseTo(0.5, 2);
    expect(weightOfCase(confirmed('genuine', {}, old), TODAY, rules)).toBe(1);
    const doubtful = confirmed('counterfeit', {}, { truth: { goods: 'counterfeit', packaging: 'own', trust: 0.6 } });
    expect(weightOfCase(doubtful, TODAY, rules)).toBeCloseTo(0.6, 9);
  });
  it('takes a packaging check from the side on which the packaging was', () => {
    expect(sideOfTruth({ goods: 'counterfeit', packaging: 'foreign', trust: 1 }, 'packaging')).toBe('genuine');
    expect(sideOfTruth({ goods: 'genuine', packaging: 'foreign', trust: 1 }, 'packaging')).toBeNull();
    expect(sideOfTruth({ goods: 'genuine', packaging: 'unknown', trust: 1 }, 'link')).toBeNull();
    expect(sideOfTruth({ goods: 'counterfeit', packaging: 'own', trust: 1 }, 'link')).toBe('counterfeit');
  });
  it('expects poor copies where the known ones of that release were measured', () => {
    const quantity = check('m', { answer: { form: 'quantity', measure: 'm', uncertainty: 0.3 } });
    const residual = { off: 8, scale: 1, freedom: 8 };
    const cases = Array.from({ length: 10 }, () =>
      confirmed('counterfeit', {}, { findings: { m: { differs: true, residual } } }),
    );
    const statistics = learn('k', cases, [quantity], rules, TODAY);
    expect(statistics.shifts['m/r']).toMatchObject({ n: 10, mean: 8 });
    const at = (value: number) =>
      weightOf(
        [
          {
            check: quantity,
            mark: 'differs',
            value,
            releaseId: 'r',
            nominal: { value: 100, tolerance: 2, unit: 'mm', source: '' },
            problems: [],
          },
        ],
        parametersOf(rules, statistics),
      );
    expect(at(108)).toBeLessThan(at(92) - 1);
  });
});
