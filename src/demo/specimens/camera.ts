import { type Homography, inverseOf } from '@/core/measure/homography';
import type { Shot } from './shot';
import type { Box } from './specimen';

/** Where a camera stands over a specimen. Lengths in mm, z upwards from the surface; in the picture px, y downwards. */
export interface Camera {
  /** Plane of the specimen to picture. */
  toPicture: Homography;
  toPlane: Homography;
  /** Where the lens is, over the plane of the specimen. */
  eye: [x: number, y: number, z: number];
  /** How far the surface stands over its plane, and how steeply there. */
  height(x: number): number;
  slope(x: number): number;
  /** A point of the surface in the picture. */
  project(x: number, y: number): { x: number; y: number };
}

/** Focal length as a share of the picture's width: that of a phone. */
const FOCAL = 1.25;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The rows of a rotation: first the tilt about an axis in the plane, then the turn of the picture. */
function rotation({ rotation: turn, tilt, tiltTowards }: Shot): number[][] {
  const [s, c] = [Math.sin(radians(tilt)), Math.cos(radians(tilt))];
  const [ax, ay] = [-Math.sin(radians(tiltTowards)), Math.cos(radians(tiltTowards))];
  const tilted = [
    [c + ax * ax * (1 - c), ax * ay * (1 - c), ay * s],
    [ax * ay * (1 - c), c + ay * ay * (1 - c), -ax * s],
    [-ay * s, ax * s, c],
  ];
  const [t, u] = [Math.sin(radians(turn)), Math.cos(radians(turn))];
  const [first, second, third] = tilted as [number[], number[], number[]];
  return [
    first.map((each, i) => u * each - t * (second[i] as number)),
    first.map((each, i) => t * each + u * (second[i] as number)),
    third,
  ];
}

/**
 * The camera of a shot.
 *
 * @param size of the specimen, in mm
 */
export function cameraOf(shot: Shot, size: { width: number; height: number }): Camera {
  const perMm = shot.fill * Math.min(shot.width / size.width, shot.height / size.height);
  const focal = FOCAL * shot.width;
  const distance = focal / perMm;
  const [cx, cy] = [shot.aim[0] * shot.width, shot.aim[1] * shot.height];
  const [mx, my] = [size.width / 2, size.height / 2];
  const r = rotation(shot) as [number[], number[], number[]];
  const at = (row: number, column: number) => (r[row] as number[])[column] as number;
  // Columns of the plane's axes and of its middle, seen by the lens; z grows away from it.
  const column = (k: number): [number, number, number] => [
    focal * at(0, k) + cx * at(2, k),
    focal * at(1, k) + cy * at(2, k),
    at(2, k),
  ];
  const [x1, x2] = [column(0), column(1)];
  const origin: [number, number, number] = [0, 1, 2].map(
    (row) => (row === 0 ? cx : row === 1 ? cy : 1) * distance - mx * (x1[row] as number) - my * (x2[row] as number),
  ) as [number, number, number];
  const toPicture: Homography = [x1[0], x2[0], origin[0], x1[1], x2[1], origin[1], x1[2], x2[2], origin[2]];
  const eye: Camera['eye'] = [mx - distance * at(2, 0), my - distance * at(2, 1), distance * at(2, 2)];
  const period = 1.3 * size.width;
  const height = (x: number) => shot.bend * Math.cos((2 * Math.PI * (x - mx)) / period);
  return {
    toPicture,
    toPlane: inverseOf(toPicture),
    eye,
    height,
    slope: (x) => ((-2 * Math.PI * shot.bend) / period) * Math.sin((2 * Math.PI * (x - mx)) / period),
    project: (x, y) => {
      // What stands over the plane is seen where the line of sight through it meets the plane.
      const z = height(x);
      const [ex, ey, ez] = eye;
      const [u, v] = [x - (z * (ex - x)) / (ez - z), y - (z * (ey - y)) / (ez - z)];
      const [a, b, c, d, e, f, g, h, i] = toPicture;
      const w = g * u + h * v + i;
      return { x: (a * u + b * v + c) / w, y: (d * u + e * v + f) / w };
    },
  };
}

/** The corners of a place on the specimen as they lie in the picture, clockwise from its upper left. */
export const seenBox = ({ project }: Camera, { x, y, width, height }: Box): { x: number; y: number }[] => [
  project(x, y),
  project(x + width, y),
  project(x + width, y + height),
  project(x, y + height),
];
