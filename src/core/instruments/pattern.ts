import { connectedPieces } from '../imaging/connectedPieces';
import { greyOf, type Picture } from '../imaging/grey';
import { areaOf, mapped, type Point } from '../measure/homography';
import { mostLikely, type Plane } from '../measure/plane';
import { COVERAGE } from '../measure/propagate';
import type { Instrument } from './instrument';

/** Fewer pixels across than this show no pattern. */
const LEAST_SIDE = 40;
/** Print and ground have to lie so many of their own spreads apart. */
const LEAST_CONTRAST = 3;
/** An element of fewer pixels than this may be noise. */
const LEAST_ELEMENT = 12;
const FEWEST = 4;
/** The area is cut into so many pieces each way: what they differ by is what another area of the print may. */
const PIECES = 3;
const ROUNDS = 4;
/** By such a share of what print and ground stray their levels may be off as a whole: uneven ink, light that bends. */
const LEVELS = 0.1;

/** Brightness of the area between two points, as logarithms: light that falls off is a slope of them. */
function logsOf(picture: Picture, a: Point, b: Point) {
  const [left, top] = [Math.ceil(Math.min(a.x, b.x)), Math.ceil(Math.min(a.y, b.y))];
  const width = Math.floor(Math.max(a.x, b.x)) - left;
  const height = Math.floor(Math.max(a.y, b.y)) - top;
  if (width < LEAST_SIDE || height < LEAST_SIDE) return null;
  const row = (y: number) => 4 * ((top + y) * picture.width + left);
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++) data.set(picture.data.subarray(row(y), row(y) + 4 * width), 4 * y * width);
  const grey = greyOf({ width, height, data });
  const logs = Float64Array.from(grey.data, (level) => Math.log(4 + level));
  return { width, height, logs };
}

/** The level that tells two sorts of values apart best (Otsu): largest variance between them. */
function levelBetween(values: Float64Array): number {
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const value of values) {
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  const bins = 256;
  const counts = new Float64Array(bins);
  const step = (high - low) / bins || 1;
  for (const value of values) {
    const bin = Math.min(bins - 1, Math.floor((value - low) / step));
    counts[bin] = (counts[bin] as number) + 1;
  }
  const all = counts.reduce((sum, count, i) => sum + i * count, 0);
  let [best, cut, below, sum] = [-1, 0, 0, 0];
  for (let i = 0; i < bins - 1; i++) {
    below += counts[i] as number;
    sum += i * (counts[i] as number);
    const above = values.length - below;
    if (below === 0 || above === 0) continue;
    const between = below * above * (sum / below - (all - sum) / above) ** 2;
    if (between > best) [best, cut] = [between, i];
  }
  return low + (cut + 1) * step;
}

interface Parted {
  /** Middle value of the darker and of the lighter sort, and how far each strays. */
  dark: number;
  light: number;
  spread: number;
  level: number;
}

/** How many, and sums of value, column and row. */
type Sums = [number, number, number, number];

const NEIGHBOURS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

/** The two sorts, once the slope of the light is taken out of the values. */
function parted(values: Float64Array, width: number, height: number): Parted {
  let found: Parted = { dark: 0, light: 0, spread: 0, level: 0 };
  for (let round = 0; round < ROUNDS; round++) {
    const level = levelBetween(values);
    // What lies at the edge of an element is neither the one nor the other.
    const inner = (i: number): boolean => {
      const [x, y] = [i % width, Math.floor(i / width)];
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) return false;
      const side = (values[i] as number) < level;
      return NEIGHBOURS.every((step) => (values[i + step[0] + step[1] * width] as number) < level === side);
    };
    const sums: Record<'dark' | 'light', Sums> = { dark: [0, 0, 0, 0], light: [0, 0, 0, 0] };
    const inside = Uint8Array.from(values, (_, i) => Number(inner(i)));
    values.forEach((value, i) => {
      if (inside[i] === 0) return;
      const sum = value < level ? sums.dark : sums.light;
      [1, value, i % width, Math.floor(i / width)].forEach((each, k) => {
        sum[k] = (sum[k] as number) + each;
      });
    });
    const mean = (sum: number[], k: number) => (sum[k] as number) / Math.max(1, sum[0] as number);
    let [xx, yy, xv, yv, vv] = [0, 0, 0, 0, 0];
    values.forEach((value, i) => {
      if (inside[i] === 0) return;
      const sum = value < level ? sums.dark : sums.light;
      const [dv, dx, dy] = [value - mean(sum, 1), (i % width) - mean(sum, 2), Math.floor(i / width) - mean(sum, 3)];
      xx += dx * dx;
      yy += dy * dy;
      xv += dx * dv;
      yv += dy * dv;
      vv += dv * dv;
    });
    const spread = Math.sqrt(vv / Math.max(1, sums.dark[0] + sums.light[0]));
    found = { dark: mean(sums.dark, 1), light: mean(sums.light, 1), spread, level };
    const [slopeX, slopeY] = [xx > 0 ? xv / xx : 0, yy > 0 ? yv / yy : 0];
    for (let i = 0; i < values.length; i++)
      values[i] =
        (values[i] as number) - slopeX * ((i % width) - width / 2) - slopeY * (Math.floor(i / width) - height / 2);
  }
  return found;
}

