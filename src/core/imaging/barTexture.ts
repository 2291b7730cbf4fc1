import type { Grey } from './grey';

/** Side of the blocks in which the direction of edges is told, in px. */
const BLOCK = 32;
/** Steps of brightness weaker than this, in levels a px, are noise. */
const LEAST_STEP = 5;
/** Of edges that all run one way, 1; of those that run any way, 0. */
const LEAST_COHERENCE = 0.75;

/** Of the pixels of a block, so many lie on edges. */
const LEAST_EDGES = 0.4;
/** Blocks beside each other have the same direction up to this angle, in radians. */
const SAME = 0.2;
/** Fewer blocks are no barcode whose bars can be told apart. */
const LEAST_BLOCKS = 3;

/** The direction across the edges of each block, in radians; NaN where they run any way, or are few. */
function edgeAngles({ width, data }: Grey, columns: number, rows: number): Float64Array {
  const angles = new Float64Array(columns * rows).fill(Number.NaN);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      let xx = 0;
      let yy = 0;
      let xy = 0;
      let strong = 0;
      for (let y = row * BLOCK + 1; y <= (row + 1) * BLOCK; y += 2) {
        for (let p = y * width + column * BLOCK + 1, end = p + BLOCK; p < end; p++) {
          const gx = (data[p + 1] as number) - (data[p - 1] as number);
          const gy = (data[p + width] as number) - (data[p - width] as number);
          xx += gx * gx;
          yy += gy * gy;
          xy += gx * gy;
          if (gx * gx + gy * gy > 4 * LEAST_STEP * LEAST_STEP) strong++;
        }
      }
      const coherent = Math.hypot(xx - yy, 2 * xy) >= LEAST_COHERENCE * (xx + yy);
      if (coherent && strong >= LEAST_EDGES * BLOCK * (BLOCK / 2))
        angles[row * columns + column] = Math.atan2(2 * xy, xx - yy) / 2;
    }
  }
  return angles;
}

/**
 * Whether a picture may hold bars at all: blocks beside each other with many edges that all run the same way, by their
 * structure tensor (Jähne, Digital Image Processing, 13.3). Print, wood and cloth have edges that run any way, or few.
 */
export function mayHoldBars(grey: Grey): boolean {
  const columns = Math.floor((grey.width - 2) / BLOCK);
  const rows = Math.floor((grey.height - 2) / BLOCK);
  const angles = edgeAngles(grey, columns, rows);
  const alike = (a: number, b: number | undefined) => b !== undefined && Math.abs(Math.sin(a - b)) < SAME;
  let blocks = 0;
  for (const [at, angle] of angles.entries()) {
    const right = (at + 1) % columns === 0 ? undefined : angles[at + 1];
    if (alike(angle, right) || alike(angle, angles[at + columns])) blocks++;
  }
  return blocks >= LEAST_BLOCKS;
}
