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

/** A pixel in the whole numbers that places between pixels are reckoned in, */
const ONE = 65_536;
/** and so many pixels in a row over which a place moves evenly: what perspective does within them is far below a pixel. */
const SPAN = 16;

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
  const [mostX, mostY] = [(width - 1) * ONE - 1, (height - 1) * ONE - 1];
  const out = new Uint8Array(size.width * size.height);
  for (let y = 0.5, at = 0; y < size.height; y++) {
    for (let from = 0; from < size.width; from += SPAN) {
      const to = Math.min(size.width, from + SPAN);
      const [w0, w1] = [g * (from + 0.5) + h * y + i, g * (to + 0.5) + h * y + i];
      const [u0, u1] = [(a * (from + 0.5) + b * y + c) / w0, (a * (to + 0.5) + b * y + c) / w1];
      const [v0, v1] = [(d * (from + 0.5) + e * y + f) / w0, (d * (to + 0.5) + e * y + f) / w1];
      let u = ((u0 - 0.5) * ONE) | 0;
      let v = ((v0 - 0.5) * ONE) | 0;
      const du = (((u1 - u0) * ONE) / (to - from)) | 0;
      const dv = (((v1 - v0) * ONE) / (to - from)) | 0;
      for (let x = from; x < to; x++, at++) {
        const px = Math.max(0, Math.min(mostX, u));
        const py = Math.max(0, Math.min(mostY, v));
        const p = (py >> 16) * width + (px >> 16);
        const fx = (px >> 8) & 255;
        const upper = (data[p] as number) * (256 - fx) + (data[p + 1] as number) * fx;
        const lower = (data[p + width] as number) * (256 - fx) + (data[p + width + 1] as number) * fx;
        out[at] = ((upper << 8) + (lower - upper) * ((py >> 8) & 255) + 32768) >> 16;
        u += du;
        v += dv;
      }
    }
  }
  return { ...size, data: new Uint8ClampedArray(out.buffer) };
}
