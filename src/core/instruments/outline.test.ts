import { describe, expect, it } from 'vitest';
import type { Picture } from '../imaging/grey';
import type { Point } from '../measure/homography';
import { planeOf } from '../measure/plane';
import { type Boxed, compareOutlines, symmetry } from './outline';

const SIZE = { width: 400, height: 300 };
const PER_MM = 8;

/** A comb with teeth upwards, 20 mm wide and 15 high, turned about its middle and moved, as a ring of points in px. */
function comb({ teeth = [1, 1, 1, 1], turn = 0, size = 1, x = 200, y = 150 } = {}): Point[] {
  const top = teeth.flatMap((height, i): [number, number][] => {
    const left = -10 + 5 * i;
    return [
      [left + 0.01, -3],
      [left + 2.5, -3 - 4.5 * height],
      [left + 4.99, -3],
    ];
  });
  const ring: [number, number][] = [[-10, 7.5], [-10, -3], ...top, [10, -3], [10, 7.5], [0, 4]];
  return ring.map(([u, v]) => ({
    x: x + size * PER_MM * (u * Math.cos(turn) - v * Math.sin(turn)),
    y: y + size * PER_MM * (u * Math.sin(turn) + v * Math.cos(turn)),
  }));
}

const inside = (ring: Point[], x: number, y: number): boolean => {
  let odd = false;
  for (const [i, a] of ring.entries()) {
    const b = ring[(i + 1) % ring.length] as Point;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  }
  return odd;
};

/** The ring filled with a colour on a ground, four samples a pixel, darker towards the right. */
function drawn(ring: Point[], { shade = 0, ink = [120, 50, 40], ground = [200, 195, 180] } = {}): Picture {
  const data = new Uint8ClampedArray(4 * SIZE.width * SIZE.height);
  for (let y = 0; y < SIZE.height; y++) {
    for (let x = 0; x < SIZE.width; x++) {
      const cover =
        [-0.25, 0.25].reduce((sum, dy) => sum + [-0.25, 0.25].filter((dx) => inside(ring, x + dx, y + dy)).length, 0) /
        4;
      const light = 1 - (shade * x) / SIZE.width;
      for (let c = 0; c < 3; c++)
        data[4 * (y * SIZE.width + x) + c] = light * (cover * (ink[c] as number) + (1 - cover) * (ground[c] as number));
      data[4 * (y * SIZE.width + x) + 3] = 255;
    }
  }
  return { ...SIZE, data };
}

const corner = (x: number, y: number) => ({ x, y, sd: 0.1 });
const SCALE = planeOf(
  {
    by: 'rectangle',
    corners: [corner(0, 0), corner(400, 0), corner(400, 300), corner(0, 300)],
    width: 400 / PER_MM,
    height: 300 / PER_MM,
  },
  SIZE,
);
const BOX: [Point, Point] = [
  { x: 60, y: 40 },
  { x: 340, y: 260 },
];
const boxed = (picture: Picture, plane = SCALE, box = BOX): Boxed => ({ picture, plane, box });
const sound = <T extends object>(reading: T | { problem: string }): T => {
  if ('problem' in reading) throw new Error(reading.problem);
  return reading as T;
};

describe('an outline held against another', () => {
  const known = boxed(drawn(comb()));
  it('differs by nothing from the same shape turned, moved and in another light', () => {
    const reading = sound(compareOutlines(boxed(drawn(comb({ turn: 0.5, x: 190, y: 160 }), { shade: 0.4 })), known));
    expect(reading.value).toBeLessThan(0.25);
    expect(reading.unit).toBe('mm');
  });
  it('lacks a tooth, and says where on either picture', () => {
    const reading = sound(compareOutlines(boxed(drawn(comb({ teeth: [1, 1, 0, 1], turn: 0.3 }))), known));
    expect(reading.value).toBeGreaterThan(3.5);
    expect(reading.value).toBeLessThan(5);
    expect(reading.beside[0]).toMatchObject({ name: 'lacks at most', value: reading.value });
    // On the known one it is the third tooth’s tip: 2.5 mm to the right of the middle.
    expect(Math.hypot(reading.other.at.x - 220, reading.other.at.y - (150 - 7.5 * PER_MM))).toBeLessThan(12);
  });
  it('reaches beyond where it has more than the known one', () => {
    const reading = sound(compareOutlines(boxed(drawn(comb({ teeth: [1, 1, 1.3, 1] }))), known));
    expect(reading.beside[1]).toMatchObject({ name: 'reaches beyond by', value: reading.value });
    expect(reading.value).toBeGreaterThan(0.9);
  });
  it('is smaller in mm, and of the same form where nothing tells the scale of one', () => {
    const small = drawn(comb({ size: 0.8 }));
    expect(sound(compareOutlines(boxed(small), known)).value).toBeGreaterThan(1);
    const unscaled = sound(compareOutlines(boxed(small, planeOf(null, SIZE)), known));
    expect([unscaled.unit, unscaled.value < 3]).toEqual(['%', true]);
    expect(unscaled.remarks.join()).toMatch(/only the form/);
  });
  it.each<[string, Boxed, RegExp]>([
    ['nothing', boxed(drawn([])), /stands out/],
    [
      'a box through the shape',
      boxed(drawn(comb()), SCALE, [
        { x: 150, y: 40 },
        { x: 340, y: 260 },
      ]),
      /beyond the box/,
    ],
    [
      'a box of a few pixels',
      boxed(drawn(comb()), SCALE, [
        { x: 60, y: 40 },
        { x: 70, y: 260 },
      ]),
      /too small/,
    ],
    [
      'a box outside',
      boxed(drawn(comb()), SCALE, [
        { x: -20, y: 40 },
        { x: 340, y: 260 },
      ]),
      /outside the picture/,
    ],
  ])('says why there is no outline: %s', (_, item, sentence) => {
    const reading = compareOutlines(item, known);
    expect('problem' in reading ? reading.problem : '').toMatch(sentence);
  });
});

describe('symmetry', () => {
  const of = (teeth: number[]) => sound(symmetry.read(drawn(comb({ teeth, turn: 0.2 })), SCALE, BOX));
  it('is told of a shape however it lies', () => {
    expect(of([1, 1, 1, 1]).value).toBeLessThan(0.25);
    expect(of([1, 1, 1, 0.7]).value).toBeGreaterThan(0.8);
  });
});
