import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BENCH_CARDS, cardMark, modulesOf } from './benchCard';
import { colourDifference } from './colour';
import { after, type Homography, homographyThrough, inverseOf, mapped, type Point } from './homography';
import { ID_1, measuredIn, planeOf, type Sighted } from './plane';
import { propagated } from './propagate';
import { brought, gridOver } from './upright';

const distance = ([a, b]: Point[]) => Math.hypot((b as Point).x - (a as Point).x, (b as Point).y - (a as Point).y);
const SIZE = { width: 4000, height: 3000 };
const sighted = (x: number, y: number, sd = 0.3): Sighted => ({ x, y, sd });

describe('maps between planes', () => {
  const map = fc
    .tuple(...Array.from({ length: 8 }, () => fc.double({ min: -1, max: 1, noNaN: true })))
    .map(
      ([a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0]) =>
        [2 + a, 0.3 * b, 200 * c, 0.3 * d, 2 + e, 200 * f, 1e-4 * g, 1e-4 * h, 1] as Parameters<typeof mapped>[0],
    );
  const points = Array.from({ length: 9 }, (_, i) => ({ x: 300 * (i % 3), y: 250 * Math.floor(i / 3) }));

  it('are found again through many points, and lead back', () =>
    fc.assert(
      fc.property(map, (given) => {
        const found = homographyThrough(
          points,
          points.map((point) => mapped(given, point)),
        );
        expect(found).not.toBeNull();
        for (const point of [
          { x: 77, y: 410 },
          { x: 560, y: 33 },
        ]) {
          const [there, again] = [mapped(given, point), mapped(found as typeof given, point)];
          expect(distance([there, again])).toBeLessThan(1e-5);
          expect(distance([mapped(after(inverseOf(given), given), point), point])).toBeLessThan(1e-6);
        }
      }),
    ));

  it('have no answer where all points lie on a line', () => {
    const line = [0, 1, 2, 3, 4].map((i) => ({ x: 10 * i, y: 5 * i }));
    expect(homographyThrough(line, line)).toBeNull();
  });
});

describe('uncertainty', () => {
  it('of a sum is the root of the squares, whatever its coefficients', () => {
    const inputs = [
      { value: 3, sd: 0.4 },
      { value: -7, sd: 0.3 },
    ];
    const { value, uncertainty } = propagated(inputs, ([a = 0, b = 0]) => 2 * a - b) ?? { value: 0, uncertainty: 0 };
    expect(value).toBe(13);
    expect(uncertainty).toBeCloseTo(Math.hypot(0.8, 0.3), 10);
  });

  it('counts an input whose effect turns back at its value', () => {
    expect(propagated([{ value: 0, sd: 0.1 }], ([tilt = 0]) => Math.cos(tilt))?.uncertainty).toBeCloseTo(0.005, 3);
  });

  it('is none where there is no answer', () => {
    expect(propagated([{ value: 0, sd: 1 }], ([x = 0]) => Math.sqrt(x - 0.5))).toBeNull();
  });
});

describe('planes', () => {
  const corners = [sighted(800, 600), sighted(2512, 600), sighted(2512, 1679.6), sighted(800, 1679.6)] as [
    Sighted,
    Sighted,
    Sighted,
    Sighted,
  ];

  it('of a bank card tell mm with the uncertainty of its corners and of what is measured', () => {
    const plane = planeOf({ by: 'rectangle', corners, ...ID_1 }, SIZE);
    const near = measuredIn(plane, [sighted(1000, 1000), sighted(2000, 1000)], distance);
    expect(near?.value).toBeCloseTo(50, 1);
    const rough = measuredIn(plane, [sighted(1000, 1000, 3), sighted(2000, 1000, 3)], distance);
    expect((rough?.uncertainty ?? 0) / (near?.uncertainty ?? 1)).toBeGreaterThan(2);
    // Far from the card its corners tell less.
    const far = measuredIn(plane, [sighted(2900, 2700), sighted(3900, 2700)], distance);
    expect(far?.uncertainty ?? 0).toBeGreaterThan(near?.uncertainty ?? 1);
  });

  it('say by how much what stands higher comes out too large', () => {
    const plane = planeOf({ by: 'rectangle', corners, ...ID_1 }, SIZE);
    const found = measuredIn(plane, [sighted(1000, 1500), sighted(3000, 1500)], distance);
    // A camera that sees 20 px a mm with a focal length of 4,000 px stands 200 mm above: half a per cent a mm.
    expect((found?.perMmHigher ?? 0) / (found?.value ?? 1)).toBeCloseTo(0.005, 3);
  });

  it('of a single length leave open how the camera was tilted', () => {
    const ends: [Sighted, Sighted] = [sighted(1000, 1500), sighted(3000, 1500)];
    const plane = planeOf({ by: 'length', ends, mm: 100 }, SIZE);
    const across = measuredIn(plane, [sighted(2000, 500), sighted(2000, 2500)], distance);
    expect(across?.value).toBeCloseTo(100, 1);
    // As far as seven degrees change it: more than half a per cent, but not beyond what a hand does.
    expect((across?.uncertainty ?? 0) / 100).toBeGreaterThan(0.007);
    expect((across?.uncertainty ?? 0) / 100).toBeLessThan(0.05);
  });

  it('without a scale still tell shares', () => {
    const plane = planeOf(null, SIZE);
    const share = measuredIn(
      plane,
      [sighted(1000, 900), sighted(3000, 900), sighted(1500, 900)],
      ([a, b, c]) => distance([a as Point, c as Point]) / distance([a as Point, b as Point]),
    );
    expect(plane.unit).toBe('px');
    expect(share?.value).toBeCloseTo(0.25, 6);
    expect(share?.uncertainty ?? 0).toBeGreaterThan(0.001);
  });
});