/** How many connected pieces are darker than the level, and their pixels; one that the border cuts counts as half. */
function elementsOf(values: Float64Array, width: number, height: number, level: number) {
  const pieces = connectedPieces({ width, height }, (at) => (values[at] as number) < level);
  const whole = pieces.filter((piece) => piece.length >= LEAST_ELEMENT);
  const atBorder = (at: number): boolean =>
    at < width || at >= values.length - width || at % width === 0 || at % width === width - 1;
  return {
    count: whole.reduce((sum, piece) => sum + (piece.some(atBorder) ? 0.5 : 1), 0),
    pixels: whole.reduce((sum, piece) => sum + piece.length, 0),
  };
}

/** How large a box of the picture is in the plane. */
function sizeOf(plane: Plane, a: Point, b: Point): number {
  const map = plane.unit === 'mm' ? mostLikely(plane) : null;
  const corners = [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];
  return Math.abs(areaOf(map ? corners.map((corner) => mapped(map, corner)) : corners));
}

/** How much of an area a print covers, and how large and how far apart its elements are. */
export const pattern: Instrument = {
  id: 'pattern',
  name: 'Pattern',
  key: 's',
  points: ['a piece of the print begins', 'it ends'],
  lines: [],
  areas: [[0, 1]],
  read: (picture, plane, points) => {
    const [a, b] = points as [Point, Point];
    const area = logsOf(picture, a, b);
    if (!area)
      return { problem: `The area is too small: draw it over ${LEAST_SIDE} pixels of the print each way, or more.` };
    const { width, height, logs } = area;
    const { dark, light, spread, level } = parted(logs, width, height);
    if (light - dark < LEAST_CONTRAST * Math.max(spread, 0.01))
      return { problem: 'Print and ground are hardly told apart there: more even light, or an area without a border.' };
    // A pixel at an edge is covered in part: its brightness, not its logarithm, says how much.
    const [darkest, lightest] = [Math.exp(dark), Math.exp(light)];
    const pieces = new Float64Array(PIECES * PIECES);
    const sizes = new Float64Array(PIECES * PIECES);
    logs.forEach((value, i) => {
      const piece =
        Math.floor((PIECES * Math.floor(i / width)) / height) * PIECES + Math.floor((PIECES * (i % width)) / width);
      // Not held between none and all: noise strays both ways, and its mean is what counts.
      pieces[piece] = (pieces[piece] as number) + (lightest - Math.exp(value)) / (lightest - darkest);
      sizes[piece] = (sizes[piece] as number) + 1;
    });
    const shares = [...pieces].map((sum, i) => (100 * sum) / (sizes[i] as number));
    const value = shares.reduce((sum, each) => sum + each, 0) / shares.length;
    const variance = shares.reduce((sum, each) => sum + (each - value) ** 2, 0) / (shares.length - 1);
    // Where the two sorts end is as uncertain as they stray.
    const levels = (100 * LEVELS * spread) / (light - dark);
    const { count, pixels } = elementsOf(logs, width, height, level);
    if (count < FEWEST) return { problem: 'There are fewer than four elements in that area: draw it larger.' };
    const whole = sizeOf(plane, a, b);
    const { unit } = plane;
    return {
      value,
      uncertainty: COVERAGE * Math.hypot(Math.sqrt(variance / shares.length), levels),
      unit: '%',
      points: points.map((point) => ({ ...point, sd: 0 })),
      beside: [
        { name: 'elements', value: count, unit: '' },
        {
          name: 'as wide as a disc of',
          value: 2 * Math.sqrt((whole * pixels) / (width * height) / count / Math.PI),
          unit,
        },
        { name: 'one every', value: Math.sqrt(whole / count), unit },
      ],
      remarks: ['the darker of the two is taken for the print'],
    };
  },
};
