/** A point in px or mm. */
export interface Point {
  x: number;
  y: number;
}

/** Four corners, clockwise from the upper left. */
export type Quad = [Point, Point, Point, Point];

/** Rows of a 3 x 3 matrix that maps one plane on another. */
export type Homography = [number, number, number, number, number, number, number, number, number];

/** Solve a system of linear equations, its rows with the right side at their end; null where it has no one answer. */
function solve(rows: number[][]): number[] | null {
  const size = rows.length;
  for (let column = 0; column < size; column++) {
    const pivot = rows.slice(column).reduce((best, row, i) => {
      const at = column + i;
      return Math.abs(row[column] as number) > Math.abs(rows[best]?.[column] as number) ? at : best;
    }, column);
    const chosen = rows[pivot] as number[];
    if (Math.abs(chosen[column] as number) < 1e-12) return null;
    rows[pivot] = rows[column] as number[];
    rows[column] = chosen;
    for (const [i, row] of rows.entries()) {
      if (i === column) continue;
      const factor = (row[column] as number) / (chosen[column] as number);
      for (let k = column; k <= size; k++) row[k] = (row[k] as number) - factor * (chosen[k] as number);
    }
  }
  return rows.map((row, i) => (row[size] as number) / (row[i] as number));
}

/**
 * The map that takes four points to four others (Hartley and Zisserman, Multiple View Geometry, 4.1).
 *
 * @returns null where three of the points lie on a line
 */
export function homographyOf(from: Quad, to: Quad): Homography | null {
  const rows = from.flatMap(({ x, y }, i) => {
    const { x: u, y: v } = to[i] as Point;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
      [0, 0, 0, x, y, 1, -v * x, -v * y, v],
    ];
  });
  const h = solve(rows);
  return h ? ([...h, 1] as Homography) : null;
}

/** One map after another. */
export const after = (second: Homography, first: Homography): Homography =>
  [0, 3, 6].flatMap((row) =>
    [0, 1, 2].map((column) =>
      [0, 1, 2].reduce((sum, k) => sum + (second[row + k] as number) * (first[3 * k + column] as number), 0),
    ),
  ) as Homography;

/** The map that leads back. */
export function inverseOf([a, b, c, d, e, f, g, h, i]: Homography): Homography {
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    (e * i - f * h) / det,
    (c * h - b * i) / det,
    (b * f - c * e) / det,
    (f * g - d * i) / det,
    (a * i - c * g) / det,
    (c * d - a * f) / det,
    (d * h - e * g) / det,
    (b * g - a * h) / det,
    (a * e - b * d) / det,
  ];
}

/** Moves points to their middle and to a mean distance of about one, so that sums over them keep their digits. */
function normalising(points: Point[]): Homography {
  const { x, y } = middleOf(points);
  const spread = points.reduce((sum, point) => sum + Math.hypot(point.x - x, point.y - y), 0) / points.length;
  const scale = Math.SQRT2 / Math.max(spread, 1e-12);
  return [scale, 0, -scale * x, 0, scale, -scale * y, 0, 0, 1];
}

/**
 * The map that takes points nearest to others, by least squares (Hartley and Zisserman, Multiple View Geometry, 4.4).
 *
 * @param from four or more
 * @returns null where all but one of them lie on a line
 */
export function homographyThrough(from: Point[], to: Point[]): Homography | null {
  const [before, behind] = [normalising(from), normalising(to)];
  const sums = Array.from({ length: 8 }, () => new Array<number>(9).fill(0));
  const add = (row: number[]) => {
    for (const [i, sum] of sums.entries())
      for (let k = 0; k < 9; k++) sum[k] = (sum[k] as number) + (row[i] as number) * (row[k] as number);
  };
  for (const [i, point] of from.entries()) {
    const { x, y } = mapped(before, point);
    const { x: u, y: v } = mapped(behind, to[i] as Point);
    add([x, y, 1, 0, 0, 0, -u * x, -u * y, u]);
    add([0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  const h = solve(sums);
  return h && after(inverseOf(behind), after([...h, 1] as Homography, before));
}

/** Where a map takes a point. */
export function mapped([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** The corners of an upright rectangle. */
export const rectangle = (x: number, y: number, width: number, height: number): Quad => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

/** The mean of points. */
export const middleOf = (points: Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** The area that corners enclose, in the square of their unit; positive where they go clockwise with y downwards. */
export const areaOf = (corners: Point[]): number =>
  corners.reduce((sum, { x, y }, i) => {
    const next = corners[(i + 1) % corners.length] as Point;
    return sum + (x * next.y - next.x * y) / 2;
  }, 0);

/** True where a point lies within corners that bulge nowhere inwards. */
export const within = (corners: Point[], { x, y }: Point): boolean =>
  corners.every((corner, i) => {
    const next = corners[(i + 1) % corners.length] as Point;
    return (next.x - corner.x) * (y - corner.y) - (next.y - corner.y) * (x - corner.x) >= 0;
  });
