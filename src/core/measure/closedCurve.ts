import { areaOf, type Point } from './homography';

/** Points of a curve that closes itself, evenly spaced along it. */
export type ClosedCurve = Point[];

const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** A closed curve as so many points, evenly spaced. */
export function resampled(points: Point[], count: number): ClosedCurve {
  const lengths = points.map((point, i) => distance(point, points[(i + 1) % points.length] as Point));
  const whole = lengths.reduce((sum, each) => sum + each, 0);
  const curve: ClosedCurve = [];
  let [i, passed] = [0, 0];
  for (let k = 0; k < count; k++) {
    const at = (whole * k) / count;
    while (i < points.length - 1 && passed + (lengths[i] as number) < at) {
      passed += lengths[i] as number;
      i += 1;
    }
    const [from, to] = [points[i] as Point, points[(i + 1) % points.length] as Point];
    const t = (at - passed) / Math.max(1e-12, lengths[i] as number);
    curve.push({ x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) });
  }
  return curve;
}

/** The middle of the area that a curve encloses. */
function centroid(curve: ClosedCurve): Point {
  let [area, x, y] = [0, 0, 0];
  for (const [i, a] of curve.entries()) {
    const b = curve[(i + 1) % curve.length] as Point;
    const cross = a.x * b.y - b.x * a.y;
    area += cross;
    x += (a.x + b.x) * cross;
    y += (a.y + b.y) * cross;
  }
  return { x: x / (3 * area), y: y / (3 * area) };
}

/** The nearest place of a curve to a point. */
function nearest(point: Point, curve: ClosedCurve): { at: Point; distance: number } {
  let best = { at: point, distance: Number.POSITIVE_INFINITY };
  for (const [i, a] of curve.entries()) {
    const b = curve[(i + 1) % curve.length] as Point;
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const t = Math.max(
      0,
      Math.min(1, ((point.x - a.x) * dx + (point.y - a.y) * dy) / Math.max(1e-12, dx * dx + dy * dy)),
    );
    const at = { x: a.x + t * dx, y: a.y + t * dy };
    const far = distance(point, at);
    if (far < best.distance) best = { at, distance: far };
  }
  return best;
}

