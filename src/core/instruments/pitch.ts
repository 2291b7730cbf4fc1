import { addColourAt, type Picture } from '../imaging/grey';
import { type Homography, inverseOf, mapped, type Point } from '../measure/homography';
import { measuredIn, mostLikely } from '../measure/plane';
import { BEYOND_SCALE, distance, type Instrument } from './instrument';

/** Brightness at equal steps along a line that lies in the plane, averaged over a narrow band. */
interface Signal {
  values: Float64Array;
  /** Step from one value to the next, in the unit of the plane. */
  step: number;
  /** Values before the line begins. */
  before: number;
}

/** Half the breadth of the band, in px of the picture. */
const BAND = 4;
const MOST_VALUES = 6000;
/** Elements that repeat at least so often. */
const LEAST_COUNT = 4;
/** The likeness of neighbours from which on something repeats. */
const LEAST_LIKENESS = 0.25;
/** An element that is less like the others than this is missing or another thing. */
const LEAST_FIT = 0.45;

/** The direction in which colours differ most, so that blue thread on red cloth is seen as well as white on black. */
function mainDirection(colours: Float64Array[]): [number, number, number] {
  const mean = [0, 1, 2].map((c) => colours.reduce((sum, each) => sum + (each[c] as number), 0) / colours.length);
  let direction: [number, number, number] = [0.3, 0.59, 0.11];
  for (let round = 0; round < 12; round++) {
    const next: [number, number, number] = [0, 0, 0];
    for (const each of colours) {
      const off = mean.map((level, c) => (each[c] as number) - level);
      const along = off.reduce((sum, value, c) => sum + value * (direction[c] as number), 0);
      for (let c = 0; c < 3; c++) next[c] = (next[c] as number) + along * (off[c] as number);
    }
    const length = Math.hypot(...next);
    if (length === 0) break;
    direction = next.map((value) => value / length) as [number, number, number];
  }
  return direction;
}

/** The signal along a line, with a sixth of it before and behind, so that elements at its ends are seen whole. */
function signalAlong(picture: Picture, map: Homography, from: Point, to: Point): Signal {
  const [a, b] = [mapped(map, from), mapped(map, to)];
  const back = inverseOf(map);
  const length = distance(a, b);
  const inside = Math.min(MOST_VALUES, Math.max(64, Math.round(1.5 * distance(from, to))));
  const step = length / inside;
  const before = Math.round(inside / 6);
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const across = length / distance(from, to);
  const colours = Array.from({ length: inside + 1 + 2 * before }, (_, i) => {
    const along = (i - before) * step;
    const sum = new Float64Array(3);
    for (let k = -BAND; k <= BAND; k += 2) {
      const { x, y } = mapped(back, { x: a.x + along * ux - k * across * uy, y: a.y + along * uy + k * across * ux });
      addColourAt(picture, x, y, sum);
    }
    return sum;
  });
  const [r, g, bl] = mainDirection(colours);
  const values = Float64Array.from(colours, ([red, green, blue]) => {
    return (r * (red as number) + g * (green as number) + bl * (blue as number)) / (BAND + 1);
  });
  return { values, step, before };
}

/** Values without what changes slowly. */
function levelled(values: Float64Array, window: number): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (const [i, value] of values.entries()) sums[i + 1] = (sums[i] as number) + value;
  return values.map((value, i) => {
    const [from, to] = [Math.max(0, i - window), Math.min(values.length, i + window + 1)];
    return value - ((sums[to] as number) - (sums[from] as number)) / (to - from);
  });
}

/** How alike values are to those so many steps on, -1 to 1. */
function likeness(values: Float64Array, lag: number): number {
  let [both, one, other] = [0, 0, 0];
  for (let i = 0; i + lag < values.length; i++) {
    const [a, b] = [values[i] as number, values[i + lag] as number];
    both += a * b;
    one += a * a;
    other += b * b;
  }
  return both / Math.sqrt(Math.max(1e-9, one * other));
}

