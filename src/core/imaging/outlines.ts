import { areaOf, middleOf, type Point, type Quad, within } from '../measure/homography';
import { connectedPieces } from './connectedPieces';
import { type Grey, histogram, quantile, shrunk } from './grey';

/** Labels are looked for in a picture of about this width. */
const SEARCH_WIDTH = 420;
const LEAST_AREA = 0.012;
const MOST_AREA = 0.97;
/** Shares of the pixels at which light is told from dark. */
const CUTS = [0.3, 0.45, 0.6, 0.72, 0.82, 0.9];

interface Outline {
  quad: Quad;
  area: number;
  /** Pixels of print within. */
  ink: number;
  /** Share of its sides along which it is lighter within than without. */
  support: number;
}

/** Connected pieces that are lighter than a level: the pixels at their edges. */
function lightPieces({ width, height, data }: Grey, level: number): { edge: Point[]; area: number }[] {
  const light = (at: number) => (data[at] as number) > level;
  return connectedPieces({ width, height }, light).map((piece) => ({
    area: piece.length,
    edge: piece.flatMap((at) => {
      const [x, y] = [at % width, Math.floor(at / width)];
      const outer = x === 0 || y === 0 || x === width - 1 || y === height - 1;
      const inner = !outer && light(at - 1) && light(at + 1) && light(at - width) && light(at + width);
      return inner ? [] : [{ x, y }];
    }),
  }));
}

/** The corners of a rubber band around points, clockwise (Andrew's monotone chain). */
function hullOf(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const chain = (given: Point[]): Point[] => {
    const out: Point[] = [];
    for (const point of given) {
      while (out.length >= 2) {
        const [a, b] = [out[out.length - 2] as Point, out[out.length - 1] as Point];
        if ((b.x - a.x) * (point.y - a.y) - (b.y - a.y) * (point.x - a.x) > 0) break;
        out.pop();
      }
      out.push(point);
    }
    return out.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}

/** Where two lines meet, each through two points; null where they run side by side. */
function meeting(a: Point, b: Point, c: Point, d: Point): Point | null {
  const cross = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (Math.abs(cross) < 1e-9) return null;
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / cross;
  return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
}

/** The four-sided figure around a hull: the side that adds least when its neighbours are drawn out goes first. */
function quadAround(hull: Point[]): Quad | null {
  let corners = hull;
  while (corners.length > 4) {
    let best: { i: number; point: Point; added: number } | null = null;
    const at = (i: number) => corners[(i + corners.length) % corners.length] as Point;
    for (let i = 0; i < corners.length; i++) {
      const point = meeting(at(i - 1), at(i), at(i + 2), at(i + 1));
      if (!point) continue;
      const added = areaOf([at(i), point, at(i + 1)]);
      // Lines that meet on the inner side do not close the figure.
      if (added >= 0 && (!best || added < best.added)) best = { i, point, added };
    }
    if (!best) return null;
    const { i, point } = best;
    const last = i === corners.length - 1;
    corners = last ? [point, ...corners.slice(1, -1)] : [...corners.slice(0, i), point, ...corners.slice(i + 2)];
  }
  return corners.length === 4 ? (corners as Quad) : null;
}

/** From the corner that lies most to the upper left on. */
function fromUpperLeft(quad: Quad): Quad {
  const first = quad.reduce(
    (best, { x, y }, i) => (x + y < (quad[best] as Point).x + (quad[best] as Point).y ? i : best),
    0,
  );
  return [...quad.slice(first), ...quad.slice(0, first)] as Quad;
}

/** Where brightness jumps within a few pixels: print, bars, edges. */
function inkOf({ width, height, data }: Grey): Uint8Array {
  const ink = new Uint8Array(width * height);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const p = y * width + x;
      const around =
        ((data[p - 1] as number) +
          (data[p + 1] as number) +
          (data[p - width] as number) +
          (data[p + width] as number)) /
        4;
      if (around - (data[p] as number) > 9) ink[p] = 1;
    }
  }
  return ink;
}

/** A figure drawn towards its middle, so that its own edge is no print within it. */
const drawnIn = (quad: Quad, share: number): Point[] => {
  const { x, y } = middleOf(quad);
  return quad.map((corner) => ({ x: corner.x + (x - corner.x) * share, y: corner.y + (y - corner.y) * share }));
};

function inkWithin(ink: Uint8Array, { width, height }: Grey, quad: Quad): number {
  const inner = drawnIn(quad, 0.06);
  const [top, bottom] = [Math.min(...inner.map(({ y }) => y)), Math.max(...inner.map(({ y }) => y))];
  let count = 0;
  for (let y = Math.max(0, Math.floor(top)); y <= Math.min(height - 1, bottom); y++)
    for (let x = 0; x < width; x++) if (ink[y * width + x] === 1 && within(inner, { x, y })) count += 1;
  return count;
}

