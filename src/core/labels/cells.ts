import { connectedPieces } from '../imaging/connectedPieces';
import { brightnessAt, type Grey } from '../imaging/grey';
import type { FlatWord } from './eyes';
import { GROUND } from './prepare';

/** A run of letters of one height, in px. */
export interface Cell {
  x: number;
  y: number;
  width: number;
  height: number;
}

const DARK = 158;
/** Letters are at least so high, in px; lower marks belong to the letters beside them. */
const LOWEST_LETTER = 9;
const TALLEST_SHARE = 0.16;
/** Less than this share of their box is dark in arcs and frames, more in every letter. */
const LEAST_FILL = 0.14;
const MOST_CELLS = 120;

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

const overlap = (a: Cell, b: Cell): number => Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);

/** Letters that stand close enough beside each other to be read as one run. */
function together(a: Cell, b: Cell): boolean {
  const gap = Math.max(a.x, b.x) - Math.min(a.x + a.width, b.x + b.width);
  const [low, high] = a.height < b.height ? [a, b] : [b, a];
  return gap < 0.95 * high.height && overlap(a, b) > 0.6 * low.height && low.height > 0.5 * high.height;
}

const around = (a: Cell, b: Cell): Cell => {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return {
    x,
    y,
    width: Math.max(a.x + a.width, b.x + b.width) - x,
    height: Math.max(a.y + a.height, b.y + b.height) - y,
  };
};

/** Points, dashes and strokes of letters that stand within the height of a run, or right under its foot. */
const belongs = (mark: Cell, cell: Cell): boolean =>
  mark.y > cell.y - 0.35 * cell.height &&
  mark.y + mark.height < cell.y + 1.3 * cell.height &&
  mark.x > cell.x - 0.6 * cell.height &&
  mark.x + mark.width < cell.x + cell.width + 0.6 * cell.height;

/** True where a mark stands half way up right beside a run. */
const bridged = (mark: Cell, cell: Cell): boolean => {
  const middle = mark.y + mark.height / 2;
  const gap = Math.max(mark.x - cell.x - cell.width, cell.x - mark.x - mark.width);
  return (
    middle > cell.y + 0.3 * cell.height &&
    middle < cell.y + 0.8 * cell.height &&
    gap > 0 &&
    gap < 0.75 * cell.height &&
    mark.width > 0.2 * cell.height
  );
};

/**
 * The runs of letters on something that lies flat: what stands apart by more than a letter is another run, so that the
 * cells of a table are read one by one.
 */
export function cellsOn(grey: Grey): Cell[] {
  const tallest = TALLEST_SHARE * Math.min(grey.width, grey.height);
  const pieces = darkPieces(grey).filter(
    ({ height, width, fill }) => height <= tallest && width <= 2 * tallest && fill >= LEAST_FILL,
  );
  const letters = pieces.filter(({ width, height }) => height >= LOWEST_LETTER && width < 5 * height);
  const marks = pieces.filter((piece) => !letters.includes(piece));
  let cells: Cell[] = [];
  // The tallest first: what is low beside it, such as a dash, does not begin a run of its own.
  for (const letter of [...letters].sort((a, b) => b.height - a.height || a.x - b.x)) {
    const near = cells.filter((cell) => together(cell, letter) || belongs(letter, cell));
    const merged = near.reduce(around, letter);
    cells = [...cells.filter((cell) => !near.includes(cell)), merged];
  }
  for (const mark of marks) {
    // A dash between two runs of one row holds them together.
    const beside = cells.filter((cell) => bridged(mark, cell));
    if (beside.length === 2) {
      cells = [...cells.filter((cell) => !beside.includes(cell)), beside.reduce(around)];
      continue;
    }
    const at = cells.findIndex((cell) => belongs(mark, cell));
    if (at >= 0) cells[at] = around(cells[at] as Cell, mark);
  }
  return cells
    .filter(({ width, height }) => width > 0.25 * height)
    .sort((a, b) => a.y - b.y || a.x - b.x)
    .slice(0, MOST_CELLS);
}

/** Height that runs are brought to, and what is left free around them, in px. */
const RUN_HEIGHT = 36;
const FREE = 22;

/** Runs of letters under each other on one sheet, each brought to one height. */
export interface Strip {
  sheet: Grey;
  runs: { cell: Cell; top: number; scale: number }[];
}

/**
 * Write out all runs under each other: the recognition of text reads such a sheet far more surely than a label with
 * tables, frames and letters of many heights.
 */
export function stripOf(grey: Grey, cells: Cell[]): Strip {
  const runs = cells.map((cell, i) => ({
    cell,
    top: FREE + i * (RUN_HEIGHT + 2 * FREE),
    scale: RUN_HEIGHT / cell.height,
  }));
  const width = Math.ceil(Math.max(200, ...runs.map(({ cell, scale }) => cell.width * scale))) + 2 * FREE;
  const height = FREE + runs.length * (RUN_HEIGHT + 2 * FREE);
  const data = new Uint8ClampedArray(width * height).fill(GROUND);
  for (const { cell, top, scale } of runs) {
    const margin = 0.16 * RUN_HEIGHT;
    for (let y = Math.ceil(-margin); y < RUN_HEIGHT + margin; y++) {
      for (let x = Math.ceil(-margin); x < cell.width * scale + margin; x++) {
        data[(top + y) * width + FREE + x] = sampled(
          grey,
          cell.x + (x + 0.5) / scale - 0.5,
          cell.y + (y + 0.5) / scale - 0.5,
          1 / scale,
        );
      }
    }
  }
  return { sheet: { width, height, data }, runs };
}

/** Brightness at a point, averaged over what one new pixel stands for. */
function sampled(grey: Grey, x: number, y: number, step: number): number {
  const reach = Math.max(0, (step - 1) / 2);
  if (reach < 0.25) return brightnessAt(grey, x, y);
  const near = reach / 2;
  return (
    (brightnessAt(grey, x - near, y - near) +
      brightnessAt(grey, x + near, y - near) +
      brightnessAt(grey, x - near, y + near) +
      brightnessAt(grey, x + near, y + near)) /
    4
  );
}

/** Marks that are no part of a code or word where they stand at its end. */
const isMark = (word: FlatWord | undefined): boolean => /^[^\p{L}\p{N}]+$/u.test(word?.text ?? '');

/** The words of a strip, put back to where their runs stand. */
export function backToPlace({ runs }: Strip, words: FlatWord[]): { cell: Cell; words: FlatWord[] }[] {
  return runs.flatMap(({ cell, top, scale }) => {
    const own = words
      .filter(({ y, height }) => {
        const middle = y + height / 2;
        return middle > top - FREE && middle < top + RUN_HEIGHT + FREE;
      })
      .sort((a, b) => a.x - b.x);
    while (own.length > 0 && isMark(own[0])) own.shift();
    while (own.length > 0 && isMark(own.at(-1))) own.pop();
    const placed = own.map((word) => ({
      ...word,
      x: cell.x + (word.x - FREE) / scale,
      width: word.width / scale,
      y: cell.y,
      height: cell.height,
    }));
    return placed.length > 0 ? [{ cell, words: placed }] : [];
  });
}
