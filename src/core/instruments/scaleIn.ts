import type { KeptScale, Spot } from '../casefile/events/photoScaled';
import { cornersOf } from '../imaging/cornersOf';
import type { CardSearch } from '../imaging/findBenchCard';
import type { Picture } from '../imaging/grey';
import { areaOf, type Point, type Quad } from '../measure/homography';
import { measuredIn, type Plane, planeOf, type Scale, type Sighted } from '../measure/plane';
import { BY_HAND_SD, distance, onEdge } from './instrument';

type Size = Pick<Picture, 'width' | 'height'>;

/** Points of a picture as they are kept, and back. */
export const spotsOf = (points: Point[], { width, height }: Size): Spot[] =>
  points.map(({ x, y }) => ({ x: x / width, y: y / height }));
export const pointsAt = (spots: Spot[], { width, height }: Size): Point[] =>
  spots.map(({ x, y }) => ({ x: x * width, y: y * height }));

export type ScaleReading =
  | { scale: Scale; remarks: string[]; problem?: undefined }
  | { scale?: undefined; problem: string };

/**
 * What a kept scale comes to in its picture: marks that a hand placed come to lie on the edges that they stand for.
 *
 * @param card the search for a bench card in it
 */
export function scaleIn(picture: Picture, kept: KeptScale, card: CardSearch | null): ScaleReading {
  if (kept.by === 'benchCard') {
    if (!card?.found) return { problem: card?.problem ?? 'No bench card is seen.' };
    return { scale: card.found.scale, remarks: [] };
  }
  if (kept.by === 'length') {
    const [from, to] = pointsAt(kept.ends, picture) as [Point, Point];
    if (!from || !to || distance(from, to) < 20)
      return { problem: 'The two marks lie too near to each other for a scale.' };
    const towards = { x: to.x - from.x, y: to.y - from.y };
    const ends = [
      onEdge(picture, from, towards, 'one mark', { breadth: 5 }),
      onEdge(picture, to, towards, 'other mark', { breadth: 5 }),
    ];
    return {
      scale: { by: 'length', ends: ends.map(({ point }) => point) as [Sighted, Sighted], mm: kept.mm },
      remarks: ['a single length says nothing of how the camera was tilted', ...ends.flatMap(({ remarks }) => remarks)],
    };
  }
  const placed = pointsAt(kept.corners, picture) as Quad;
  if (placed.length !== 4 || areaOf(placed) < 400)
    return { problem: 'The four corners enclose nothing. Mark them clockwise, from the upper left.' };
  const seen = cornersOf(picture, placed, {
    reach: Math.max(4, Math.min(14, Math.round(0.04 * Math.sqrt(areaOf(placed))))),
  });
  const corners =
    seen ?? (placed.map((corner) => ({ ...corner, sd: BY_HAND_SD })) as [Sighted, Sighted, Sighted, Sighted]);
  return {
    scale: { by: 'rectangle', corners, width: kept.width, height: kept.height },
    remarks: seen ? [] : ['its sides are not seen as edges: the corners stand as they were placed'],
  };
}

/** How many px a mm, or a px, has in the middle of a plane; NaN where the plane does not reach there. */
export function perUnit(plane: Plane): number {
  const { width, height } = plane.size;
  const point = (x: number): Sighted => ({ x, y: height / 2, sd: 0 });
  const across = measuredIn(plane, [point(width / 2 - 50), point(width / 2 + 50)], ([a, b]) =>
    distance(a as Point, b as Point),
  );
  return across ? 100 / across.value : Number.NaN;
}

/** The plane of a picture by what was said of it; that of px where nothing tells its scale. */
export function planeIn(
  picture: Picture,
  kept: KeptScale | null,
  card: CardSearch | null,
): { plane: Plane; remarks: string[] } | { problem: string } {
  if (!kept) return { plane: planeOf(null, picture), remarks: [] };
  const read = scaleIn(picture, kept, card);
  return read.problem === undefined ? { plane: planeOf(read.scale, picture), remarks: read.remarks } : read;
}