/** The number of steps after which a signal repeats; null where it does not. */
function periodOf(values: Float64Array): number | null {
  const most = Math.floor(values.length / LEAST_COUNT);
  const alike = Float64Array.from({ length: most + 2 }, (_, lag) => (lag === 0 ? 1 : likeness(values, lag)));
  // Past the first fall, where values are only alike because they are near.
  let start = 1;
  while (start < most && (alike[start] as number) > 0.1) start++;
  const peaks: number[] = [];
  for (let lag = start + 1; lag < most; lag++)
    if ((alike[lag] as number) > (alike[lag - 1] as number) && (alike[lag] as number) >= (alike[lag + 1] as number))
      peaks.push(lag);
  const best = Math.max(...peaks.map((lag) => alike[lag] as number), 0);
  if (best < LEAST_LIKENESS) return null;
  // Twice the distance repeats as well: the shortest that does nearly as well is meant.
  const lag = peaks.find((each) => (alike[each] as number) > 0.72 * best) as number;
  const [l, m, r] = [alike[lag - 1], alike[lag], alike[lag + 1]] as [number, number, number];
  return lag + (l - r) / (2 * (l - 2 * m + r) || 1);
}

const valueAt = (values: Float64Array, at: number): number => {
  const low = Math.max(0, Math.min(values.length - 2, Math.floor(at)));
  const part = at - low;
  return (values[low] as number) * (1 - part) + (values[low + 1] as number) * part;
};

/** A piece of the signal around a place, without its mean. */
function pieceAt(values: Float64Array, at: number, half: number): Float64Array {
  const piece = Float64Array.from({ length: 2 * half + 1 }, (_, k) => valueAt(values, at + k - half));
  const mean = piece.reduce((sum, value) => sum + value, 0) / piece.length;
  return piece.map((value) => value - mean);
}

const product = (a: Float64Array, b: Float64Array): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);

/** Where a shape fits best near a place, to a part of a step, and how much of the shape is there (1: all of it). */
function fitNear(values: Float64Array, shape: Float64Array, at: number, reach: number): { at: number; fit: number } {
  const half = (shape.length - 1) / 2;
  const own = product(shape, shape);
  const fitAt = (place: number) => product(pieceAt(values, place, half), shape) / own;
  const places = Array.from({ length: 2 * reach + 1 }, (_, i) => at + i - reach);
  const fits = places.map(fitAt);
  const best = fits.reduce((top, fit, i) => (fit > (fits[top] as number) ? i : top), 0);
  const [l, m, r] = [fits[best - 1] ?? fits[best], fits[best], fits[best + 1] ?? fits[best]] as [
    number,
    number,
    number,
  ];
  const bend = l - 2 * m + r;
  return {
    at: (places[best] as number) + (bend < 0 ? Math.max(-0.5, Math.min(0.5, (l - r) / (2 * bend))) : 0),
    fit: m,
  };
}

/** Mean of pieces of the signal around places. */
function shapeOf(values: Float64Array, places: number[], half: number): Float64Array {
  const shape = new Float64Array(2 * half + 1);
  for (const place of places) {
    for (const [k, value] of pieceAt(values, place, half).entries())
      shape[k] = (shape[k] as number) + value / places.length;
  }
  return shape;
}

interface Element {
  /** Its number along the line. */
  index: number;
  /** In steps of the signal. */
  at: number;
  there: boolean;
}

/** Walk from element to element, each looked for where the one before leads to expect it. */
function walked(values: Float64Array, shape: Float64Array, start: number, period: number): Element[] {
  const reach = Math.max(1, Math.round(0.35 * period));
  const half = (shape.length - 1) / 2;
  const walk = (direction: 1 | -1): Element[] => {
    const found: Element[] = [];
    let expected = start;
    for (let index = direction; ; index += direction) {
      expected += direction * period;
      if (expected < half || expected > values.length - 1 - half) return found;
      const { at, fit } = fitNear(values, shape, expected, reach);
      const there = fit >= LEAST_FIT && Math.abs(at - expected) < reach;
      found.push({ index, at: there ? at : expected, there });
      // Half of the way towards where it was: one element out of line does not lead the next astray.
      if (there) expected += 0.5 * (at - expected);
    }
  };
  const { at } = fitNear(values, shape, start, reach);
  return [...walk(-1).reverse(), { index: 0, at, there: true }, ...walk(1)];
}

