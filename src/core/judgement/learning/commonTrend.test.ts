import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { commonTrend } from './commonTrend';
import { sigmoid } from './sigmoid';

const AGES = [1.5, 4.5, 7.5, 10.5, 13.5, 16.5, 19.5, 22.5];

/** Things whose odds are drawn by themselves and move together. */
function courses(slope: number, seed: number, each = 12) {
  const random = randomLcg(seed);
  return Array.from({ length: 20 }, () => {
    const logit = 2 * random() - 1;
    const yes = AGES.map((age) =>
      Array.from({ length: each }).reduce<number>((sum) => sum + (random() < sigmoid(logit - slope * age) ? 1 : 0), 0),
    );
    return { logit, yes, no: yes.map((count) => each - count) };
  });
}

describe('how odds move together', () => {
  it.each([0.08, -0.05])('finds a slope of %d a month that no thing shows by itself', (slope) => {
    const drawn = courses(slope, 0.3);
    const { slope: found, gain, now } = commonTrend(drawn, AGES);
    expect(found).toBeGreaterThan(slope - 0.02);
    expect(found).toBeLessThan(slope + 0.02);
    expect(gain).toBeGreaterThan(10);
    const off = now.map((logit, i) => Math.abs(sigmoid(logit) - sigmoid(drawn[i]?.logit ?? 0)));
    expect(Math.max(...off)).toBeLessThan(0.25);
  });
  it('finds none worth saying where nothing moves', () => {
    for (const seed of [0.1, 0.2, 0.4, 0.5, 0.6, 0.7, 0.8])
      expect(commonTrend(courses(0, seed), AGES).gain).toBeLessThan(3);
  });
  it('gives sound numbers for things that were never seen, or only one way', () => {
    const none = AGES.map(() => 0);
    const { now, gain } = commonTrend(
      [
        { yes: none, no: none },
        { yes: AGES, no: none },
      ],
      AGES,
    );
    expect(now.every(Number.isFinite)).toBe(true);
    expect(now[0]).toBeCloseTo(0, 6);
    expect(gain).toBeGreaterThanOrEqual(0);
    expect(commonTrend([], []).gain).toBe(0);
  });
});
