import { describe, expect, it } from 'vitest';
import { edgeNear } from './edge';
import { edgeLine } from './edgeLine';
import type { Picture } from './grey';

/** A picture of what a function says of each place, red, green and blue, seen through a lens that blurs by about 1 px. */
function drawn(width: number, height: number, colour: (x: number, y: number) => [number, number, number]): Picture {
  const data = new Uint8ClampedArray(width * height * 4);
  // Where a bell of 0.9 px has its fourteenths.
  const steps = [1.62, 1.12, 0.82, 0.58, 0.38, 0.2, 0.07].flatMap((at) => [-at, at]);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const sum = [0, 0, 0];
      for (const dx of steps)
        for (const dy of steps)
          for (const [c, level] of colour(x + dx, y + dy).entries())
            sum[c] = (sum[c] as number) + level / steps.length ** 2;
      data.set([...(sum as [number, number, number]), 255], 4 * (y * width + x));
    }
  }
  return { width, height, data };
}

const GREY: [number, number, number] = [110, 110, 110];

describe('an edge', () => {
  it('is found to a part of a pixel, from either side, however it runs', () => {
    for (const [place, slope] of [
      [50, 0],
      [50.4, 0],
      [49.7, 0.3],
      [50.2, -0.5],
    ] as const) {
      const picture = drawn(100, 80, (x, y) => (x > place + slope * (y - 40) ? [200, 200, 200] : GREY));
      const edge = edgeNear(picture, { x: 52, y: 40 }, { x: 1, y: 0 });
      expect(Math.abs((edge?.x ?? 0) - place), `${place} ${slope}`).toBeLessThan(0.2);
      expect(edge?.step).toBeGreaterThan(0);
      expect(edgeNear(picture, { x: 48, y: 40 }, { x: -1, y: 0 })?.step).toBeLessThan(0);
    }
  });

  it('of two colours that are equally bright is one', () => {
    // Both have the brightness 110.
    const picture = drawn(80, 60, (x) => (x > 40.5 ? [110, 110, 110] : [175, 77, 113]));
    expect(edgeNear(picture, { x: 38, y: 30 }, { x: 1, y: 0 })?.x).toBeCloseTo(40.5, 0);
  });

  it('is the nearest that stands out, and its uncertainty tells of another one beside it', () => {
    const lines = drawn(100, 60, (x) => (x > 40 && x < 47 ? [60, 60, 60] : GREY));
    const alone = drawn(100, 60, (x) => (x > 40 ? [60, 60, 60] : GREY));
    const at = { x: 41, y: 30 };
    const beside = edgeNear(lines, at, { x: 1, y: 0 });
    expect(beside?.x).toBeCloseTo(40, 0);
    expect(beside?.sd ?? 0).toBeGreaterThan(2 * (edgeNear(alone, at, { x: 1, y: 0 })?.sd ?? 1));
  });

  it('is none on an even ground', () => {
    expect(
      edgeNear(
        drawn(60, 60, () => GREY),
        { x: 30, y: 30 },
        { x: 0, y: 1 },
      ),
    ).toBeNull();
  });

  it('that is a tip is measured at its middle, as such', () => {
    const tip = drawn(120, 120, (x, y) => (y > 50 + 2 * Math.abs(x - 60) ? [200, 60, 60] : GREY));
    const edge = edgeNear(tip, { x: 60, y: 50 }, { x: 0, y: 1 });
    expect(edge?.aslant).toBe(true);
    expect(Math.abs((edge?.y ?? 0) - 50)).toBeLessThan(2 * (edge?.sd ?? 0));
  });
});

describe('a straight edge', () => {
  it('is followed past what lies over it', () => {
    const picture = drawn(200, 100, (x, y) => {
      if (x > 90 && x < 104 && y > 36 && y < 64) return [240, 230, 40];
      return y > 50 + 0.1 * x ? [180, 180, 180] : GREY;
    });
    const line = edgeLine(picture, { x: 20, y: 53 }, { x: 180, y: 67 });
    for (const { x, y } of line?.ends ?? []) expect(Math.abs(y - 50 - 0.1 * x)).toBeLessThan(0.3);
    expect(line?.straying).toBeLessThan(0.5);
  });

  it('is none along a curve or where nothing is', () => {
    const round = drawn(200, 120, (x, y) => (Math.hypot(x - 100, y - 100) < 60 ? [200, 200, 200] : GREY));
    expect(edgeLine(round, { x: 50, y: 60 }, { x: 150, y: 60 })?.straying ?? 9).toBeGreaterThan(1);
    expect(
      edgeLine(
        drawn(200, 60, () => GREY),
        { x: 10, y: 30 },
        { x: 190, y: 30 },
      ),
    ).toBeNull();
  });
});
