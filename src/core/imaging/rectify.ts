import { homographyOf, type Quad, rectangle } from '../measure/homography';
import { brightnessAt, type Grey } from './grey';

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
  const out = new Uint8ClampedArray(size.width * size.height);
  for (let y = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++) {
      const w = g * (x + 0.5) + h * (y + 0.5) + i;
      const u = (a * (x + 0.5) + b * (y + 0.5) + c) / w - 0.5;
      const v = (d * (x + 0.5) + e * (y + 0.5) + f) / w - 0.5;
      out[y * size.width + x] = brightnessAt(grey, u, v);
    }
  }
  return { ...size, data: out };
}