/** True where a curve goes around a point: a ray from it crosses the curve an odd number of times. */
function encloses(curve: ClosedCurve, { x, y }: Point): boolean {
  let inside = false;
  for (const [i, a] of curve.entries()) {
    const b = curve[(i + 1) % curve.length] as Point;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

/** What lays one curve on another: a turn and a way, or an affine map, which stretches too. */
export type Laying = [a: number, b: number, c: number, d: number, e: number, f: number];

export const laid = ([a, b, c, d, e, f]: Laying, { x, y }: Point): Point => ({
  x: a * x + b * y + c,
  y: d * x + e * y + f,
});

/** The laying that undoes another. */
export function unlaying([a, b, c, d, e, f]: Laying): Laying {
  const det = a * e - b * d;
  const [p, q, r, s] = [e / det, -b / det, -d / det, a / det];
  return [p, q, -(p * c + q * f), r, s, -(r * c + s * f)];
}

const meanOf = (points: Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** A linear map that takes one middle to another. */
const about = (m: Point, n: Point, [a, b, d, e]: [number, number, number, number]): Laying => [
  a,
  b,
  n.x - a * m.x - b * m.y,
  d,
  e,
  n.y - d * m.x - e * m.y,
];

const turned = (m: Point, n: Point, turn: number, size = 1): Laying => {
  const [cos, sin] = [size * Math.cos(turn), size * Math.sin(turn)];
  return about(m, n, [cos, -sin, sin, cos]);
};

/** The laying that brings points nearest to others, each to its own, in the sense of least squares. */
function fitted(from: Point[], to: Point[], stretches: boolean): Laying {
  const [m, n] = [meanOf(from), meanOf(to)];
  let [xx, xy, yy, xu, xv, yu, yv] = [0, 0, 0, 0, 0, 0, 0];
  for (const [i, p] of from.entries()) {
    const q = to[i] as Point;
    const [x, y, u, v] = [p.x - m.x, p.y - m.y, q.x - n.x, q.y - n.y];
    xx += x * x;
    xy += x * y;
    yy += y * y;
    xu += x * u;
    xv += x * v;
    yu += y * u;
    yv += y * v;
  }
  if (!stretches) return turned(m, n, Math.atan2(xv - yu, xu + yv));
  const det = xx * yy - xy * xy;
  return about(m, n, [
    (xu * yy - yu * xy) / det,
    (yu * xx - xu * xy) / det,
    (xv * yy - yv * xy) / det,
    (yv * xx - xv * xy) / det,
  ]);
}

/** What is altered must not pull all of it to its side: so much of a curve, where it lies best, decides. */
const TRUSTED = 0.9;
const TURNS = 36;
const STEPS = 40;
/** Where a step moves nothing by more than this share of the size, it has come to rest. */
const AT_REST = 1e-4;

/**
 * Lay a curve on another as well as most of it fits.
 *
 * @param stretches true where the planes of the two are not known: then their sizes and slants say nothing
 */
export function layOn(curve: ClosedCurve, other: ClosedCurve, stretches: boolean): Laying {
  const [m, n] = [centroid(curve), centroid(other)];
  const size = stretches ? Math.sqrt(Math.abs(areaOf(other) / areaOf(curve))) : 1;
  const sparse = <T>(all: T[]) => all.filter((_, i) => i % 5 === 0);
  let { laying } = Array.from({ length: TURNS }, (_, k) => {
    const laying = turned(m, n, (2 * Math.PI * k) / TURNS, size);
    const off = sparse(curve).reduce((sum, point) => sum + nearest(laid(laying, point), sparse(other)).distance, 0);
    return { laying, off };
  }).reduce((best, each) => (each.off < best.off ? each : best));
  const rest = AT_REST * Math.sqrt(Math.abs(areaOf(other)));
  for (let step = 0; step < STEPS; step++) {
    const pairs = curve
      .filter((_, i) => i % 2 === step % 2)
      .map((point) => ({ point, ...nearest(laid(laying, point), other) }))
      .sort((a, b) => a.distance - b.distance);
    const trusted = pairs.slice(0, Math.ceil(TRUSTED * pairs.length));
    const next = fitted(
      trusted.map(({ point }) => point),
      trusted.map(({ at }) => at),
      stretches,
    );
    const [before, now] = [laid(laying, m), laid(next, m)];
    const [edge, far] = [laid(laying, curve[0] as Point), laid(next, curve[0] as Point)];
    laying = next;
    if (distance(before, now) + distance(edge, far) < rest) break;
  }
  return laying;
}

/** How far one curve lies off another at a place. */
export interface Deviation {
  /** Positive where the first reaches beyond the second. */
  by: number;
  /** On the first curve, and on the second. */
  at: Point;
  beside: Point;
}

/** A place of an edge is told by what lies along so much of the curve, not by one point of it. */
const ALONG = 0.012;

/** The deviations of a curve at each of its points, each the middle one of those beside it. */
function deviations(curve: ClosedCurve, other: ClosedCurve, sign: 1 | -1): { smooth: Deviation[]; rough: number[] } {
  const raw = curve.map((point): Deviation => {
    const { at, distance: far } = nearest(point, other);
    return { by: (encloses(other, point) ? -1 : 1) * sign * far, at: point, beside: at };
  });
  const reach = Math.max(1, Math.round((ALONG * curve.length) / 2));
  const smooth = raw.map((each, i) => {
    const around = Array.from({ length: 2 * reach + 1 }, (_, k) => {
      const { by } = raw[(i + k - reach + raw.length) % raw.length] as Deviation;
      return by;
    }).sort((a, b) => a - b);
    return { ...each, by: around[reach] as number };
  });
  return { smooth, rough: raw.map(({ by }, i) => Math.abs(by - (smooth[i] as Deviation).by)) };
}

/** From the middle of absolute deviations to a standard deviation. */
const SD_OF_MAD = 1.4826;

/** How a closed curve, laid on another, differs from it. */
export interface CurveDifference {
  /** Where it reaches furthest beyond the other, and where it lacks most. */
  beyond: Deviation;
  lacks: Deviation;
  /** How far the two lie apart all along: standard deviation. */
  scatter: number;
  /** How unevenly, from one place to the next: what tracing alone leaves open. */
  rough: number;
}

/** Where two curves that lie on each other differ most: seen from either, as a thin part that is missing is seen from one alone. */
export function difference(curve: ClosedCurve, other: ClosedCurve): CurveDifference {
  const [forth, back] = [deviations(curve, other, 1), deviations(other, curve, -1)];
  const turned = back.smooth.map(({ at, beside, by }): Deviation => ({ by, at: beside, beside: at }));
  const all = [...forth.smooth, ...turned].sort((a, b) => a.by - b.by);
  const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;
  const centre = middle(all.map(({ by }) => by));
  return {
    beyond: all.at(-1) as Deviation,
    lacks: all[0] as Deviation,
    scatter: SD_OF_MAD * middle(all.map(({ by }) => Math.abs(by - centre))),
    rough: SD_OF_MAD * middle([...forth.rough, ...back.rough]),
  };
}
