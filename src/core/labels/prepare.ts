import type { Grey } from '../imaging/grey';
import { meansOf } from '../imaging/levels';

/** Side of the squares in which the brightness of the ground is told, in px. */
const SQUARE = 48;
/** Where the ground is darker than this, nothing on it can be told. */
const DARKEST_GROUND = 24;
/** What the ground becomes. */
export const GROUND = 236;

/** Light of the ground in each square: nine in ten of its pixels are darker. */
function groundOf({ width, height, data }: Grey) {
  const columns = Math.max(2, Math.ceil(width / SQUARE));
  const rows = Math.max(2, Math.ceil(height / SQUARE));
  const levels = new Float32Array(columns * rows);
  const counts = new Uint32Array(256);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      counts.fill(0);
      let all = 0;
      for (let y = row * SQUARE; y < Math.min(height, (row + 1) * SQUARE); y += 2)
        for (let x = column * SQUARE; x < Math.min(width, (column + 1) * SQUARE); x += 2) {
          const level = data[y * width + x] as number;
          counts[level] = (counts[level] as number) + 1;
          all += 1;
        }
      let level = 255;
      for (let above = 0; level > 0 && above <= 0.12 * all; level--) above += counts[level] as number;
      levels[row * columns + column] = level;
    }
  }
  return { columns, rows, levels };
}

/**
 * Even out the light, so that the ground is of one brightness: shadows and far corners go.
 *
 * @returns a new picture of the same size
 */
export function evened(grey: Grey): Grey {
  const { width, height, data } = grey;
  const { columns, rows, levels } = groundOf(grey);
  const out = new Uint8Array(data.length);
  // What each pixel is multiplied by, in 65,536ths: known at the middles of the squares, and even between them.
  const gains = new Float64Array(columns + 2);
  for (let y = 0, at = 0; y < height; y++) {
    const v = Math.max(0, Math.min(rows - 1.001, y / SQUARE - 0.5));
    const [r, fy] = [Math.floor(v), v - Math.floor(v)];
    for (let c = 0; c < columns; c++) {
      const [upper, lower] = [levels[r * columns + c] as number, levels[(r + 1) * columns + c] as number];
      gains[c + 1] = (GROUND * 65_536) / Math.max(DARKEST_GROUND, upper + (lower - upper) * fy);
    }
    gains[0] = gains[1] as number;
    gains[columns + 1] = gains[columns] as number;
    for (let knot = 0, x = -SQUARE / 2; knot <= columns; knot++, x += SQUARE) {
      const step = ((gains[knot + 1] as number) - (gains[knot] as number)) / SQUARE;
      const from = Math.max(0, x);
      const to = Math.min(width, x + SQUARE);
      let gain = (gains[knot] as number) + step * (from - x);
      for (let column = from; column < to; column++, at++) {
        const level = ((data[at] as number) * gain + 32_768) / 65_536;
        out[at] = Math.min(255, level);
        gain += step;
      }
    }
  }
  return { width, height, data: new Uint8ClampedArray(out.buffer) };
}

const DARK = 150;
const THICKEST_LINE = 7;
/** How far a ruled line's soft edge reaches, in px. */
const SOFT_EDGE = 4;
/** The outline of a label is no print. */
const BORDER = 9;

/** A dark stretch along one line of pixels, a row or a column, from one place of it up to another. */
interface DarkRun {
  line: number;
  from: number;
  to: number;
}

/** Dark stretches longer than any letter, along rows and along columns. */
function longRuns({ width, height, data }: Grey, longest: number): { across: DarkRun[]; down: DarkRun[] } {
  const [across, down]: [DarkRun[], DarkRun[]] = [[], []];
  const began = new Int32Array(width);
  for (let y = 0, at = 0; y < height; y++) {
    let from = 0;
    for (let x = 0; x < width; x++, at++) {
      if ((data[at] as number) < DARK) continue;
      if (x - from > longest) across.push({ line: y, from, to: x });
      if (y - (began[x] as number) > longest) down.push({ line: x, from: began[x] as number, to: y });
      from = x + 1;
      began[x] = y + 1;
    }
    if (width - from > longest) across.push({ line: y, from, to: width });
  }
  for (const [x, from] of began.entries()) if (height - from > longest) down.push({ line: x, from, to: height });
  return { across, down };
}

/** Paint over ruled lines, which run into the letters beside them: thin dark runs longer than any letter. */
export function withoutRules(grey: Grey): Grey {
  const { width, height } = grey;
  const data = Uint8ClampedArray.from(grey.data);
  const wipeThin = (runs: DarkRun[], lines: number, at: (line: number, i: number) => number) => {
    for (const { line, from, to } of runs) {
      let thick = 0;
      for (const k of [0.2, 0.5, 0.8]) {
        const i = Math.floor(from + k * (to - from));
        let run = 0;
        for (let other = Math.max(0, line - THICKEST_LINE); other <= Math.min(lines - 1, line + THICKEST_LINE); other++)
          if ((grey.data[at(other, i)] as number) < DARK) run += 1;
        if (run > THICKEST_LINE) thick += 1;
      }
      if (thick >= 2) continue;
      for (let other = Math.max(0, line - SOFT_EDGE); other <= Math.min(lines - 1, line + SOFT_EDGE); other++)
        for (let i = from; i < to; i++) data[at(other, i)] = GROUND;
    }
  };
  const { across, down } = longRuns(grey, Math.max(70, 0.13 * Math.min(width, height)));
  const inRow = (row: number, i: number) => row * width + i;
  const inColumn = (column: number, i: number) => i * width + column;
  wipeThin(across, height, inRow);
  wipeThin(down, width, inColumn);
  for (let edge = 0; edge < BORDER; edge++) {
    for (let x = 0; x < width; x++) data[inRow(edge, x)] = data[inRow(height - 1 - edge, x)] = GROUND;
    for (let y = 0; y < height; y++) data[inColumn(edge, y)] = data[inColumn(width - 1 - edge, y)] = GROUND;
  }
  return { width, height, data };
}

/** Paint over a place of a picture. */
export function blanked(grey: Grey, places: { x: number; y: number; width: number; height: number }[]): Grey {
  if (places.length === 0) return grey;
  const data = Uint8ClampedArray.from(grey.data);
  for (const place of places) {
    const right = Math.min(grey.width, Math.ceil(place.x + place.width));
    for (let y = Math.max(0, Math.floor(place.y)); y < Math.min(grey.height, place.y + place.height); y++)
      data.fill(GROUND, y * grey.width + Math.max(0, Math.floor(place.x)), y * grey.width + right);
  }
  return { ...grey, data };
}

/** How far the surroundings of a pixel reach, in px each way, and how many times what stands out from them is added. */
const REACH = 7;
const STANDS_OUT = 1.2;

/** Bring back what a soft lens took from the edges of print: what stands out from its surroundings stands out by more. */
export function sharpened(grey: Grey): Grey {
  const means = meansOf(grey, REACH);
  const data = new Uint8ClampedArray(grey.data.length);
  for (let i = 0; i < data.length; i++) {
    const level = grey.data[i] as number;
    data[i] = level + STANDS_OUT * (level - (means[i] as number));
  }
  return { ...grey, data };
}
