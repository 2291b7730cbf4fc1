import type { BenchCard, CardPiece } from '../measure/benchCard';
import { colourDifference, type Light, labOf, lightOf, TO_LIGHT } from '../measure/colour';
import { type Homography, mapped, type Point } from '../measure/homography';
import type { Picture } from './grey';

/** What of the light the card's paper throws back. */
const PAPER = lightOf([250, 250, 250]);
/** White is looked at in squares of so many parts of the card's height. */
const CELLS = 14;
/** Inner part of a patch that is looked at: its edge is blurred. */
const INNER = 0.6;

/** What a bench card says of the light in its picture, and of what the camera makes of colours. */
export interface CardColours {
  /** Light that white paper would throw back at a place of the picture, as a file holds it. */
  whiteAt(at: Point): Light;
  /** Relative standard uncertainty of that at a place. */
  whiteSd(at: Point): number;
  /** What is thrown back, from what was seen relative to white. */
  corrected(relative: Light): Light;
  /** Mean CIEDE2000 by which the patches miss what they are, once corrected. */
  residual: number;
}

/** Mean light of a four-sided place, given by its corners' box in mm. */
function lightIn(
  picture: Picture,
  toPicture: Homography,
  { x, y, width, height }: Omit<CardPiece, 'colour'>,
): Light | null {
  const sum: Light = [0, 0, 0];
  let count = 0;
  const steps = 9;
  for (let i = 0; i < steps; i++) {
    for (let k = 0; k < steps; k++) {
      const share = (n: number) => 0.5 + INNER * ((n + 0.5) / steps - 0.5);
      const at = mapped(toPicture, { x: x + share(i) * width, y: y + share(k) * height });
      const [px, py] = [Math.round(at.x), Math.round(at.y)];
      if (px < 0 || py < 0 || px >= picture.width || py >= picture.height) continue;
      const p = 4 * (py * picture.width + px);
      for (let c = 0; c < 3; c++) sum[c] = (sum[c] as number) + (TO_LIGHT[picture.data[p + c] as number] as number);
      count += 1;
    }
  }
  return count < steps ? null : (sum.map((each) => each / count) as Light);
}

/** Squares of a card on which nothing is printed. */
function blankCells({ width, height, marks, patches, pieces, words }: BenchCard): Omit<CardPiece, 'colour'>[] {
  const side = height / CELLS;
  const printed = [
    ...patches,
    ...pieces,
    ...marks.map(({ x, y, side: own }) => ({ x, y, width: own, height: own })),
    ...words.map(({ text, x, y, size }) => ({
      x: x - 0.35 * size * text.length,
      y: y - size,
      width: 0.7 * size * text.length,
      height: 1.3 * size,
    })),
  ];
  const cells: Omit<CardPiece, 'colour'>[] = [];
  for (let x = side / 2; x + side <= width - side / 2; x += side) {
    for (let y = side / 2; y + side <= height - side / 2; y += side) {
      const free = printed.every(
        (each) => each.x >= x + side || each.x + each.width <= x || each.y >= y + side || each.y + each.height <= y,
      );
      if (free) cells.push({ x, y, width: side, height: side });
    }
  }
  return cells;
}

