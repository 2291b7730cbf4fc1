import type { Spot } from '@/core/casefile/events/photoScaled';
import {
  after,
  type Homography,
  homographyOf,
  inverseOf,
  mapped,
  type Point,
  type Quad,
} from '@/core/measure/homography';
import type { Laid } from './PicturePane';

/** A place that both pictures show. */
export interface Pair {
  left: Spot;
  right: Spot;
}

/** What turns and moves one plane so that two points of it come to lie on two of another, without stretching it. */
function rigid([a, b]: [Point, Point], [c, d]: [Point, Point]): Homography {
  const turn = Math.atan2(d.y - c.y, d.x - c.x) - Math.atan2(b.y - a.y, b.x - a.x);
  const [s, k] = [Math.sin(turn), Math.cos(turn)];
  const [from, to] = [
    { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
    { x: (c.x + d.x) / 2, y: (c.y + d.y) / 2 },
  ];
  return [k, -s, to.x - k * from.x + s * from.y, s, k, to.y - s * from.x - k * from.y, 0, 0, 1];
}

/**
 * The right picture, laid over the left one. Where both have a scale, their planes are laid on each other mm for mm, and
 * what differs in size is seen; else four places say how one is stretched on the other.
 *
 * @param pairs places that both show; without them what lies in the middle of either pane is taken for the same
 * @param pane its size, in px
 */
export function laidOver(left: Laid, right: Laid, pairs: Pair[], pane: { width: number; height: number }): Laid {
  const at = (of: Laid, spot: Spot): Point => ({ x: spot.x * of.width, y: spot.y * of.height });
  const onto = (map: Homography): Laid => ({ ...right, toScreen: after(left.toScreen, map) });
  if (left.toMm && right.toMm) {
    const middle = { x: pane.width / 2, y: pane.height / 2 };
    const aside = { x: middle.x + 1, y: middle.y };
    const seen = (of: Laid, screen: Point) => mapped(of.toMm as Homography, mapped(inverseOf(of.toScreen), screen));
    const marked = (of: Laid, side: keyof Pair) =>
      pairs.slice(0, 2).map((pair) => mapped(of.toMm as Homography, at(of, pair[side]))) as [Point, Point];
    const moved =
      pairs.length >= 2
        ? rigid(marked(right, 'right'), marked(left, 'left'))
        : rigid([seen(right, middle), seen(right, aside)], [seen(left, middle), seen(left, aside)]);
    return onto(after(inverseOf(left.toMm), after(moved, right.toMm)));
  }
  const corners = (of: Laid, side: keyof Pair) => pairs.map((pair) => at(of, pair[side])) as Quad;
  const stretched = pairs.length === 4 ? homographyOf(corners(right, 'right'), corners(left, 'left')) : null;
  return stretched ? onto(stretched) : right;
}

/** A map of a plane as a browser takes it. */
export function asMatrix3d([a, b, c, d, e, f, g, h, i]: Homography): string {
  return `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, i].join(',')})`;
}
