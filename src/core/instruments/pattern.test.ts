import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import type { Picture } from '../imaging/grey';
import { planeOf } from '../measure/plane';
import { instrumentOf } from '.';

const SIZE = 420;
const FINE = 4;

/**
 * Dark discs scattered on a light ground, each pixel the mean of 16 points of it, under light that falls off to the
 * right, with a sensor's noise.
 *
 * @returns the picture, the share that such a print covers in %, and how many discs lie in the picture
 */
function dots(seed: number, { radius = 7, gap = 26, fall = 0.3, noise = 3, ink = 60 } = {}) {
  const source = randomLcg(seed);
  const normal = randomNormal.source(source)(0, noise);
  const centres: { x: number; y: number }[] = [];
  for (let y = gap / 2; y < SIZE; y += gap)
    for (let x = gap / 2; x < SIZE; x += gap)
      centres.push({
        x: x + (source() - 0.5) * (gap - 2 * radius - 4),
        y: y + (source() - 0.5) * (gap - 2 * radius - 4),
      });
  const data = new Uint8ClampedArray(SIZE * SIZE * 4);
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const near = centres.filter((each) => Math.abs(each.x - x) < radius + 2 && Math.abs(each.y - y) < radius + 2);
      let inside = 0;
      for (let k = 0; near.length > 0 && k < FINE * FINE; k++) {
        const [px, py] = [x + ((k % FINE) + 0.5) / FINE, y + (Math.floor(k / FINE) + 0.5) / FINE];
        if (near.some((each) => Math.hypot(each.x - px, each.y - py) < radius)) inside += 1 / (FINE * FINE);
      }
      const level = (ink * inside + 205 * (1 - inside)) * (1 - (fall * x) / SIZE) + normal();
      data.set([level, level, level, 255], 4 * (y * SIZE + x));
    }
  return {
    picture: { width: SIZE, height: SIZE, data } as Picture,
    share: (100 * Math.PI * radius ** 2) / gap ** 2,
    count: centres.length,
  };
}

const CORNERS = [
  { x: 0, y: 0 },
  { x: SIZE - 1, y: SIZE - 1 },
];
const read = (picture: Picture, points = CORNERS) => {
  const found = instrumentOf('pattern')?.read(picture, planeOf(null, picture), points);
  if (!found) throw new Error('no such instrument');
  return found;
};

describe('a pattern', () => {
  it.each([
    [1, {}],
    [2, { radius: 5, gap: 22 }],
    [3, { radius: 10, gap: 30, fall: 0.45 }],
    [4, { noise: 8, ink: 110 }],
  ])('of seed %i is told by its share, count, size and spacing, whatever the light', (seed, options) => {
    const { picture, share, count } = dots(seed, options);
    const found = read(picture);
    if ('problem' in found) throw new Error(found.problem);
    expect(Math.abs(found.value - share)).toBeLessThan(Math.max(found.uncertainty, 0.5));
    expect(Math.abs(found.value - share)).toBeLessThan(1);
    expect(found.uncertainty).toBeLessThan(3);
    const [elements, wide, every] = found.beside;
    expect(Math.abs((elements?.value ?? 0) - count) / count).toBeLessThan(0.03);
    const { radius = 7, gap = 26 } = options as { radius?: number; gap?: number };
    expect(Math.abs((wide?.value ?? 0) / (2 * radius) - 1)).toBeLessThan(0.05);
    expect(Math.abs((every?.value ?? 0) / gap - 1)).toBeLessThan(0.03);
  });

  it('is told apart from one that is printed a tenth heavier', () => {
    const [own, other] = [7, 7.7].map((radius) => read(dots(9, { radius }).picture));
    if (!own || !other || 'problem' in own || 'problem' in other) throw new Error('not read');
    expect(other.value - own.value).toBeGreaterThan(own.uncertainty + other.uncertainty);
  });

  it('is not read where there is none, where it hardly shows, or where too little of it lies in the area', () => {
    const plain = dots(5, { ink: 205, noise: 4 }).picture;
    expect(read(plain)).toHaveProperty('problem', expect.stringMatching(/hardly told apart/));
    const { picture } = dots(6);
    const piece = (size: number) => read(picture, [CORNERS[0] as never, { x: size, y: size }]);
    expect(piece(30)).toHaveProperty('problem', expect.stringMatching(/too small/));
    expect(piece(44)).toHaveProperty('problem', expect.stringMatching(/fewer than four|hardly/));
  });
});
