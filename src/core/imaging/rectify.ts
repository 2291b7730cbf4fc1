import { homographyOf, type Quad, rectangle } from '../measure/homography';
import type { Grey } from './grey';

const side = (a: { x: number; y: number }, b: { x: number; y: number }): number => Math.hypot(b.x - a.x, b.y - a.y);

/** The size at which a place of a picture loses nothing when it is laid flat, in px. */
export function sizeOf([a, b, c, d]: Quad, longest = 2400): { width: number; height: number } {
  const width = Math.max(side(a, b), side(d, c));
  const height = Math.max(side(b, c), side(a, d));
  const scale = Math.min(1, longest / Math.max(width, height));
  return { width: Math.max(8, Math.round(width * scale)), height: Math.max(8, Math.round(height * scale)) };
}

/**
 * Lay a place of a picture flat.
 *
 * @param quad its corners in the picture, from what shall be the upper left on
 * @returns what lies there, seen from straight above; null where the corners enclose nothing
 */
export function rectify(grey: Grey, quad: Quad, size = sizeOf(quad)): Grey | null {
  const map = homographyOf(rectangle(0, 0, size.width, size.height), quad);
  if (!map) return null;
  const [a, b, c, d, e, f, g, h, i] = map;
  const { width, height, data } = grey;
  const [mostX, mostY] = [width - 1.001, height - 1.001];
  const out = new Uint8ClampedArray(size.width * size.height);
  // Between pixels as `brightnessAt` does it, written out: labels are laid flat many times, several million pixels each.
  for (let y = 0, at = 0; y < size.height; y++) {
    let w = g * 0.5 + h * (y + 0.5) + i;
    let u = a * 0.5 + b * (y + 0.5) + c;
    let v = d * 0.5 + e * (y + 0.5) + f;
    for (let x = 0; x < size.width; x++, at++) {
      const px = Math.max(0, Math.min(mostX, u / w - 0.5));
      const py = Math.max(0, Math.min(mostY, v / w - 0.5));
      const [x0, y0] = [px | 0, py | 0];
      const fx = px - x0;
      const p = y0 * width + x0;
      const upper = (data[p] as number) + ((data[p + 1] as number) - (data[p] as number)) * fx;
      const lower = (data[p + width] as number) + ((data[p + width + 1] as number) - (data[p + width] as number)) * fx;
      out[at] = upper + (lower - upper) * (py - y0);
      w += g;
      u += a;
      v += d;
    }
  }
  return { ...size, data: out };
}
