import { describe, expect, it } from 'vitest';
import type { Picture } from '../imaging/grey';
import { planeOf } from '../measure/plane';
import { INSTRUMENTS, instrumentOf } from '.';
import { inUnit, rounded } from './inUnit';

/** An even grey picture with bars of a stated width every so many px, from x 100 on. */
function bars(pitch: number, width: number, count: number, missing = -1): Picture {
  const [w, h] = [900, 200];
  const data = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = Math.floor((x - 100) / pitch);
      const on = i >= 0 && i < count && i !== missing && x - 100 - i * pitch < width;
      data.set(on ? [225, 220, 205, 255] : [90, 100, 95, 255], 4 * (y * w + x));
    }
  return { width: w, height: h, data };
}

const read = (id: string, picture: Picture, points: { x: number; y: number }[]) => {
  const found = instrumentOf(id)?.read(picture, planeOf(null, picture), points);
  if (!found) throw new Error(`no instrument ${id}`);
  return found;
};

describe('every instrument', () => {
  const picture = bars(20, 10, 30);
  it('refuses points outside of the picture, and all points on one place, with a sentence', () => {
    for (const { id, points } of INSTRUMENTS) {
      expect(
        read(
          id,
          picture,
          points.map((_, i) => ({ x: 2000 + i, y: 50 })),
        ),
        id,
      ).toEqual({
        problem: 'A point lies outside the picture.',
      });
      expect(
        read(
          id,
          picture,
          points.map(() => ({ x: 50, y: 50 })),
        ),
        id,
      ).toHaveProperty('problem');
    }
  });

  it('has a key and an id of its own', () => {
    expect(new Set(INSTRUMENTS.map(({ key }) => key)).size).toBe(INSTRUMENTS.length);
    expect(new Set(INSTRUMENTS.map(({ id }) => id)).size).toBe(INSTRUMENTS.length);
  });
});

describe('pitch', () => {
  const beside = (picture: Picture, name: string) => {
    const found = read('pitch', picture, [
      { x: 98, y: 100 },
      { x: 700, y: 100 },
    ]);
    return 'problem' in found ? Number.NaN : found.beside.find((each) => each.name === name)?.value;
  };

  it('counts what stands along a line, and tells its distance', () => {
    const found = read('pitch', bars(20.5, 12, 29), [
      { x: 98, y: 100 },
      { x: 100 + 29 * 20.5, y: 100 },
    ]);
    expect(found).toMatchObject({ unit: 'px' });
    if ('problem' in found) return;
    expect(Math.abs(found.value - 20.5)).toBeLessThan(2 * found.uncertainty);
    expect(found.beside.find(({ name }) => name === 'counted')?.value).toBe(29);
  });

  it('says that one is missing', () => {
    expect(beside(bars(20, 12, 30, 11), 'missing')).toBe(1);
    expect(beside(bars(20, 12, 30), 'missing')).toBe(0);
  });

  it('says so where nothing repeats', () => {
    expect(
      read('pitch', bars(20, 12, 0), [
        { x: 98, y: 100 },
        { x: 700, y: 100 },
      ]),
    ).toEqual({
      problem: expect.stringMatching(/^Nothing repeats/),
    });
  });
});

describe('angle', () => {
  it('lies as it was drawn where no edge is seen, and says so', () => {
    const points = [
      { x: 20, y: 20 },
      { x: 80, y: 20 },
      { x: 20, y: 30 },
      { x: 80, y: 90 },
    ];
    const found = read('angle', bars(20, 12, 0), points);
    if ('problem' in found) throw new Error(found.problem);
    expect(found.value).toBeCloseTo(45, 0);
    expect(found.remarks).toHaveLength(2);
  });
});

describe('a reading in the unit of a check', () => {
  it('tells a pitch by how many stand on a centimetre, with its uncertainty', () => {
    expect(inUnit({ value: 2.5, uncertainty: 0.05, unit: 'mm' }, 'per cm')).toEqual({ value: 4, uncertainty: 0.08 });
  });
  it('is none where nothing told the scale', () => {
    expect(inUnit({ value: 250, uncertainty: 1, unit: 'px' }, 'mm')).toBeNull();
  });
  it('has no more digits than it bears', () => {
    expect([rounded(31.8273, 0.0841), rounded(31.8273, 1.2), rounded(160.21, 12)]).toEqual(['31.827', '31.8', '160']);
  });
});
