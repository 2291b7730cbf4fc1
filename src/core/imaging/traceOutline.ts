import { contours } from 'd3-contour';
import { areaOf, type Point } from '../measure/homography';
import type { Picture } from './grey';

/** The edge of a shape that stands out from what lies around it, in px of its picture, closed. */
export interface Traced {
  points: Point[];
}

/** A shape is looked for in about so many px; finer than this a hand cannot point. */
const SEARCH = 460;
/** Smaller boxes hold no shape that could be told. */
const LEAST_PX = 24;
/**
 * So much of what varies in the box has to be the step from the shape to what lies around it. What is only pressed in, or
 * shines, stays under that: its light and shade would be traced, not its edge.
 */
const LEAST_CONTRAST = 0.94;
/** Along so much of the ring a step has to be seen across it. */
const LEAST_EDGE = 0.9;
/** A shape that fills less or more of its box is a speck, or the box itself. */
const LEAST_FILL = 0.04;
const MOST_FILL = 0.92;

const RATIO = 140;
/** Levels so dark are noise; they tell no ratio. */
const DARK = 8;

/** Ways of seeing a pixel as one figure: brightness, each colour, and what one colour has over the others. */
const VIEWS: ((r: number, g: number, b: number) => number)[] = [
  (r, g, b) => 0.299 * r + 0.587 * g + 0.114 * b,
  (r) => r,
  (_r, g) => g,
  (_r, _g, b) => b,
  (r, g) => r - g,
  (_r, g, b) => g - b,
  (r, _g, b) => r - b,
  // What light makes of one colour it makes of the others: a shadow that falls across does not change these.
  (r, g) => RATIO * Math.log((r + DARK) / (g + DARK)),
  (_r, g, b) => RATIO * Math.log((g + DARK) / (b + DARK)),
  (r, _g, b) => RATIO * Math.log((r + DARK) / (b + DARK)),
];

/** Figures of a view lie between minus and plus half of these. */
const LEVELS = 1024;

interface Field {
  width: number;
  height: number;
  values: Float64Array;
}

/** The box made smaller, as one figure for each pixel. */
function fieldOf(
  picture: Picture,
  { left, top, width, height }: { left: number; top: number; width: number; height: number },
  by: number,
  view: (typeof VIEWS)[number],
): Field {
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)];
  const values = new Float64Array(w * h);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      let [r, g, b] = [0, 0, 0];
      for (let dy = 0; dy < by; dy++) {
        let p = 4 * ((top + y * by + dy) * picture.width + left + x * by);
        for (let dx = 0; dx < by; dx++, p += 4) {
          r += picture.data[p] as number;
          g += picture.data[p + 1] as number;
          b += picture.data[p + 2] as number;
        }
      }
      const count = by * by;
      values[y * w + x] = view(r / count, g / count, b / count);
    }
  }
  return { width: w, height: h, values };
}

/** Each value the mean of those around it: threads and grain are no edges. */
function smoothed({ width, height, values }: Field, radius: number): Field {
  const pass = (from: Float64Array, stepAt: (line: number, i: number) => number, lines: number, length: number) => {
    const to = new Float64Array(from.length);
    for (let line = 0; line < lines; line++) {
      for (let i = 0; i < length; i++) {
        let [sum, count] = [0, 0];
        for (let k = Math.max(0, i - radius); k <= Math.min(length - 1, i + radius); k++, count++)
          sum += from[stepAt(line, k)] as number;
        to[stepAt(line, i)] = sum / count;
      }
    }
    return to;
  };
  const across = (from: Float64Array) => pass(from, (y, x) => y * width + x, height, width);
  const down = (from: Float64Array) => pass(from, (x, y) => y * width + x, width, height);
  return { width, height, values: down(across(down(across(values)))) };
}

/** The level that parts values into two groups best, and which share of all variance lies between them (Otsu 1979). */
function parted(values: Float64Array): { level: number; share: number } {
  const counts = new Float64Array(LEVELS);
  for (const value of values)
    counts[Math.floor(value) + LEVELS / 2] = (counts[Math.floor(value) + LEVELS / 2] ?? 0) + 1;
  const { length } = values;
  let [total, squares] = [0, 0];
  for (const [i, count] of counts.entries()) {
    total += i * count;
    squares += i * i * count;
  }
  const variance = squares / length - (total / length) ** 2;
  let [best, at, seen, under] = [0, 0, 0, 0];
  for (const [i, count] of counts.entries()) {
    seen += count;
    under += i * count;
    if (seen === 0 || seen === length) continue;
    const share = seen / length;
    const [low, high] = [under / seen, (total - under) / (length - seen)];
    const between = share * (1 - share) * (high - low) ** 2;
    if (between > best) [best, at] = [between, (low + high) / 2];
  }
  return { level: at + 0.5 - LEVELS / 2, share: variance > 0 ? best / variance : 0 };
}

/** A value between the cells of a field. */
function valueAt({ width, height, values }: Field, x: number, y: number): number {
  const [px, py] = [Math.max(0, Math.min(width - 1.001, x - 0.5)), Math.max(0, Math.min(height - 1.001, y - 0.5))];
  const [x0, y0] = [Math.floor(px), Math.floor(py)];
  const [fx, fy] = [px - x0, py - y0];
  const at = (i: number) => values[y0 * width + x0 + i] as number;
  return (at(0) * (1 - fx) + at(1) * fx) * (1 - fy) + (at(width) * (1 - fx) + at(width + 1) * fx) * fy;
}

