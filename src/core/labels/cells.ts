import type { Letters } from './letters';

/** A run of letters of one height, in px. */
export interface Cell {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Where a point stands at its foot: behind so many of its letters, and how many they are. */
  point?: { behind: number; of: number };
}

const MOST_CELLS = 120;

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

/** Words that stand apart by so much of their height, */
const WORD_SPACE = 0.22;
/** and the lower ones no higher than so much of the taller: a caption and its value. A word without tall letters is higher. */
const CAPTION = 0.69;
const DASH = 0.35;

/** True where the middle of a piece lies on a run. */
const isOn = ({ x, y, width, height }: Cell, piece: Cell): boolean => {
  const [middleX, middleY] = [piece.x + piece.width / 2, piece.y + piece.height / 2];
  return middleX > x && middleX < x + width && middleY > y && middleY < y + height;
};

/** A run parted where the letters behind a space are far lower or taller than those before it. */
function partedByHeight(cell: Cell, letters: Cell[]): Cell[] {
  const words: Cell[] = [];
  for (const letter of letters.filter((each) => isOn(cell, each)).sort((a, b) => a.x - b.x)) {
    const last = words.at(-1);
    const apart = last && letter.x - last.x - last.width > WORD_SPACE * Math.max(last.height, letter.height);
    if (!last || apart) words.push(letter);
    else words[words.length - 1] = around(last, letter);
  }
  const parts: Cell[] = [];
  for (const word of words) {
    const last = parts.at(-1);
    const [low, high] = [last?.height ?? 0, word.height].sort((a, b) => a - b) as [number, number];
    // A dash between two words is lower than any caption.
    const steps = low > DASH * high && low < CAPTION * high;
    if (!last || steps) parts.push(word);
    else parts[parts.length - 1] = around(last, word);
  }
  return parts.length > 1 ? parts : [cell];
}

/** A run with its point, where there is just one: the recognition of text often passes over it. */
function withPoint(cell: Cell, pieces: Cell[]): Cell {
  const within = pieces.filter((each) => isOn(cell, each));
  const own = within.filter(({ height }) => height > 0.6 * cell.height);
  const foot = cell.y + cell.height;
  const points = within.filter(
    (mark) =>
      mark.height < 0.32 * cell.height &&
      mark.width < 0.36 * cell.height &&
      Math.abs(mark.y + mark.height - foot) < 0.14 * cell.height,
  );
  const [point] = points;
  if (!point || points.length > 1) return cell;
  const behind = own.filter(({ x, width }) => x + width / 2 < point.x + point.width / 2).length;
  return behind > 0 && behind < own.length ? { ...cell, point: { behind, of: own.length } } : cell;
}

/**
 * The runs in which letters stand on something that lies flat: what stands apart by more than a letter is another run, so
 * that the cells of a table are read one by one.
 */
export function cellsOf({ pieces, letters }: Letters): Cell[] {
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
    .flatMap((cell) => partedByHeight(cell, letters))
    .filter(({ width, height }) => width > 0.25 * height)
    .map((cell) => withPoint(cell, pieces))
    .sort((a, b) => a.y - b.y || a.x - b.x)
    .slice(0, MOST_CELLS);
}
