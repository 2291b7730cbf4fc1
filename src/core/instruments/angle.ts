import { edgeLine } from '../imaging/edgeLine';
import type { Picture } from '../imaging/grey';
import type { Point } from '../measure/homography';
import { measuredIn, type Sighted } from '../measure/plane';
import { BEYOND_SCALE, BY_HAND_SD, distance, type Instrument } from './instrument';

/** The straight edge between two points, or the line as it was drawn. */
function along(picture: Picture, from: Point, to: Point, name: string): { ends: Sighted[]; remarks: string[] } {
  const reach = Math.max(3, Math.min(12, Math.round(0.1 * distance(from, to))));
  const line = edgeLine(picture, from, to, { reach });
  if (line) return { ends: line.ends, remarks: [] };
  return {
    ends: [from, to].map((end) => ({ ...end, sd: BY_HAND_SD })),
    remarks: [`no straight edge is seen along ${name}: it lies as it was drawn`],
  };
}

/** Between the directions of two ways, 0 to 180 degrees. */
function between([a, b, c, d]: Point[]): number {
  const [p, q, r, s] = [a as Point, b as Point, c as Point, d as Point];
  const [ux, uy, vx, vy] = [q.x - p.x, q.y - p.y, s.x - r.x, s.y - r.y];
  return (Math.atan2(Math.abs(ux * vy - uy * vx), ux * vx + uy * vy) * 180) / Math.PI;
}

/** The angle of two lines: squareness, tilt, whether they converge. */
export const angle: Instrument = {
  id: 'angle',
  name: 'Angle',
  key: '4',
  points: ['first line begins', 'first line ends', 'second line begins', 'second line ends'],
  lines: [
    [0, 1],
    [2, 3],
  ],
  read: (picture, plane, points) => {
    const [a, b, c, d] = points as [Point, Point, Point, Point];
    if (Math.min(distance(a, b), distance(c, d)) < 12)
      return { problem: 'A line is too short for an angle. Draw it longer, or go nearer with the camera.' };
    const [first, second] = [along(picture, a, b, 'the first line'), along(picture, c, d, 'the second line')];
    const sighted = [...first.ends, ...second.ends];
    const found = measuredIn(plane, sighted, between);
    if (!found) return BEYOND_SCALE;
    return {
      ...found,
      unit: '°',
      points: sighted,
      beside: [{ name: 'off square by', value: Math.abs(90 - found.value), unit: '°' }],
      remarks: [...first.remarks, ...second.remarks],
    };
  },
};
