import { EDGE_SD, edgeNear } from '../imaging/edge';
import type { Picture } from '../imaging/grey';
import type { Point } from '../measure/homography';
import { mapped } from '../measure/homography';
import { measuredIn, mostLikely, type Sighted } from '../measure/plane';
import { BEYOND_SCALE, type Instrument } from './instrument';

interface Circle extends Point {
  radius: number;
}

/** The circle through three points; null where they lie on a line. */
function through(a: Point, b: Point, c: Point): Circle | null {
  const d = 2 * ((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
  if (Math.abs(d) < 1e-6) return null;
  const [p, q] = [(b.x - a.x) ** 2 + (b.y - a.y) ** 2, (c.x - a.x) ** 2 + (c.y - a.y) ** 2];
  const [x, y] = [((c.y - a.y) * p - (b.y - a.y) * q) / d, ((b.x - a.x) * q - (c.x - a.x) * p) / d];
  return { x: a.x + x, y: a.y + y, radius: Math.hypot(x, y) };
}

/** The circle that points lie nearest to (Gauss and Newton's steps from a first guess). */
function nearest(points: Point[], first: Circle): Circle {
  let circle = first;
  for (let step = 0; step < 8; step++) {
    const sums = [0, 0, 0, 0, 0, 0, 0, 0, 0];
    for (const { x, y } of points) {
      const away = Math.hypot(x - circle.x, y - circle.y);
      const [u, v] = [(x - circle.x) / away, (y - circle.y) / away];
      const off = away - circle.radius;
      for (const [i, each] of [u * u, u * v, u, v * v, v, 1, u * off, v * off, off].entries())
        sums[i] = (sums[i] as number) + each;
    }
    const [uu, uv, u1, vv, v1, n, ub, vb, b] = sums as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    // Cramer's rule for the three corrections.
    const det = uu * (vv * n - v1 * v1) - uv * (uv * n - v1 * u1) + u1 * (uv * v1 - vv * u1);
    if (Math.abs(det) < 1e-12) break;
    const dx = (ub * (vv * n - v1 * v1) - uv * (vb * n - v1 * b) + u1 * (vb * v1 - vv * b)) / det;
    const dy = (uu * (vb * n - v1 * b) - ub * (uv * n - v1 * u1) + u1 * (uv * b - vb * u1)) / det;
    const dr = (uu * (vv * b - vb * v1) - uv * (uv * b - vb * u1) + ub * (uv * v1 - vv * u1)) / det;
    circle = { x: circle.x + dx, y: circle.y + dy, radius: circle.radius + dr };
  }
  return circle;
}

const PLACES = 48;
/** Degrees of an arc under which its radius is a guess. */
const LEAST_SPAN = 25;

const towards = ({ x, y }: Point, to: Point): number => Math.atan2(to.y - y, to.x - x);

/** The angle from one point of a circle to another on the way over a third, in radians; negative anticlockwise. */
function spanOf(circle: Circle, from: Point, over: Point, to: Point): number {
  const past = (point: Point) => (towards(circle, point) - towards(circle, from) + 4 * Math.PI) % (2 * Math.PI);
  return past(over) < past(to) ? past(to) : past(to) - 2 * Math.PI;
}

/** The edges that an arc follows, in px. */
function edgesAlong(picture: Picture, circle: Circle, from: Point, span: number): Sighted[] {
  const begin = towards(circle, from);
  const reach = Math.max(3, Math.min(12, Math.round(0.25 * circle.radius)));
  return Array.from({ length: PLACES }, (_, k) => {
    const at = begin + (span * (k + 0.5)) / PLACES;
    const out = { x: Math.cos(at), y: Math.sin(at) };
    const place = { x: circle.x + circle.radius * out.x, y: circle.y + circle.radius * out.y };
    return edgeNear(picture, place, out, { reach, breadth: 3 });
  }).filter((edge) => edge !== null);
}

/** A circle brought nearer to the edges along it; null where there are none. */
function refined(picture: Picture, guess: Circle, from: Point, span: number): Circle | null {
  const edges = edgesAlong(picture, guess, from, span);
  if (edges.length < PLACES / 3) return null;
  const off = ({ x, y }: Point) => Math.abs(Math.hypot(x - guess.x, y - guess.y) - guess.radius);
  const usual = edges.map(off).sort((a, b) => a - b)[edges.length >> 1] as number;
  const found = nearest(
    edges.filter((edge) => off(edge) <= 2 * Math.max(1, usual)),
    guess,
  );
  // What runs away from where it was marked is another edge.
  const near = found.radius > 0.5 * guess.radius && found.radius < 2 * guess.radius;
  return near ? found : guess;
}

/** How round a corner, a peak or an edge is: the radius of the arc that its edge follows. */
export const arc: Instrument = {
  id: 'arc',
  name: 'Roundness',
  key: '5',
  points: ['arc begins', 'on the arc', 'arc ends'],
  lines: [],
  read: (picture, plane, points) => {
    const [a, b, c] = points as [Point, Point, Point];
    const guess = through(a, b, c);
    if (!guess) return { problem: 'The three points lie on a straight line: nothing is round there.' };
    const span = spanOf(guess, a, b, c);
    const degrees = (Math.abs(span) * 180) / Math.PI;
    if (degrees < LEAST_SPAN) return { problem: `The arc spans ${Math.round(degrees)} degrees; mark more of it.` };
    // Once more along what was found: three points placed by hand are only about a circle.
    const about = refined(picture, guess, a, span);
    const seen = about ? edgesAlong(picture, about, a, span) : [];
    if (seen.length < PLACES / 3) return { problem: 'No edge is seen along the arc. Mark it closer to the edge.' };
    const radiusOf = (on: Point[]): number => {
      const start = through(on[0] as Point, on[on.length >> 1] as Point, on[on.length - 1] as Point);
      return start ? nearest(on, start).radius : Number.NaN;
    };
    // Edges that stray from the arc as they lie flat are left out, once.
    const map = mostLikely(plane);
    if (!map) return BEYOND_SCALE;
    const flat = seen.map((each) => mapped(map, each));
    const start = through(flat[0] as Point, flat[flat.length >> 1] as Point, flat[flat.length - 1] as Point);
    if (!start) return { problem: 'The edge along the arc is straight.' };
    const whole = nearest(flat, start);
    const off = flat.map(({ x, y }) => Math.abs(Math.hypot(x - whole.x, y - whole.y) - whole.radius));
    const usual = [...off].sort((p, q) => p - q)[off.length >> 1] as number;
    const kept = seen.filter((_, i) => (off[i] as number) <= Math.max(1e-9, 3.5 * usual));
    const strays = Math.sqrt(
      off.filter((each) => each <= 3.5 * usual).reduce((sum, each) => sum + each ** 2, 0) / kept.length,
    );
    const perPx = distanceScale(flat, seen);
    const sighted = kept.map((each) => ({ ...each, sd: Math.max(each.sd, strays / perPx) }));
    const quarter = kept.length >> 2;
    const parts = [kept.slice(quarter), kept.slice(0, kept.length - quarter)].map((part) =>
      radiusOf(part.map((each) => mapped(map, each))),
    ) as [number, number];
    const partsApart = Math.abs(parts[0] - parts[1]) / 2;
    const found = measuredIn(plane, sighted, radiusOf);
    if (!found || !Number.isFinite(partsApart)) return { problem: 'The edge along the arc is straight.' };
    return {
      ...found,
      // What draws an edge to one side draws all of the arc; and where it goes over into something straight, a part of it
      // tells another radius than the whole.
      uncertainty: Math.hypot(found.uncertainty, EDGE_SD * perPx, partsApart),
      unit: plane.unit,
      points: points.map((point) => ({ ...point, sd: 0 })),
      beside: [{ name: 'its diameter', value: 2 * found.value, unit: plane.unit }],
      remarks: kept.length < seen.length ? [`${seen.length - kept.length} places off the arc were left out`] : [],
    };
  },
};

/** What a px is in the unit of the plane, about. */
function distanceScale(flat: Point[], seen: Point[]): number {
  const [a, b] = [0, flat.length - 1];
  const apart = (points: Point[]) =>
    Math.hypot((points[b] as Point).x - (points[a] as Point).x, (points[b] as Point).y - (points[a] as Point).y);
  return apart(flat) / apart(seen);
}
