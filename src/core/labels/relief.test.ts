import { randomLcg, randomNormal } from 'd3-random';
import { describe, expect, it } from 'vitest';
import type { Grey } from '../imaging/grey';
import { rectangle } from '../measure/homography';
import { linesOn, reliefOf } from './relief';

const [WIDTH, HEIGHT] = [1000, 700];
const whole = rectangle(0, 0, WIDTH, HEIGHT);

/** Rows of upright strokes that stand out by their edges alone, turned about the middle: bright towards the light, dark away. */
function struck(rows: number, strokes: number, degrees: number): Grey {
  const noise = randomNormal.source(randomLcg(0.3))(0, 1.2);
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const data = new Uint8ClampedArray(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [dx, dy] = [x - WIDTH / 2, y - HEIGHT / 2];
      const [u, v] = [dx * c + dy * s + 200, dy * c - dx * s + 60 * rows];
      const [stroke, across] = [Math.floor(u / 20), u % 20];
      const [row, down] = [Math.floor(v / 120), v % 120];
      const on = row >= 0 && row < rows && stroke >= 0 && stroke < strokes && down > 30 && down < 90;
      const edge = on && across > 3 && across < 6 ? 26 : on && across > 11 && across < 14 ? -26 : 0;
      data[y * WIDTH + x] = 120 + x / 60 + edge + noise();
    }
  return { width: WIDTH, height: HEIGHT, data };
}

describe('letters that stand out by light and shade', () => {
  it.each([
    [1, 19, 0],
    [2, 18, 6],
    [1, 20, -20],
  ])('in %i lines of %i strokes, turned by %i degrees, come out level, dark and filled', (rows, strokes, degrees) => {
    const relief = reliefOf(struck(rows, strokes, degrees), whole);
    if (!relief) throw new Error('nothing is found');
    const [a, b] = relief.corners;
    expect(Math.abs((Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI - degrees)).toBeLessThan(1.5);
    const lines = linesOn(relief.print);
    expect(lines).toHaveLength(rows);
    for (const { x, y, width, height } of lines) {
      const middle = (y + Math.round(height / 2)) * relief.print.width;
      const row = Array.from(relief.print.data.subarray(middle + x, middle + x + width), (level) => level < 130);
      // Each stroke is one dark run, not its two edges.
      expect(row.filter((dark, i) => dark && !row[i - 1])).toHaveLength(strokes);
    }
  });

  it('are not found where the ground only stirs', () => {
    expect(reliefOf(struck(0, 0, 0), whole)).toBeNull();
  });
});
