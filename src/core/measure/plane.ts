import {
  type Homography,
  homographyOf,
  homographyThrough,
  inverseOf,
  mapped,
  type Point,
  type Quad,
  rectangle,
} from './homography';
import { propagated, type Result, type Uncertain } from './propagate';

/** A point of a picture, in px, with the standard uncertainty of either coordinate. */
export interface Sighted extends Point {
  sd: number;
}

/** What in a picture says how large things are in it. */
export type Scale =
  | {
      by: 'benchCard';
      /** The size of card. */
      card: string;
      seen: Sighted[];
      /** The same points on the card, in mm. */
      mm: Point[];
    }
  | {
      by: 'rectangle';
      /** Clockwise from its upper left. */
      corners: [Sighted, Sighted, Sighted, Sighted];
      width: number;
      height: number;
    }
  | { by: 'length'; ends: [Sighted, Sighted]; mm: number };

interface Size {
  width: number;
  height: number;
}

/** How the plane of a picture lies, and in which unit it is measured. */
export interface Plane {
  /** Of the picture, in px. */
  size: Size;
  unit: 'mm' | 'px';
  inputs: Uncertain[];
  /** The map from the picture to the plane for some values of the inputs; null where there is none. */
  map(values: number[]): Homography | null;
}

/** What a printer makes of a mm: 0.1 mm on 100 mm is what a ruler held beside it shows. */
const PRINTED_SD = 0.001;
/** How far a camera held by hand is off the upright view, about either axis, in degrees. */
const TILT_SD = 7;
/** Focal length of a phone, as a share of the picture's longer side. */
const FOCAL = 1;

/** `ID-1`, the size of a bank card (ISO/IEC 7810), in mm. */
export const ID_1 = { width: 85.6, height: 53.98 };

const coordinates = (points: Sighted[]): Uncertain[] =>
  points.flatMap(({ x, y, sd }) => [
    { value: x, sd },
    { value: y, sd },
  ]);

/** Coordinates as points again. */
export const pointsOf = (values: number[]): Point[] =>
  Array.from({ length: values.length >> 1 }, (_, i) => ({
    x: values[2 * i] as number,
    y: values[2 * i + 1] as number,
  }));

/** What a tilt of the camera about the picture's two axes makes of a plane; lengths at the middle stay as they are. */
function untilted(about: Point, focal: number, tiltX: number, tiltY: number): Homography {
  const [sx, cx] = [Math.sin(tiltX), Math.cos(tiltX)];
  const [sy, cy] = [Math.sin(tiltY), Math.cos(tiltY)];
  // Axes of the plane, and its upright, as the camera sees them.
  const rows = [
    [cy, 0, -sy],
    [sx * sy, cx, sx * cy],
    [sy * cx, -sx, cx * cy],
  ] as const;
  const [right, down, up] = rows;
  const row = ([a, b, c]: readonly [number, number, number], by: number): [number, number, number] => [
    (a * by) / focal,
    (b * by) / focal,
    c * by - ((a * about.x + b * about.y) * by) / focal,
  ];
  return [...row(right, focal * up[2]), ...row(down, focal * up[2]), ...row(up, 1)] as Homography;
}

const TILTS: Uncertain[] = [0, 0].map((value) => ({ value, sd: (TILT_SD * Math.PI) / 180 }));

/**
 * The plane of a picture in which something tells its scale. A single known length says nothing of the tilt, which then
 * stays uncertain by what a hand makes of it.
 *
 * @param scale null: nothing does, and what is measured are px
 * @param size of the picture
 */
export function planeOf(scale: Scale | null, size: Size): Plane {
  const middle = { x: size.width / 2, y: size.height / 2 };
  const focal = FOCAL * Math.max(size.width, size.height);
  if (!scale)
    return {
      size,
      unit: 'px',
      inputs: TILTS,
      map: ([tiltX = 0, tiltY = 0]) => untilted(middle, focal, tiltX, tiltY),
    };
  if (scale.by === 'length')
    return {
      size,
      unit: 'mm',
      inputs: [...TILTS, ...coordinates(scale.ends)],
      map: ([tiltX = 0, tiltY = 0, ...ends]) => {
        const [a, b, c, d, e, f, ...last] = untilted(middle, focal, tiltX, tiltY);
        const [from, to] = pointsOf(ends).map((end) => mapped([a, b, c, d, e, f, ...last], end)) as [Point, Point];
        const by = scale.mm / Math.hypot(to.x - from.x, to.y - from.y);
        return Number.isFinite(by) ? [a * by, b * by, c * by, d * by, e * by, f * by, ...last] : null;
      },
    };
  if (scale.by === 'rectangle') {
    const there = rectangle(0, 0, scale.width, scale.height);
    return {
      size,
      unit: 'mm',
      inputs: coordinates(scale.corners),
      map: (values) => homographyOf(pointsOf(values) as Quad, there),
    };
  }
  return {
    size,
    unit: 'mm',
    inputs: [{ value: 1, sd: PRINTED_SD }, ...coordinates(scale.seen)],
    map: ([printed = 1, ...seen]) =>
      homographyThrough(
        pointsOf(seen),
        scale.mm.map(({ x, y }) => ({ x: x * printed, y: y * printed })),
      ),
  };
}

