import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import { madeUpConfirmed } from '@/demo/testing/madeUpConfirmed';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../../../checks/check';
import type { Finding } from '../../../checks/finding';
import { evidenceOf, shareOf } from '../../evidence';
import type { HouseRules } from '../../houseRules';
import { hypothesesOf, worldsOf } from '../../hypotheses';
import { makePrior } from '../../makePrior';
import { parametersOf } from '../../parameters';
import { NAMED_FROM, nameOfMake, resembles } from '../../resemblance';
import type { LearnedMake, MakeStatistics, TellStatistics } from '../../statistics';
import { learn } from '../learn';
import type { Copy } from './copiesOf';
import { keepMakeIds } from './names';
import { Predictive } from './predictive';
import { sortCopies } from './sortCopies';

const rules = shippedRules as HouseRules;
const TODAY = '2026-11-24';
const CHECKS = Array.from({ length: 16 }, (_, i) => madeUpCheck(`c${i}`, { strand: `strand ${i}` }));
const PREDICTIVE = new Predictive(CHECKS.map(() => makePrior('slips', 0.04, 0.4)));

/** Workshops that each get four things wrong, and nothing else: more of them than a strand has classes of copies. */
const WRONG = { left: [0, 1, 2, 3], right: [6, 7, 8, 9], third: [12, 13, 14, 15] };
type Workshop = keyof typeof WRONG;

const random = randomLcg(0.31);
const outcomesOf = (wrong: number[]): number[] =>
  CHECKS.map((_, i) => (random() < (wrong.includes(i) ? 0.85 : 0.04) ? 1 : 0));
const copy = (number: string, wrong: number[], held: string | null = null): Copy => ({
  number,
  outcomes: Int8Array.from(outcomesOf(wrong)),
  held,
});
const together = (sorting: number[][], a: number, b: number): boolean =>
  sorting.some((members) => members.includes(a) && members.includes(b));

describe('copies of a release', () => {
  const copies = Array.from({ length: 20 }, (_, i) => copy(`n${i}`, i < 10 ? WRONG.left : WRONG.right));
  it('are sorted by what they get wrong', () => {
    const [likeliest] = sortCopies(copies, PREDICTIVE);
    const largest = (likeliest ?? []).slice(0, 2).map((members) => members.map((i) => (i < 10 ? 'left' : 'right')));
    for (const members of largest) {
      expect(members.length).toBeGreaterThan(6);
      expect(new Set(members).size).toBe(1);
    }
  });
  it('stay where a person put them, together and apart, whatever they show', () => {
    const held = copies.map((each, i) => ({ ...each, held: { 0: 'x', 11: 'x', 1: 'y', 2: 'z' }[i] ?? null }));
    for (const sorting of sortCopies(held, PREDICTIVE)) {
      expect(together(sorting, 0, 11)).toBe(true);
      expect(together(sorting, 1, 2)).toBe(false);
      expect(together(sorting, 0, 1)).toBe(false);
      expect(sorting.flat().sort((a, b) => a - b)).toEqual(copies.map((_, i) => i));
    }
  });
  it('are sorted the same way every time', () => {
    expect(sortCopies(copies, PREDICTIVE)).toEqual(sortCopies(copies, PREDICTIVE));
  });
});

const confirmed = (number: string, goods: 'genuine' | 'counterfeit', wrong: number[]) =>
  madeUpConfirmed(goods, Object.fromEntries(outcomesOf(wrong).map((outcome, i) => [`c${i}`, outcome === 1])), {
    number,
  });
const found = (differing: number[]): Finding[] =>
  CHECKS.map((check: CheckDefinition, i) => ({
    check,
    mark: differing.includes(i) ? 'differs' : 'agrees',
    problems: [],
  }));