/** So far on either side of the edge the shape and the ground are looked at, in cells. */
const REACH = 4;

/**
 * A ring drawn to where, across it, half of the step from ground to shape lies: what is half of it there may be another
 * level than on the other side of the shape, where a shadow falls.
 *
 * @returns the ring, and along which share of it a step was seen
 */
function refined(field: Field, ring: Point[], step: number): { ring: Point[]; seen: number } {
  const beside = 3;
  let seen = 0;
  const edge = ring.map((point, i) => {
    const [before, after] = [ring.at(i - beside) as Point, ring[(i + beside) % ring.length] as Point];
    const along = Math.hypot(after.x - before.x, after.y - before.y);
    if (along < 1e-6) return point;
    const [nx, ny] = [(after.y - before.y) / along, -(after.x - before.x) / along];
    const profile = Array.from({ length: 4 * REACH + 1 }, (_, k) => {
      const t = (k - 2 * REACH) / 2;
      return { t, value: valueAt(field, point.x + t * nx, point.y + t * ny) };
    });
    const mean = (all: typeof profile) => all.reduce((sum, { value }) => sum + value, 0) / all.length;
    const [from, to] = [mean(profile.slice(0, 3)), mean(profile.slice(-3))];
    if (Math.abs(to - from) < step / 2) return point;
    seen += 1;
    const half = (from + to) / 2;
    const crossings = profile.slice(1).flatMap(({ t, value }, k) => {
      const last = profile[k] as { t: number; value: number };
      if (last.value > half === value > half) return [];
      return [last.t + ((half - last.value) / (value - last.value)) * (t - last.t)];
    });
    if (crossings.length !== 1) return point;
    const [t = 0] = crossings;
    return { x: point.x + t * nx, y: point.y + t * ny };
  });
  return { ring: edge, seen: seen / ring.length };
}

/**
 * Trace the edge of the shape in a box, by whatever sets it off best from what lies around it: what touches the sides of
 * the box is the ground.
 *
 * @param a a corner of the box around it, in px
 * @param b the opposite corner
 */
export function traceOutline(picture: Picture, a: Point, b: Point): Traced | { problem: string } {
  const [left, top] = [Math.round(Math.min(a.x, b.x)), Math.round(Math.min(a.y, b.y))];
  const [width, height] = [Math.round(Math.abs(a.x - b.x)), Math.round(Math.abs(a.y - b.y))];
  if (Math.min(width, height) < LEAST_PX)
    return { problem: 'The box is too small for a shape. Draw it around all of it, or go nearer with the camera.' };
  const by = Math.max(1, Math.ceil(Math.max(width, height) / SEARCH));
  const box = { left, top, width, height };
  const coarse = Math.max(by, Math.ceil(Math.max(width, height) / (SEARCH / 3)));
  const { view } = VIEWS.map((view) => ({ view, ...parted(fieldOf(picture, box, coarse, view).values) })).reduce(
    (best, each) => (each.share > best.share ? each : best),
  );
  const field = smoothed(fieldOf(picture, box, by, view), 1);
  const seen = parted(field.values);
  if (seen.share < LEAST_CONTRAST)
    return { problem: 'Nothing in the box stands out from what lies around it clearly enough to be traced.' };
  const { level } = seen;
  const { width: w, height: h, values } = field;
  const rim = Array.from(values, (value, i) => ({ value, i })).filter(
    ({ i }) => i % w === 0 || i % w === w - 1 || i < w || i >= w * (h - 1),
  );
  const groundIsHigh = rim.filter(({ value }) => value > level).length > rim.length / 2;
  const shape = Array.from(values, (value) => (groundIsHigh ? level - value : value - level));
  const [found] = contours().size([w, h]).smooth(true).thresholds([0])(shape);
  const rings = (found?.coordinates ?? [])
    .map(([outer]) => (outer ?? []).slice(1).map(([x = 0, y = 0]): Point => ({ x, y })))
    .sort((p, q) => Math.abs(areaOf(q)) - Math.abs(areaOf(p)));
  const [ring] = rings;
  const fill = ring ? Math.abs(areaOf(ring)) / (w * h) : 0;
  if (!ring || fill < LEAST_FILL || fill > MOST_FILL)
    return { problem: 'No shape is seen in the box. Draw it around one, with a little of the ground on every side.' };
  if (ring.some(({ x, y }) => x < 1 || y < 1 || x > w - 1 || y > h - 1))
    return { problem: 'The shape goes beyond the box. Draw it wider, so that the ground is seen on every side.' };
  const high = values.filter((value) => value > level);
  const low = values.filter((value) => value <= level);
  const mean = (all: Float64Array) => all.reduce((sum, each) => sum + each, 0) / all.length;
  const { ring: edge, seen: edged } = refined(field, ring, mean(high) - mean(low));
  if (edged < LEAST_EDGE)
    return { problem: 'The edge of the shape is not seen all around: light and shade hide a part of it.' };
  // A cell of the field stands for `by` pixels, whose middles lie half a pixel within.
  return { points: edge.map(({ x, y }) => ({ x: left + x * by - 0.5, y: top + y * by - 0.5 })) };
}