/** All elements of a signal that repeats, told by their shape. */
function elementsByShape(values: Float64Array, period: number): Element[] {
  const half = Math.max(2, Math.round(0.5 * period));
  // The phase at which the signal, folded by its period, stands out most.
  const folds = Math.max(1, Math.floor(values.length / period));
  const level = (phase: number) =>
    Math.abs(Array.from({ length: folds }, (_, i) => valueAt(values, phase + i * period)).reduce((a, b) => a + b, 0));
  let phase = 0;
  for (let p = 1; p < period; p++) if (level(p) > level(phase)) phase = p;
  const start = phase + Math.floor(folds / 2) * period;
  const places = Array.from({ length: Math.max(1, folds - 2) }, (_, i) => phase + (i + 1) * period);
  let shape = shapeOf(values, places, half);
  let elements: Element[] = [];
  for (let round = 0; round < 3; round++) {
    elements = walked(values, shape, start, period);
    const there = elements.filter((each) => each.there).map(({ at }) => at);
    if (there.length >= LEAST_COUNT) shape = shapeOf(values, there, half);
  }
  return elements.filter((each) => each.there);
}

/** The level that parts values in two heaps best (Otsu 1979). */
function parting(values: Float64Array): number {
  const sorted = Float64Array.from(values).sort();
  const whole = sorted.reduce((sum, value) => sum + value, 0);
  let [best, level, below] = [-1, 0, 0];
  for (let i = 1; i < sorted.length; i++) {
    below += sorted[i - 1] as number;
    const apart = below / i - (whole - below) / (sorted.length - i);
    const worth = i * (sorted.length - i) * apart * apart;
    if (worth > best) [best, level] = [worth, ((sorted[i - 1] as number) + (sorted[i] as number)) / 2];
  }
  return level;
}

const middleOne = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

interface Runs {
  /** With how far they are beyond the level in the middle of them. */
  runs: { begin: number; length: number; beyond: number }[];
  /** Their usual length. */
  usual: number;
  /** How far lengths stray from that, as a share of it; each counts at most once. */
  straying: number;
}

/** Runs of values on one side of a level, without crumbs and what is cut by the ends. */
function runsBeyond(values: Float64Array, level: number, sign: 1 | -1, crumb: number): Runs {
  const runs: Runs['runs'] = [];
  for (let i = 0; i < values.length; i++) {
    if (sign * ((values[i] as number) - level) <= 0) continue;
    const last = runs[runs.length - 1];
    if (last && last.begin + last.length === i) last.length += 1;
    else runs.push({ begin: i, length: 1, beyond: 0 });
  }
  const whole = runs.filter(({ begin, length }) => length >= crumb && begin > 0 && begin + length < values.length);
  for (const run of whole) {
    const inner = values.subarray(run.begin + Math.floor(run.length / 4), run.begin + Math.ceil((3 * run.length) / 4));
    run.beyond = sign * (inner.reduce((sum, value) => sum + value, 0) / inner.length - level);
  }
  const usual = middleOne(whole.map(({ length }) => length));
  const off = whole.reduce((sum, { length }) => sum + Math.min(1, Math.abs(length - usual) / usual), 0);
  const strong = middleOne(whole.map(({ beyond }) => beyond));
  return {
    runs: whole.filter(({ beyond }) => beyond > PALE * strong),
    usual,
    straying: off / Math.max(1, whole.length),
  };
}

/** A run that is so much less beyond the level than the others is ground that shows where an element is missing. */
const PALE = 0.6;
/** Runs that stray more are not of one length. */
const MOST_STRAYING = 0.2;

/**
 * Elements as runs of one brightness on a ground of another, such as stitches: one that is missing, or that touches the
 * next, shows so. Of the elements and the ground between them, the elements are of one length. Null where neither is.
 */
function elementsByRuns(values: Float64Array, period: number, from: number, to: number): Element[] | null {
  const around = Math.round(period / 2);
  const begin = Math.max(0, from - around);
  const piece = values.subarray(begin, to + around + 1);
  const level = parting(values.subarray(from, to + 1));
  const [even] = ([1, -1] as const)
    .map((sign) => runsBeyond(piece, level, sign, 0.15 * period))
    .sort((a, b) => a.straying - b.straying);
  if (!even || even.straying > MOST_STRAYING) return null;
  const centres = even.runs.flatMap((run) => {
    // Those that touch are one run, longer than one could be alone.
    const more = Math.max(0, Math.round((run.length - even.usual) / period));
    const first = begin + run.begin + (more === 0 ? run.length : even.usual) / 2;
    return Array.from({ length: more + 1 }, (_, k) => first + (k * (run.length - even.usual)) / Math.max(1, more));
  });
  let index = 0;
  return centres
    .filter((at) => at >= from && at <= to)
    .map((at, i, all): Element => {
      if (i > 0) index += Math.max(1, Math.round((at - (all[i - 1] as number)) / period));
      return { index, at, there: true };
    });
}

