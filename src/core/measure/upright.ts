import { type Homography, inverseOf, mapped, type Point } from './homography';

/**
 * A point brought onto the line through another that runs along or across: whichever it is nearer to, by the axes of what
 * tells the scale, or by those of the picture where nothing does.
 *
 * @param from the point that stays, in px of the picture
 * @param at the one that is brought there
 * @param toMm null where nothing tells the scale
 */
export function brought(from: Point, at: Point, toMm: Homography | null): Point {
  const on = (point: Point) => (toMm ? mapped(toMm, point) : point);
  const [a, b] = [on(from), on(at)];
  const level = Math.abs(b.x - a.x) < Math.abs(b.y - a.y) ? { x: a.x, y: b.y } : { x: b.x, y: a.y };
  return toMm ? mapped(inverseOf(toMm), level) : level;
}

/** Steps of a grid, in mm; the finest is taken whose lines stand far enough apart. */
const STEPS = [1, 2, 5, 10, 20, 50, 100];
const MOST_LINES = 120;

/** A line of a grid, in px of the picture; every fifth is `strong`. */
export interface GridLine {
  from: Point;
  to: Point;
  strong: boolean;
}

/**
 * A grid in mm over a picture, along the axes of what tells its scale.
 *
 * @param apart how far lines stand apart at least, in px of the picture
 */
export function gridOver(
  { width, height }: { width: number; height: number },
  toMm: Homography,
  apart: number,
): { step: number; lines: GridLine[] } {
  const corners = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ].map((corner) => mapped(toMm, corner));
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const back = inverseOf(toMm);
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const [a, b] = [mapped(back, middle), mapped(back, { x: middle.x + 1, y: middle.y })];
  const perMm = Math.hypot(b.x - a.x, b.y - a.y);
  const longest = Math.max(right - left, bottom - top);
  const step = STEPS.find((each) => each * perMm >= apart && longest / each <= MOST_LINES) ?? STEPS.at(-1) ?? 100;
  const along = (first: number, last: number, line: (at: number) => [Point, Point]): GridLine[] =>
    Array.from(
      { length: Math.min(MOST_LINES, Math.max(0, Math.floor(last / step) - Math.ceil(first / step) + 1)) },
      (_, i) => {
        const at = Math.ceil(first / step) + i;
        const [from, to] = line(at * step);
        return { from: mapped(back, from), to: mapped(back, to), strong: at % 5 === 0 };
      },
    );
  return {
    step,
    lines: [
      ...along(left, right, (x) => [
        { x, y: top },
        { x, y: bottom },
      ]),
      ...along(top, bottom, (y) => [
        { x: left, y },
        { x: right, y },
      ]),
    ],
  };
}