describe('what cases teach of makes', () => {
  const workshop = (i: number): Workshop => (['left', 'right', 'third'] as const)[i % 3] as Workshop;
  const cases = [
    ...Array.from({ length: 40 }, (_, i) => confirmed(`g${i}`, 'genuine', [])),
    ...Array.from({ length: 45 }, (_, i) => confirmed(`${workshop(i)} ${i}`, 'counterfeit', WRONG[workshop(i)])),
  ];
  const statistics = learn('k', cases, CHECKS, rules, TODAY);
  const judged = (differing: number[], learned: TellStatistics, release = 'r') => {
    const evidence = evidenceOf(found(differing), 0.2, rules, parametersOf(rules, learned, undefined, release));
    return { genuine: shareOf(evidence), resemblance: resembles(evidence) };
  };
  const { makes: _, ...without } = statistics;

  it('names the workshop whose copies an item resembles, and weighs its signs together', () => {
    expect(statistics.makes?.share).toBeGreaterThan(0.3);
    const { resemblance } = judged(WRONG.right, statistics);
    expect(resemblance?.p).toBeGreaterThan(NAMED_FROM);
    expect(resemblance?.make.cases.every((number) => number.startsWith('right'))).toBe(true);
    expect(judged(WRONG.left, statistics).genuine).toBeLessThan(judged(WRONG.left, without).genuine);
    // One sign of each workshop is of neither: a genuine item shows two by chance sooner than a copy shows no others.
    const mixed = [0, 6];
    expect(judged(mixed, statistics).genuine).toBeGreaterThan(judged(mixed, without).genuine);
  });
  it('names none for a copy that is of neither, nor for goods without a fault', () => {
    for (const differing of [[4, 5, 10, 11], [0, 4, 7, 10], []])
      expect(judged(differing, statistics).resemblance?.p ?? 0).toBeLessThan(NAMED_FROM);
  });
  it('says nothing of another release', () => {
    expect(judged(WRONG.right, statistics, 'other').resemblance).toBeNull();
    expect(judged(WRONG.right, statistics, 'other').genuine).toBeCloseTo(
      judged(WRONG.right, without, 'other').genuine,
      12,
    );
  });
  it('learns none from few copies, or where the house holds that there are none', () => {
    const few = cases.filter(({ truth }, i) => truth.goods === 'genuine' || i < 48);
    expect(learn('k', few, CHECKS, rules, TODAY).makes).toMatchObject({ share: 0, releases: {} });
    expect(learn('k', cases, CHECKS, { ...rules, frozen: { makes: true } }, TODAY).makes).toBeUndefined();
  });
  it('keeps together what a person sorted', () => {
    const hand = new Map([
      ['left 0', 'by hand'],
      ['right 1', 'by hand'],
    ]);
    const learned = learn('k', cases, CHECKS, rules, TODAY, [], hand);
    for (const makes of learned.makes?.releases.r?.samples ?? []) {
      const [holding] = makes.filter(({ cases: own }) => own.includes('left 0'));
      expect(holding?.cases).toContain('right 1');
    }
  });
});

it('makes share out the worlds with copied goods, and leave the others as they were', () => {
  const hypotheses = hypothesesOf({ genuine: 0.2, counterfeit: 0.4 }, [0.3, 0.2]);
  for (const share of Object.values(worldsOf(hypotheses, hypotheses.weights))) expect(share).toBeCloseTo(1, 12);
});

const make = (id: string, cases: string[]): LearnedMake => ({ id, cases, seen: {} });
const statisticsOf = (...makes: LearnedMake[]): MakeStatistics => ({
  share: 0.5,
  prior: 'slips',
  releases: { r: { copies: 9, samples: [makes, makes] } },
});

it('a make keeps its id as long as most of its cases stay, and no two share one', () => {
  const before = statisticsOf(make('a', ['1', '2', '3']), make('4', ['4', '5']));
  const now = statisticsOf(make('1', ['1', '4', '5']), make('2', ['2', '3', '6']));
  const [first, second] = keepMakeIds(before, now).releases.r?.samples[0] ?? [];
  expect([first?.id, second?.id]).toEqual(['4', 'a']);
  const split = statisticsOf(make('1', ['1']), make('a', ['2', '3']));
  const ids = keepMakeIds(before, split).releases.r?.samples[0]?.map(({ id }) => id) ?? [];
  expect(new Set(ids).size).toBe(2);
});

it('a make goes by the name that a person gave most of its cases, else by those cases', () => {
  const noted = (name: string, cases: string[], generation?: string) =>
    ({ id: name, name, cases, ...(generation ? { generation } : {}) }) as never;
  const found = make('a', ['1', '2', '3', '4']);
  expect(nameOfMake(found)).toBe('the copies of 1, 2 and 2 more');
  expect(nameOfMake(found, [noted('thin ink', ['9']), noted('wide gap', ['2', '3'], 'second batch')])).toBe(
    'the copies called “wide gap”, second batch, met 4 times before',
  );
  expect(nameOfMake(found, [noted('thin ink', ['9'])])).toBe('the copies of 1, 2 and 2 more');
});
