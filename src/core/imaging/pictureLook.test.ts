import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { LOOK_HEIGHT, LOOK_WIDTH, lookAlike, looksApart, pictureLook } from './pictureLook';

const picture = (seed: number): number[] => {
  const random = randomLcg(seed);
  return Array.from({ length: LOOK_WIDTH * LOOK_HEIGHT }, () => 30 + 200 * random());
};

describe('what a picture looks like', () => {
  it('stays nearly the same in another exposure and with noise', () => {
    const grey = picture(0.1);
    const random = randomLcg(0.2);
    const brighter = grey.map((value) => Math.min(255, 1.2 * value + 6 + 4 * random()));
    expect(lookAlike(pictureLook(grey), pictureLook(brighter))).toBe(true);
    expect(pictureLook(grey)).toMatch(/^[0-9a-f]{128}$/);
  });
  it('is another one for another picture', () => {
    for (let i = 0; i < 200; i++)
      expect(looksApart(pictureLook(picture(i / 200)), pictureLook(picture((i + 0.5) / 200)))).toBeGreaterThan(0.5);
  });
  it('of an even one says nothing', () => {
    const even = Array.from({ length: LOOK_WIDTH * LOOK_HEIGHT }, (_, i) => 128 + (i % 3));
    expect(looksApart(pictureLook(even), pictureLook(even))).toBe(1);
  });
});