/** A side is seen where brightness falls by so many levels from within to without. */
const LEAST_DROP = 9;
const LEAST_SUPPORT = 0.72;
const SAMPLES = 48;

/** The share of the weakest side along which brightness falls from within to without. */
function supportOf({ width, height, data }: Grey, quad: Quad): number {
  const at = (x: number, y: number): number | null => {
    const [column, row] = [Math.round(x), Math.round(y)];
    return column < 0 || row < 0 || column >= width || row >= height ? null : (data[row * width + column] as number);
  };
  const sides = quad.map((from, i) => {
    const to = quad[(i + 1) % 4] as Point;
    const length = Math.hypot(to.x - from.x, to.y - from.y);
    // Clockwise with y downwards: what lies to the right of the way is within.
    const [nx, ny] = [-(to.y - from.y) / length, (to.x - from.x) / length];
    let seen = 0;
    for (let k = 0; k < SAMPLES; k++) {
      const t = 0.06 + (0.88 * (k + 0.5)) / SAMPLES;
      const [x, y] = [from.x + t * (to.x - from.x), from.y + t * (to.y - from.y)];
      const [inner, outer] = [at(x + 1.5 * nx, y + 1.5 * ny), at(x - 2.5 * nx, y - 2.5 * ny)];
      if (inner !== null && outer !== null && inner - outer > LEAST_DROP) seen += 1;
    }
    return seen / SAMPLES;
  });
  return Math.min(...sides);
}

const same = (a: Outline, b: Outline): boolean => {
  const [m, n] = [middleOf(a.quad), middleOf(b.quad)];
  return (
    Math.abs(a.area - b.area) < 0.2 * Math.max(a.area, b.area) &&
    Math.hypot(m.x - n.x, m.y - n.y) < 0.06 * Math.sqrt(a.area)
  );
};

/** Of figures in each other those that hold the print: the outer one, or the inner ones where they hold most of it. */
function holders(outlines: Outline[]): Outline[] {
  const sorted = [...outlines].sort((a, b) => b.area - a.area);
  const inside = (outer: Outline, inner: Outline) =>
    inner !== outer && inner.area < outer.area && within(outer.quad, middleOf(inner.quad));
  const chosen: Outline[] = [];
  const walk = (given: Outline[]): void => {
    const [outer] = given;
    if (!outer) return;
    const inner = given.filter((each) => inside(outer, each));
    const rest = given.filter((each) => each !== outer && !inner.includes(each));
    const roots = inner.filter((each) => !inner.some((other) => inside(other, each)));
    const held = roots.reduce((sum, { ink }) => sum + ink, 0);
    if (held >= 0.6 * outer.ink) walk(inner);
    else chosen.push(outer);
    walk(rest);
  };
  walk(sorted);
  return chosen;
}

/**
 * The labels in a picture, by their outlines: light four-sided pieces with print on them.
 *
 * @returns their corners in px, clockwise from the one most to the upper left, the largest first; none where no edge is seen
 */
export function labelOutlines(grey: Grey): Quad[] {
  const by = Math.max(1, Math.round(Math.max(grey.width, grey.height) / SEARCH_WIDTH));
  const small = shrunk(grey, by);
  const ink = inkOf(small);
  const counts = histogram(small);
  const all = small.width * small.height;
  const outlines: Outline[] = [];
  for (const level of new Set(CUTS.map((share) => quantile(counts, share)))) {
    for (const { edge, area } of lightPieces(small, level)) {
      if (area < LEAST_AREA * all) continue;
      const hull = hullOf(edge);
      const quad = quadAround(hull);
      if (!quad) continue;
      const whole = areaOf(quad);
      const fits = areaOf(hull) / whole;
      if (whole > MOST_AREA * all || fits < 0.76 || area / whole < 0.45) continue;
      const support = supportOf(small, quad);
      if (support < LEAST_SUPPORT) continue;
      const found: Outline = { quad: fromUpperLeft(quad), area: whole, ink: inkWithin(ink, small, quad), support };
      if (found.ink < 0.004 * whole) continue;
      const twin = outlines.findIndex((each) => same(each, found));
      if (twin < 0) outlines.push(found);
      else if ((outlines[twin] as Outline).support < support) outlines[twin] = found;
    }
  }
  return holders(outlines)
    .sort((a, b) => b.area - a.area)
    .map(({ quad }) => quad.map(({ x, y }) => ({ x: (x + 0.5) * by, y: (y + 0.5) * by })) as Quad);
}
