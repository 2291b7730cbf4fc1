import { describe, expect, it } from 'vitest';
import { mayHoldBars } from './barTexture';
import type { Grey } from './grey';

const picture = (level: (x: number, y: number) => number, width = 640, height = 480): Grey => {
  const data = new Uint8ClampedArray(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data[y * width + x] = level(x, y);
  return { width, height, data };
};

/** Bars eight pixels apart in a field of 200 x 120 px, as a lens draws them, the picture turned by an angle. */
const bars = (degrees: number, contrast = 120) => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return picture((x, y) => {
    const [u, v] = [c * (x - 320) + s * (y - 240), c * (y - 240) - s * (x - 320)];
    return Math.abs(u) < 100 && Math.abs(v) < 60 ? 200 - contrast * (0.5 + 0.5 * Math.sin((Math.PI * u) / 4)) : 200;
  });
};

describe('a picture may hold bars', () => {
  it.each([0, 20, 45, 90, 133])('that run at %d degrees', (degrees) => {
    expect(mayHoldBars(bars(degrees))).toBe(true);
  });

  it('that are pale, and not where they are lost in the noise', () => {
    expect(mayHoldBars(bars(10, 30))).toBe(true);
    expect(mayHoldBars(bars(10, 4))).toBe(false);
  });

  it('and does not where edges run any way: squares, a frame, rings', () => {
    const squares = picture((x, y) => ((Math.floor(x / 6) * 7 + Math.floor(y / 6) * 13) % 5 < 2 ? 60 : 200));
    const frame = picture((x, y) => (Math.max(Math.abs(x - 320), Math.abs(y - 240)) % 160 < 3 ? 60 : 200));
    const rings = picture((x, y) => 130 + 60 * Math.sign(Math.sin(Math.hypot(x % 32, y % 32))));
    expect([squares, frame, rings].map(mayHoldBars)).toEqual([false, false, false]);
  });
});
