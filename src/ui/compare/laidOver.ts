import type { Spot } from '@/core/casefile/events/photoScaled';
import { after, type Homography, homographyOf, type Quad } from '@/core/measure/homography';
import type { Laid } from './PicturePane';

/**
 * The right picture, laid over the left one.
 *
 * @param pairs four places that both show; without them it lies as it lies in its own pane
 */
export function laidOver(left: Laid, right: Laid, pairs: { left: Spot; right: Spot }[]): Laid {
  const px = ({ width, height }: Laid, spots: Spot[]) =>
    spots.map(({ x, y }) => ({ x: x * width, y: y * height })) as Quad;
  const exact =
    pairs.length === 4
      ? homographyOf(
          px(
            right,
            pairs.map((pair) => pair.right),
          ),
          px(
            left,
            pairs.map((pair) => pair.left),
          ),
        )
      : null;
  return exact ? { ...right, toScreen: after(left.toScreen, exact) } : right;
}

/** A map of a plane as a browser takes it. */
export function asMatrix3d([a, b, c, d, e, f, g, h, i]: Homography): string {
  return `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, i].join(',')})`;
}