/** Least squares of values over rows of figures, by normal equations; with what strays, and the spread of each figure. */
function leastSquares(rows: number[][], values: number[]): { by: number[]; straying: number; inverse: number[][] } {
  const n = rows[0]?.length ?? 0;
  const sums = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, k) => rows.reduce((sum, row) => sum + (row[i] as number) * (row[k] as number), 0)),
  );
  const right = Array.from({ length: n }, (_, i) =>
    rows.reduce((sum, row, r) => sum + (row[i] as number) * (values[r] as number), 0),
  );
  // Gauss and Jordan, with the unit matrix beside it.
  const table = sums.map((row, i) => [...row, ...row.map((_, k) => Number(i === k))]);
  for (let i = 0; i < n; i++) {
    const pivot = table
      .slice(i)
      .reduce((best, row, k) => (Math.abs(row[i] as number) > Math.abs(table[best]?.[i] as number) ? i + k : best), i);
    const chosen = table[pivot] as number[];
    table[pivot] = table[i] as number[];
    const by = chosen[i] as number;
    table[i] = chosen.map((each) => each / by);
    for (const [k, row] of table.entries()) {
      if (k === i) continue;
      const factor = row[i] as number;
      table[k] = row.map((each, j) => each - factor * (table[i]?.[j] as number));
    }
  }
  const inverse = table.map((row) => row.slice(n));
  const by = inverse.map((row) => row.reduce((sum, each, k) => sum + each * (right[k] as number), 0));
  const squares = rows.reduce((sum, row, r) => {
    const fit = row.reduce((total, each, i) => total + each * (by[i] as number), 0);
    return sum + ((values[r] as number) - fit) ** 2;
  }, 0);
  return { by, straying: Math.sqrt(squares / Math.max(1, rows.length - n)), inverse };
}

/**
 * What a bench card says of light and colours: the light that falls on it as an even slope (in logarithms), and a matrix
 * from what the camera saw to what its patches are.
 *
 * @param toPicture from mm on the card to px
 * @returns null where too little of its white is seen
 */
export function cardColours(picture: Picture, card: BenchCard, toPicture: Homography): CardColours | null {
  const scale = picture.width / 2;
  const row = ({ x, y }: Point) => [1, (x - scale) / scale, (y - scale) / scale];
  const whites = blankCells(card).flatMap((cell) => {
    const light = lightIn(picture, toPicture, cell);
    const at = mapped(toPicture, { x: cell.x + cell.width / 2, y: cell.y + cell.height / 2 });
    // What is burnt out says nothing of the light.
    return light && Math.max(...light) < 0.985 && Math.min(...light) > 0.02 ? [{ at, light }] : [];
  });
  if (whites.length < 6) return null;
  const rows = whites.map(({ at }) => row(at));
  const fits = [0, 1, 2].map((c) =>
    leastSquares(
      rows,
      whites.map(({ light }) => Math.log(light[c] as number)),
    ),
  );
  const whiteAt = (at: Point): Light =>
    fits.map(({ by }) => Math.exp(row(at).reduce((sum, each, i) => sum + each * (by[i] as number), 0))) as Light;
  const seen = card.patches.flatMap((patch) => {
    const light = lightIn(picture, toPicture, patch);
    if (!light) return [];
    const at = mapped(toPicture, { x: patch.x + patch.width / 2, y: patch.y + patch.height / 2 });
    const white = whiteAt(at);
    const relative = light.map((each, c) => (each / (white[c] as number)) * (PAPER[c] as number)) as Light;
    return [{ relative, is: lightOf(patch.colour) }];
  });
  const all = [...seen, { relative: PAPER, is: PAPER }];
  const coloured = seen.length >= 9;
  // A matrix needs colours; from greys alone nothing is learned but how light is spread.
  const matrix = coloured
    ? [0, 1, 2].map(
        (c) =>
          leastSquares(
            all.map(({ relative }) => relative),
            all.map(({ is }) => is[c] as number),
          ).by,
      )
    : [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ];
  const corrected = (relative: Light): Light =>
    matrix.map((by) =>
      Math.max(
        0,
        by.reduce((sum, each, i) => sum + each * (relative[i] as number), 0),
      ),
    ) as Light;
  const misses = seen.map(({ relative, is }) => colourDifference(labOf(corrected(relative)), labOf(is)));
  return {
    whiteAt: (at) => whiteAt(at).map((each, c) => each / (PAPER[c] as number)) as Light,
    whiteSd: (at) => {
      const own = row(at);
      const { straying, inverse } = fits[1] as (typeof fits)[number];
      const spread = own.reduce(
        (sum, each, i) => sum + each * own.reduce((total, other, k) => total + other * (inverse[i]?.[k] as number), 0),
        0,
      );
      return straying * Math.sqrt(1 + spread);
    },
    corrected,
    residual: misses.reduce((sum, each) => sum + each, 0) / Math.max(1, misses.length),
  };
}
