import { edgeNear } from '../imaging/edge';
import type { FoundCard } from '../imaging/findBenchCard';
import type { Picture } from '../imaging/grey';
import type { Point } from '../measure/homography';
import type { Plane, Sighted } from '../measure/plane';
import type { Result } from '../measure/propagate';

/** A figure that an instrument tells beside the one that was asked. */
export interface Beside {
  name: string;
  value: number;
  unit: string;
}

/** What an instrument says of the points that it was given. */
export interface Reading extends Result {
  unit: string;
  /** The points as they came to lie on edges, in px. */
  points: Sighted[];
  beside: Beside[];
  /** By how much it is too large for each mm that what was measured stands over the plane of the scale. */
  perMmHigher?: number;
  /** What has to be known of it: an edge that was not seen, places that were left out. */
  remarks: string[];
  /** The colours that were compared, in CIE L*a*b*. */
  colours?: { l: number; a: number; b: number }[];
}

/** No reading, and why. */
export interface NoReading {
  problem: string;
}

/** Something for which points are marked on pictures. */
export interface Marks {
  id: string;
  /** As one would ask for it. */
  name: string;
  key: string;
  /** What each of its points is, in words. */
  points: string[];
  /** Where lines are drawn between its points, by their places in the list. */
  lines: [from: number, to: number][];
  /** Where boxes are drawn between its points. */
  areas?: [from: number, to: number][];
}

/** Something that is measured on a picture. */
export interface Instrument extends Marks {
  /**
   * @param points in px, one for each of `points`
   * @param card that lies in the picture
   */
  read(picture: Picture, plane: Plane, points: Point[], card?: FoundCard | null): Reading | NoReading;
}

/** How exactly a hand places a point where no edge is seen, in px. */
export const BY_HAND_SD = 1.5;

/** So far from where it was placed an edge is taken for the one that was meant, in px. */
const REACH = 14;

/** A point on the edge that a way crosses there, or where the hand placed it. */
export function onEdge(
  picture: Picture,
  at: Point,
  towards: Point,
  name: string,
  { breadth, reach = REACH }: { breadth?: number; reach?: number } = {},
): { point: Sighted; remarks: string[] } {
  const edge = edgeNear(picture, at, towards, { breadth, reach });
  if (edge) return { point: edge, remarks: edge.aslant ? [`“${name}” is a tip, or slants`] : [] };
  return { point: { ...at, sd: BY_HAND_SD }, remarks: [`no edge is seen at “${name}”: it stands as it was placed`] };
}

/** Why points cannot be measured in a picture, or null. */
export function pointsProblem({ width, height }: Picture, points: Point[]): string | null {
  const out = points.some(({ x, y }) => x < 0 || y < 0 || x > width - 1 || y > height - 1);
  return out ? 'A point lies outside the picture.' : null;
}

/** There is no place of the plane for some of the points. */
export const BEYOND_SCALE: NoReading = { problem: 'The scale of the picture does not reach there.' };

export const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);
