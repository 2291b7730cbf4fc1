import type { Picture } from '../imaging/grey';
import type { Point } from '../measure/homography';
import { measuredIn, type Sighted } from '../measure/plane';
import { BEYOND_SCALE, distance, type Instrument, onEdge } from './instrument';

/** How far along a line a point lies, as a share of it. */
function shareAlong([from, to, at]: Point[]): number {
  const [a, b, p] = [from as Point, to as Point, at as Point];
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  return (100 * ((p.x - a.x) * dx + (p.y - a.y) * dy)) / (dx * dx + dy * dy);
}

const TOO_SHORT = 'The panel is too small in the picture. Go nearer, or mark its ends further apart.';

/** Points on the edges that the line through the first two crosses there; null where these two lie on each other. */
function placedAlong(
  picture: Picture,
  points: Point[],
  names: string[],
): { sighted: Sighted[]; remarks: string[] } | null {
  const [from, to] = points as [Point, Point];
  if (distance(from, to) < 20) return null;
  const towards = { x: to.x - from.x, y: to.y - from.y };
  const placed = points.map((at, i) => onEdge(picture, at, towards, names[i] as string));
  return { sighted: placed.map(({ point }) => point), remarks: placed.flatMap(({ remarks }) => remarks) };
}

/** Where something begins along a panel, as a share of the panel. */
export const position: Instrument = {
  id: 'position',
  name: 'Position',
  key: '2',
  points: ['panel begins', 'panel ends', 'edge of what lies in it'],
  lines: [[0, 1]],
  read: (picture, plane, points) => {
    const placed = placedAlong(picture, points, position.points);
    if (!placed) return { problem: TOO_SHORT };
    const { sighted, remarks } = placed;
    const found = measuredIn(plane, sighted, shareAlong);
    if (!found) return BEYOND_SCALE;
    return { ...found, unit: '%', points: sighted, beside: [], remarks };
  },
};

/** How large a part is of the whole, measured along one line. */
export const share: Instrument = {
  id: 'share',
  name: 'Share',
  key: '3',
  points: ['whole begins', 'whole ends', 'part begins', 'part ends'],
  lines: [
    [0, 1],
    [2, 3],
  ],
  read: (picture, plane, points) => {
    const placed = placedAlong(picture, points, share.points);
    if (!placed) return { problem: TOO_SHORT };
    const { sighted, remarks } = placed;
    const part = measuredIn(plane, sighted, ([a, b, c, d]) => {
      const [whole, own] = [distance(a as Point, b as Point), distance(c as Point, d as Point)];
      return (100 * own) / whole;
    });
    const middle = measuredIn(plane, sighted, ([a, b, c, d]) =>
      shareAlong([
        a as Point,
        b as Point,
        { x: ((c as Point).x + (d as Point).x) / 2, y: ((c as Point).y + (d as Point).y) / 2 },
      ]),
    );
    if (!part || !middle) return BEYOND_SCALE;
    return {
      ...part,
      unit: '%',
      points: sighted,
      beside: [{ name: 'its middle lies at', value: middle.value, unit: '%' }],
      remarks,
    };
  },
};
