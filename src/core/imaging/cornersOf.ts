import type { Point, Quad } from '../measure/homography';
import type { Sighted } from '../measure/plane';
import { edgeLine } from './edgeLine';
import type { Picture } from './grey';

/** Where two straight edges meet, with the uncertainty of either. */
function meetingOf([p, q]: [Sighted, Sighted], [r, s]: [Sighted, Sighted]): Sighted | null {
  const cross = (q.x - p.x) * (s.y - r.y) - (q.y - p.y) * (s.x - r.x);
  if (Math.abs(cross) < 1e-6) return null;
  const t = ((r.x - p.x) * (s.y - r.y) - (r.y - p.y) * (s.x - r.x)) / cross;
  return { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y), sd: Math.hypot(p.sd, q.sd, r.sd, s.sd) / Math.SQRT2 };
}

/**
 * The corners of something with four straight sides, where its sides meet, whether they are rounded or not.
 *
 * @param expected about where they are, clockwise with y downwards
 * @param reach how far its sides may be from there, in px
 * @param wanted -1: it is darker than what is around it, 1: lighter, 0: either
 * @returns null where one of its sides is not seen
 */
export function cornersOf(
  picture: Picture,
  expected: Quad,
  { reach, wanted = 0 }: { reach: number; wanted?: number },
): [Sighted, Sighted, Sighted, Sighted] | null {
  const sides = expected.map((from, i) => {
    const to = expected[(i + 1) % 4] as Point;
    // The corners themselves are left out: they are rounded, by the thing or by the lens.
    const along = (share: number) => ({ x: from.x + share * (to.x - from.x), y: from.y + share * (to.y - from.y) });
    return edgeLine(picture, along(0.14), along(0.86), { reach, wanted });
  });
  const corners = sides.map((side, i) => {
    const before = sides[(i + 3) % 4];
    return side && before ? meetingOf(before.ends, side.ends) : null;
  });
  return corners.every((corner) => corner !== null) ? (corners as [Sighted, Sighted, Sighted, Sighted]) : null;
}
