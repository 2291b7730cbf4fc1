/** Levels of a picture, row by row, that may be of any size. */
export interface Levels {
  width: number;
  height: number;
  data: ArrayLike<number>;
}

/** Go through all rows, then through all columns of what comes of them. */
function bothWays(
  { width, height, data }: Levels,
  slide: (from: ArrayLike<number>, to: Float32Array, start: number, step: number, length: number) => void,
): Float32Array {
  const rows = new Float32Array(data.length);
  const out = new Float32Array(data.length);
  for (let y = 0; y < height; y++) slide(data, rows, y * width, 1, width);
  for (let x = 0; x < width; x++) slide(rows, out, x, width, height);
  return out;
}

/** The mean of a square around each pixel, reaching so far each way. */
export function meansOf(levels: Levels, reach: number): Float32Array {
  const side = 2 * reach + 1;
  return bothWays(levels, (from, to, start, step, length) => {
    const at = (i: number): number => from[start + Math.max(0, Math.min(length - 1, i)) * step] as number;
    let sum = 0;
    for (let i = -reach; i <= reach; i++) sum += at(i);
    for (let i = 0; i < length; i++) {
      to[start + i * step] = sum / side;
      sum += at(i + reach + 1) - at(i - reach);
    }
  });
}

/** The most in a square around each pixel, reaching so far each way; the least where `sign` is -1. */
function mostAround(levels: Levels, reach: number, sign: 1 | -1): Float32Array {
  return bothWays(levels, (from, to, start, step, length) => {
    for (let i = 0; i < length; i++) {
      let best = Number.NEGATIVE_INFINITY;
      for (let j = Math.max(0, i - reach); j <= Math.min(length - 1, i + reach); j++)
        best = Math.max(best, sign * (from[start + j * step] as number));
      to[start + i * step] = sign * best;
    }
  });
}

/** The same in a round, which keeps the corners of letters. */
function mostInRound({ width, height, data }: Levels, radius: number, sign: 1 | -1): Float32Array {
  const out = new Float32Array(data.length);
  const reach = Math.ceil(radius);
  const round: [number, number][] = [];
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) if (dx * dx + dy * dy <= radius * radius + 0.5) round.push([dx, dy]);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let best = Number.NEGATIVE_INFINITY;
      for (const [dx, dy] of round) {
        const px = Math.max(0, Math.min(width - 1, x + dx));
        const py = Math.max(0, Math.min(height - 1, y + dy));
        best = Math.max(best, sign * (data[py * width + px] as number));
      }
      out[y * width + x] = sign * best;
    }
  return out;
}

/** Levels with dark gaps between bright places filled that are no wider than twice the reach: in squares, quickly, */
export const closedInSquares = ({ width, height, data }: Levels, reach: number): Float32Array =>
  mostAround({ width, height, data: mostAround({ width, height, data }, reach, 1) }, reach, -1);

/** or in rounds, which keeps corners. */
export const closedInRounds = ({ width, height, data }: Levels, radius: number): Float32Array =>
  mostInRound({ width, height, data: mostInRound({ width, height, data }, radius, 1) }, radius, -1);

/** Of so many levels, evenly taken, a quantile is told. */
const SAMPLE = 20_000;

/** The level under which a share of them lies. */
export function quantileOf(data: ArrayLike<number>, share: number): number {
  const step = Math.max(1, Math.floor(data.length / SAMPLE));
  const some = Float32Array.from({ length: Math.floor(data.length / step) }, (_, i) => data[i * step] as number).sort();
  return some[Math.min(some.length - 1, Math.floor(share * some.length))] ?? 0;
}
