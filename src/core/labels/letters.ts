import { connectedPieces } from '../imaging/connectedPieces';
import type { Grey } from '../imaging/grey';
import type { Cell } from './cells';

const DARK = 158;
/** Letters are at least so high, in px; lower marks belong to the letters beside them. */
const LOWEST_LETTER = 9;
const TALLEST_SHARE = 0.32;
/** Bars are far narrower than letters of their height. */
const TALL_SHARE = 0.16;
const LEAST_TALL_WIDTH = 0.22;
/** Less than this share of their box is dark in arcs and frames, more in every letter. */
const LEAST_FILL = 0.14;

/** Connected dark pieces, by their boxes. */
function darkPieces({ width, height, data }: Grey): (Cell & { fill: number })[] {
  return connectedPieces({ width, height }, (at) => (data[at] as number) < DARK, true).flatMap((piece) => {
    if (piece.length < 6) return [];
    let [left, right, top, bottom] = [width, 0, height, 0];
    for (const at of piece) {
      const [x, y] = [at % width, Math.floor(at / width)];
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
    const [w, h] = [right - left + 1, bottom - top + 1];
    return [{ x: left, y: top, width: w, height: h, fill: piece.length / (w * h) }];
  });
}

/** Dark pieces that may be print, and those of them that may be letters; by their boxes. */
export interface Letters {
  pieces: Cell[];
  letters: Cell[];
}

/** The letters on something that lies flat. */
export function lettersOn(grey: Grey): Letters {
  const least = Math.min(grey.width, grey.height);
  const tallest = TALLEST_SHARE * least;
  const pieces = darkPieces(grey).filter(
    ({ height, width, fill }) =>
      height <= tallest &&
      width <= tallest &&
      fill >= LEAST_FILL &&
      (height <= TALL_SHARE * least || width > LEAST_TALL_WIDTH * height),
  );
  return { pieces, letters: pieces.filter(({ width, height }) => height >= LOWEST_LETTER && width < 5 * height) };
}