/** Least squares of place over number: the distance from one to the next, its standard error, and what strays from it. */
function spacing(elements: Element[]): { pitch: number; error: number; residual: number } {
  const n = elements.length;
  const mean = elements.reduce((sum, { index }) => sum + index, 0) / n;
  const middle = elements.reduce((sum, { at }) => sum + at, 0) / n;
  const spread = elements.reduce((sum, { index }) => sum + (index - mean) ** 2, 0);
  const pitch = elements.reduce((sum, { index, at }) => sum + (index - mean) * (at - middle), 0) / spread;
  const squares = elements.reduce((sum, { index, at }) => sum + (at - middle - pitch * (index - mean)) ** 2, 0);
  const residual = Math.sqrt(squares / Math.max(1, n - 2));
  return { pitch, error: residual / Math.sqrt(spread), residual };
}

/** Stitches, quilting, teeth, rows along a line: their distance, their number, how regular they are, and which is missing. */
export const pitch: Instrument = {
  id: 'pitch',
  name: 'Pitch',
  key: '6',
  points: ['row begins', 'row ends'],
  lines: [[0, 1]],
  read: (picture, plane, points) => {
    const [from, to] = points as [Point, Point];
    if (distance(from, to) < 60)
      return { problem: 'The row is too short in the picture. Go nearer, or draw it longer.' };
    const map = mostLikely(plane);
    if (!map) return BEYOND_SCALE;
    const { values: raw, step, before } = signalAlong(picture, map, from, to);
    const inside = raw.subarray(before, raw.length - before);
    const first = periodOf(levelled(inside, Math.round(inside.length / 8)));
    if (!first)
      return { problem: 'Nothing repeats along that line. Draw it through the stitches, from the first to the last.' };
    const values = levelled(raw, Math.round(first));
    const period = periodOf(values.subarray(before, raw.length - before)) ?? first;
    const end = raw.length - 1 - before;
    const lies = ({ at }: Element) => at >= before - 0.1 * period && at <= end + 0.1 * period;
    const there =
      elementsByRuns(levelled(raw, Math.round(4 * period)), period, before, end) ??
      elementsByShape(values, period).filter(lies);
    if (there.length < LEAST_COUNT) return { problem: 'Fewer than four of them are seen along that line.' };
    const numbers = there.map(({ index }) => index);
    const [lowest, highest] = [Math.min(...numbers), Math.max(...numbers)];
    const missing = highest - lowest + 1 - there.length;
    const { pitch: steps, error, residual } = spacing(there);
    const length = measuredIn(
      plane,
      [from, to].map((end) => ({ ...end, sd: 0 })),
      ([a, b]) => distance(a as Point, b as Point),
    );
    if (!length) return BEYOND_SCALE;
    const value = steps * step;
    const uncertainty = Math.hypot(error * step, value * (length.uncertainty / length.value));
    const seconds = there
      .slice(1)
      .map((each, i) => each.at - (there[i] as Element).at - (each.index - (there[i] as Element).index) * steps);
    const gaps = Math.sqrt(seconds.reduce((sum, each) => sum + each ** 2, 0) / Math.max(1, seconds.length - 1));
    return {
      value,
      uncertainty,
      unit: plane.unit,
      points: points.map((point) => ({ ...point, sd: 0 })),
      beside: [
        { name: 'counted', value: there.length, unit: '' },
        { name: 'missing', value: missing, unit: '' },
        ...(plane.unit === 'mm' ? [{ name: 'on a centimetre', value: 10 / value, unit: 'per cm' }] : []),
        { name: 'distances vary by', value: (100 * gaps) / steps, unit: '%' },
      ],
      remarks: residual > 0.25 * steps ? ['they stand so unevenly that some may have been taken for each other'] : [],
    };
  },
};