/** How far what is measured stands over or under the plane of the scale, where nobody says otherwise, in mm. */
const FLAT_SD = 0.3;
/** Nearer than this nobody photographs, in mm; how far it is where no scale tells. */
const LENS_OVER = 450;

/**
 * Where the lens stands over a plane, from how the plane is seen (Zhang 2000, 3.1), in its unit; null where the map is none
 * of a plane.
 */
function lensOver(map: Homography, { width, height }: Size): { x: number; y: number; z: number } | null {
  const focal = FOCAL * Math.max(width, height);
  const [a, b, c, d, e, f, g, h, i] = inverseOf(map);
  const [cx, cy] = [width / 2, height / 2];
  const column = (x: number, y: number, w: number) => [(x - cx * w) / focal, (y - cy * w) / focal, w] as const;
  const [right, down, origin] = [column(a, d, g), column(b, e, h), column(c, f, i)];
  const scale = 2 / (Math.hypot(...right) + Math.hypot(...down));
  const dot = (p: readonly number[], q: readonly number[]) =>
    p.reduce((sum, each, k) => sum + each * (q[k] as number), 0) * scale * scale;
  const up = [
    right[1] * down[2] - right[2] * down[1],
    right[2] * down[0] - right[0] * down[2],
    right[0] * down[1] - right[1] * down[0],
  ].map((each) => each * scale);
  const lens = { x: -dot(right, origin), y: -dot(down, origin), z: Math.abs(dot(up, origin)) };
  return Number.isFinite(lens.z) && lens.z > 0 ? lens : null;
}

/** How a point moves on the plane when what is seen there stands higher by one unit. */
const leaning = ({ x, y }: Point, lens: { x: number; y: number; z: number }): Point => ({
  x: (x - lens.x) / lens.z,
  y: (y - lens.y) / lens.z,
});

/** A result, and by how much it is off for each mm that what was measured stands over the plane of the scale. */
export interface PlaneResult extends Result {
  perMmHigher: number;
}

/**
 * Compute something from points of a picture as they lie in its plane, with the uncertainty of the plane, of the points, and
 * of how flat things lie.
 *
 * @param compute from the points in the unit of the plane
 */
export function measuredIn(plane: Plane, points: Sighted[], compute: (points: Point[]) => number): PlaneResult | null {
  const own = plane.inputs.length;
  const map = mostLikely(plane);
  const lens = map && lensOver(map, plane.size);
  if (!lens) return null;
  const mm = plane.unit === 'mm' ? 1 : lens.z / LENS_OVER;
  const heights = points.map((): Uncertain => ({ value: 0, sd: FLAT_SD * mm }));
  const at = (values: number[]): number => {
    const map = plane.map(values.slice(0, own));
    if (!map) return Number.NaN;
    const high = values.slice(own + 2 * points.length);
    return compute(
      pointsOf(values.slice(own, own + 2 * points.length)).map((point, i) => {
        const flat = mapped(map, point);
        const lean = leaning(flat, lens);
        const z = high[i] as number;
        return { x: flat.x - z * lean.x, y: flat.y - z * lean.y };
      }),
    );
  };
  const inputs = [...plane.inputs, ...coordinates(points), ...heights];
  const found = propagated(inputs, at);
  if (!found) return null;
  const level = inputs.map(({ value }) => value);
  const higher = at([...level.slice(0, own + 2 * points.length), ...points.map(() => mm)]);
  return { ...found, perMmHigher: found.value - higher };
}

/** The map from the picture to its plane as it most likely is. */
export const mostLikely = (plane: Plane): Homography | null => plane.map(plane.inputs.map(({ value }) => value));
