import type { Point } from '../measure/homography';
import type { Sighted } from '../measure/plane';
import { edgeNear } from './edge';
import type { Picture } from './grey';

/** A straight edge: two points of it, as far apart as it was followed, and how far the edge strays from it, in px. */
export interface EdgeLine {
  ends: [Sighted, Sighted];
  straying: number;
}

/** Edges are looked for at so many places at most, and a line needs so many of them. */
const PLACES = 40;
const LEAST_PLACES = 5;

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Least squares of v over u. */
function fitted(points: { u: number; v: number }[]): { level: number; slope: number; mean: number; spread: number } {
  const mean = points.reduce((sum, { u }) => sum + u, 0) / points.length;
  const level = points.reduce((sum, { v }) => sum + v, 0) / points.length;
  const spread = points.reduce((sum, { u }) => sum + (u - mean) ** 2, 0);
  const slope = points.reduce((sum, { u, v }) => sum + (u - mean) * (v - level), 0) / Math.max(spread, 1e-9);
  return { level, slope, mean, spread };
}

/**
 * The straight edge that runs about from one point to another. Places at which another edge was met are left out.
 *
 * @param reach how far from the line it is looked for, in px
 * @param wanted 1: lighter to the right of the way, -1: darker, 0: either
 * @returns null where no straight edge runs there
 */
export function edgeLine(
  picture: Picture,
  from: Point,
  to: Point,
  { reach = 10, wanted = 0 }: { reach?: number; wanted?: number } = {},
): EdgeLine | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 2 * LEAST_PLACES) return null;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const count = Math.min(PLACES, Math.floor(length / 2));
  const breadth = Math.max(2, Math.min(9, length / count));
  const across = { x: -uy, y: ux };
  const steps = [];
  for (let k = 0; k < count; k++) {
    const u = ((k + 0.5) / count) * length;
    const edge = edgeNear(picture, { x: from.x + u * ux, y: from.y + u * uy }, across, { reach, breadth, wanted });
    if (edge) steps.push({ u, v: (edge.x - from.x) * across.x + (edge.y - from.y) * across.y, step: edge.step });
  }
  // All of one edge grow lighter the same way.
  const sign = wanted || Math.sign(steps.reduce((sum, { step }) => sum + step, 0));
  let kept = steps.filter(({ step }) => Math.sign(step) === sign);
  for (let round = 0; round < 4 && kept.length >= LEAST_PLACES; round++) {
    const { level, slope, mean } = fitted(kept);
    const off = (each: { u: number; v: number }) => Math.abs(each.v - level - slope * (each.u - mean));
    const limit = Math.max(0.35, 3 * median(kept.map(off)));
    const near = kept.filter((each) => off(each) <= limit);
    if (near.length === kept.length) break;
    kept = near;
  }
  if (kept.length < Math.max(LEAST_PLACES, count / 3)) return null;
  const { level, slope, mean, spread } = fitted(kept);
  const squares = kept.reduce((sum, { u, v }) => sum + (v - level - slope * (u - mean)) ** 2, 0);
  const straying = Math.sqrt(squares / Math.max(1, kept.length - 2));
  const at = (u: number): Sighted => {
    const v = level + slope * (u - mean);
    // Neighbouring places share some of their pixels and their unevenness, so they count for fewer.
    const sd = Math.max(0.04, straying * Math.sqrt(2 * (1 / kept.length + (u - mean) ** 2 / spread)));
    return { x: from.x + u * ux + v * across.x, y: from.y + u * uy + v * across.y, sd };
  };
  return { ends: [at(0), at(length)], straying };
}
