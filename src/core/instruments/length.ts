import type { Point } from '../measure/homography';
import { measuredIn } from '../measure/plane';
import { BEYOND_SCALE, distance, type Instrument, onEdge } from './instrument';

/** Fewer px between two edges say little. */
const LEAST_PX = 4;

/** From one edge to another: a width, a height, a gap, a stroke. */
export const length: Instrument = {
  id: 'length',
  name: 'Length',
  key: '1',
  points: ['one end', 'other end'],
  lines: [[0, 1]],
  read: (picture, plane, points) => {
    const [from, to] = points as [Point, Point];
    const apart = distance(from, to);
    if (apart < LEAST_PX)
      return { problem: 'The two ends lie on each other. Go nearer with the camera, or mark them further apart.' };
    const towards = { x: to.x - from.x, y: to.y - from.y };
    // Never so far that one end could be taken for the other.
    const reach = Math.max(2, Math.min(14, Math.floor(0.4 * apart)));
    const ends = [
      onEdge(picture, from, towards, 'one end', { reach }),
      onEdge(picture, to, towards, 'other end', { reach }),
    ];
    const sighted = ends.map(({ point }) => point);
    const found = measuredIn(plane, sighted, ([a, b]) => distance(a as Point, b as Point));
    if (!found) return BEYOND_SCALE;
    return { ...found, unit: plane.unit, points: sighted, beside: [], remarks: ends.flatMap(({ remarks }) => remarks) };
  },
};
