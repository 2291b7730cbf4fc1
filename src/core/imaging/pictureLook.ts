/** Cells of the raster that a look is made of, across and down. */
export const LOOK_WIDTH = 17;
export const LOOK_HEIGHT = 16;

/** Neighbouring cells that differ by less, of 255, are even: what compression does to them tells nothing. */
const STEP = 4;

const hexOf = (bits: boolean[]): string => {
  let hex = '';
  for (let i = 0; i < bits.length; i += 4)
    hex += bits
      .slice(i, i + 4)
      .reduce((nibble, bit) => nibble * 2 + Number(bit), 0)
      .toString(16);
  return hex;
};

/**
 * What a picture looks like: for each cell whether it is clearly brighter than its neighbour to the right, and whether
 * it is clearly darker. Scaling, compression and another exposure hardly change that.
 *
 * @param grey brightness of `LOOK_WIDTH` x `LOOK_HEIGHT` cells, row by row, 0 to 255
 * @returns twice 256 bits as 128 hex digits
 * @source difference hash (dHash), with even stretches told apart
 */
export function pictureLook(grey: ArrayLike<number>): string {
  const falls: boolean[] = [];
  const rises: boolean[] = [];
  for (let y = 0; y < LOOK_HEIGHT; y++) {
    for (let x = 0; x < LOOK_WIDTH - 1; x++) {
      const at = y * LOOK_WIDTH + x;
      const step = (grey[at] as number) - (grey[at + 1] as number);
      falls.push(step >= STEP);
      rises.push(step <= -STEP);
    }
  }
  return hexOf(falls) + hexOf(rises);
}

const BITS = Array.from({ length: 16 }, (_, n) => n.toString(2).replaceAll('0', '').length);

/** Of all steps in either picture, so many may differ in what is the same one. */
const NEARLY = 0.2;
/** A picture with fewer steps is so even that it looks like any other. */
const LEAST_STEPS = 24;

/** The share of the steps of two pictures that only one of them has; 1 where there are too few to tell. */
export function looksApart(a: string, b: string): number {
  let [differing, either] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    const [one, other] = [Number.parseInt(a[i] as string, 16), Number.parseInt(b[i] ?? '0', 16)];
    differing += BITS[one ^ other] as number;
    either += BITS[one | other] as number;
  }
  return either < LEAST_STEPS ? 1 : differing / either;
}

/** True where two pictures look nearly the same. */
export const lookAlike = (a: string, b: string): boolean => looksApart(a, b) <= NEARLY;