describe('bench cards', () => {
  it('have marks that name the card and their corner, once each', () => {
    const texts = BENCH_CARDS.flatMap(({ marks }) => marks.map(({ text }) => text));
    expect(new Set(texts).size).toBe(4 * BENCH_CARDS.length);
    for (const text of texts) expect(cardMark(text)?.mark.text).toBe(text);
    expect(cardMark('PPC:BOX:9')).toBeNull();
  });

  it('hold everything that is printed on them, and nothing lies on a mark', () => {
    for (const { width, height, marks, patches, pieces } of BENCH_CARDS) {
      for (const piece of [...patches, ...pieces]) {
        expect(piece.x >= 0 && piece.y >= 0 && piece.x + piece.width <= width && piece.y + piece.height <= height).toBe(
          true,
        );
        const onMark = marks.some(
          ({ x, y, side }) =>
            piece.x < x + side && piece.x + piece.width > x && piece.y < y + side && piece.y + piece.height > y,
        );
        expect(onMark).toBe(false);
      }
      for (const mark of marks) expect(modulesOf(mark)).toHaveLength(21 * 21);
    }
  });
});

/** Pairs of colours and how far they are apart (Sharma, Wu and Dalal 2005, table 1). */
const PAIRS = `
50 2.6772 -79.7751 50 0 -82.7485 2.0425
50 3.1571 -77.2803 50 0 -82.7485 2.8615
50 2.8361 -74.02 50 0 -82.7485 3.4412
50 -1.3802 -84.2814 50 0 -82.7485 1
50 -1.1848 -84.8006 50 0 -82.7485 1
50 -0.9009 -85.5211 50 0 -82.7485 1
50 0 0 50 -1 2 2.3669
50 -1 2 50 0 0 2.3669
50 2.49 -0.001 50 -2.49 0.0009 7.1792
50 2.49 -0.001 50 -2.49 0.001 7.1792
50 2.49 -0.001 50 -2.49 0.0011 7.2195
50 2.49 -0.001 50 -2.49 0.0012 7.2195
50 -0.001 2.49 50 0.0009 -2.49 4.8045
50 -0.001 2.49 50 0.001 -2.49 4.8045
50 -0.001 2.49 50 0.0011 -2.49 4.7461
50 2.5 0 50 0 -2.5 4.3065
50 2.5 0 73 25 -18 27.1492
50 2.5 0 61 -5 29 22.8977
50 2.5 0 56 -27 -3 31.903
50 2.5 0 58 24 15 19.4535
50 2.5 0 50 3.1736 0.5854 1
50 2.5 0 50 3.2972 0 1
50 2.5 0 50 1.8634 0.5757 1
50 2.5 0 50 3.2592 0.335 1
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.263
61.2901 3.7196 -5.3901 61.4292 2.248 -4.962 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.694 23.0331 14.973 -42.5619 2.0373
36.4612 47.858 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.441 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.135 0.9033 -0.0636 -0.5514 0.9082`;

it('colours are as far apart as the published pairs', () => {
  const pairs = PAIRS.trim()
    .split('\n')
    .map((line) => line.split(' ').map(Number));
  expect(pairs).toHaveLength(34);
  for (const [l = 0, a = 0, b = 0, l2 = 0, a2 = 0, b2 = 0, apart = 0] of pairs) {
    const found = colourDifference({ mode: 'lab65', l, a, b }, { mode: 'lab65', l: l2, a: a2, b: b2 });
    expect(found, `${l} ${a} ${b}`).toBeCloseTo(apart, 4);
  }
});

describe('points and lines along the axes of a scale', () => {
  /** 10 px a mm, turned by 30 degrees about the upper left corner. */
  const [cos, sin] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
  const toMm: Homography = [cos / 10, sin / 10, 0, -sin / 10, cos / 10, 0, 0, 0, 1];
  it('brings a point in line with another, along the scale and not along the picture', () => {
    const from = { x: 100, y: 100 };
    const at = brought(from, { x: 100 + 200 * cos - 9 * sin, y: 100 + 200 * sin + 9 * cos }, toMm);
    expect(mapped(toMm, at).y).toBeCloseTo(mapped(toMm, from).y, 9);
    expect(Math.hypot(at.x - from.x, at.y - from.y)).toBeCloseTo(200, 6);
    expect(brought(from, { x: 104, y: 300 }, null)).toEqual({ x: 100, y: 300 });
  });
  it('lays lines over a picture that stand apart by whole mm, and no more of them than can be seen', () => {
    const { step, lines } = gridOver({ width: 600, height: 400 }, toMm, 14);
    expect(step).toBe(2);
    const upright = lines.filter(({ from, to }) => Math.abs(mapped(toMm, from).x - mapped(toMm, to).x) < 1e-6);
    const xs = upright.map(({ from }) => mapped(toMm, from).x);
    expect(xs.every((x, i) => i === 0 || Math.abs(x - (xs[i - 1] as number) - 2) < 1e-6)).toBe(true);
    expect(upright.filter(({ strong }) => strong).length).toBeGreaterThan(3);
    expect(gridOver({ width: 60_000, height: 40_000 }, toMm, 1).lines.length).toBeLessThan(260);
  });
});
