import { describe, expect, it } from 'vitest';
import { checkProblem, isCheckOfShift, type ScaleCheck, type ScaleReading, standsStill, steadyWeight } from './weight';

const KIND = { resolution: 0.1, capacity: 2_000 };
const CHECK: ScaleCheck = { at: '2026-11-26T09:12:00.000Z', by: 'x', known: 200, tolerance: 0.02, shown: 200.1 };
/** Readings eight times a second. */
const series = (values: number[]): ScaleReading[] => values.map((grams, i) => ({ at: 1_000 + 125 * i, grams }));
const level = (grams: number, count = 20) => series(Array.from({ length: count }, (_, i) => grams + (i % 2) * 0.1));
const weigh = (readings: ScaleReading[], tare = 0, check: ScaleCheck | null = CHECK) =>
  steadyWeight(standsStill(readings, KIND), KIND, tare, check);

describe('a weight', () => {
  it('is the mean of what stands, with what scatter, steps, drift and the check leave open', () => {
    const { weight } = weigh(level(411.2));
    expect(weight?.grams).toBeCloseTo(411.25, 2);
    // (0.1 + 0.02 + 0.1/√12) · 411.25 / 200 / √3 = 0.177 outweighs the rest: 0.1/√12 = 0.029 and 0.05/√17.
    expect(weight?.uncertainty).toBeCloseTo(0.18, 2);
    expect(weight?.working).toContain('checked at 09:12 UTC with 200 g, showing 200.1 g');
  });

  it('is less sure with a tare, and without what was on it', () => {
    const plain = weigh(level(50)).weight?.uncertainty ?? 0;
    const tared = weigh(level(150), 100).weight;
    expect(tared?.grams).toBeCloseTo(50.05, 2);
    expect(tared?.uncertainty).toBeGreaterThan(plain);
  });

  it.each([
    ['nothing was read', [], 'says nothing yet'],
    ['it was laid down just now', level(411, 9), 'settles'],
    ['a hand is on it', series(Array.from({ length: 20 }, (_, i) => 411 + 8 * Math.sin(i))), 'does not stand still'],
    ['it still comes to rest', series(Array.from({ length: 20 }, (_, i) => 411 + 0.02 * i)), 'still moves'],
    ['more lies on it than it bears', [...level(411), { at: 9_000, grams: 2_000, over: true }], 'Take it off'],
    ['something was taken off since it was set to zero', level(-40), 'less than nothing'],
    ['nothing lies on it', level(0.1), 'Nothing lies on it'],
  ])('is not taken where %s', (_, readings, sentence) => {
    expect(weigh(readings).waits).toContain(sentence);
  });

  it('is not taken without a check of this shift', () => {
    expect(weigh(level(411), 0, null).waits).toContain('not checked');
    const hours = (at: string) => isCheckOfShift(CHECK, at, 10);
    expect([hours('2026-11-26T19:00:00Z'), hours('2026-11-26T19:13:00Z'), hours('2026-11-26T09:00:00Z')]).toEqual([
      true,
      false,
      false,
    ]);
  });
});

describe('a check of a scale', () => {
  it.each([
    [200.3, 200, null],
    [200.4, 200, /off by 0.4 g/],
    [199.6, 200, /off by 0.4 g/],
    [0, 0, /more than nothing/],
    [5_000, 5_000, /bears 2000 g/],
  ])('that shows %d g for %d g', (shown, known, problem) => {
    const said = checkProblem({ ...CHECK, shown, known }, KIND);
    if (problem === null) expect(said).toBeNull();
    else expect(said).toMatch(problem);
  });
});
