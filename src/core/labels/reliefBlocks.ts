import { connectedPieces } from '../imaging/connectedPieces';
import type { Grey } from '../imaging/grey';
import { closedInSquares, type Levels, meansOf, quantileOf } from '../imaging/levels';
import type { Point, Quad } from '../measure/homography';

/** How far the surroundings of an edge reach on a place that is searched, and how far apart the edges of one line lie at most, in px each way. */
export const SEARCH_REACH = 20;
const SEARCH_CLOSE = 5;
/** How many times the usual stir of the ground the edges of letters may stand out. */
const STAND_OUT = [4, 6, 9, 14, 20];
/** A line is so many times as long as it is high, as high at least, in px, and at most, as a share of the place, and full. */
const LEAST_LENGTH = 1.6;
const LEAST_HEIGHT = 16;
const MOST_HEIGHT = 0.2;
const LEAST_FULL = 0.6;

/** How far each pixel is brighter or darker than the ground around it, edges apart. */
export function edgesOf(grey: Grey, reach: number): Levels {
  const { width, height, data } = grey;
  const first = meansOf(grey, reach);
  const off = Float32Array.from(data, (level, i) => Math.abs(level - (first[i] as number)));
  const usual = 2 * quantileOf(off, 0.6);
  // What stands out is no ground: left out of the mean, it leaves no bright rim around itself.
  const counts = Float32Array.from(off, (each) => (each <= usual ? 1 : 0.02));
  const ground = meansOf(
    { width, height, data: Float32Array.from(data, (level, i) => level * (counts[i] as number)) },
    reach,
  );
  const all = meansOf({ width, height, data: counts }, reach);
  const signed = Float32Array.from(data, (level, i) => level - (ground[i] as number) / (all[i] as number));
  return { width, height, data: meansOf({ width, height, data: signed }, 1).map(Math.abs) };
}

/** A line of letters, or several close under each other: its middle, the way it runs, in radians, and its size, in px. */
interface Block {
  middle: Point;
  angle: number;
  length: number;
  height: number;
}

/** A piece by its middle, the direction in which it is longest, and how far it reaches along and across. */
function blockOf(piece: number[], width: number): Block & { full: number } {
  let [sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0];
  for (const at of piece) {
    const [x, y] = [at % width, Math.floor(at / width)];
    sx += x;
    sy += y;
    sxx += x * x;
    sxy += x * y;
    syy += y * y;
  }
  const n = piece.length;
  const middle = { x: sx / n, y: sy / n };
  const [xx, xy, yy] = [sxx / n - middle.x ** 2, sxy / n - middle.x * middle.y, syy / n - middle.y ** 2];
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  const spread = Math.hypot((xx - yy) / 2, xy);
  // A full bar of a length has a variance of its square by twelve.
  const length = Math.sqrt(12 * ((xx + yy) / 2 + spread));
  const height = Math.sqrt(12 * Math.max(0.1, (xx + yy) / 2 - spread));
  return { middle, angle, length, height, full: n / (length * height) };
}

/** Where letters that are light and shade stand in lines, the longest line first. */
export function blocksOn(grey: Grey): Block[] {
  const edges = edgesOf(grey, SEARCH_REACH);
  const usual = quantileOf(edges.data, 0.5);
  const closed = closedInSquares(edges, SEARCH_CLOSE);
  const most = MOST_HEIGHT * Math.min(grey.width, grey.height);
  const linesAbove = (level: number) =>
    connectedPieces(grey, (at) => (closed[at] as number) > level)
      .filter((piece) => piece.length > LEAST_HEIGHT * LEAST_HEIGHT)
      .map((piece) => blockOf(piece, grey.width))
      .filter(
        ({ length, height, full }) =>
          height >= LEAST_HEIGHT && height <= most && length >= LEAST_LENGTH * height && full >= LEAST_FULL,
      );
  // How far the edges of letters stand out is not known: where they do so by little, two lines run into each other.
  const found = STAND_OUT.map((times) => linesAbove(Math.max(2, times * usual)));
  const worth = (lines: Block[]) => lines.reduce((sum, { length, height }) => sum + length ** 2 / height, 0);
  const best = found.reduce((one, other) => (worth(other) > 1.1 * worth(one) ? other : one));
  return best.sort((a, b) => b.length - a.length);
}

/** Room around the lines, as a share of the height of the first, and what is left free of everything around that. */
const ROOM = 0.4;
const FREE = 1.4;

/** The frame around blocks that run the same way as the first of them. */
export function frameAround([first, ...others]: [Block, ...Block[]]): {
  corners: Quad;
  width: number;
  height: number;
  /** What is free of letters along its edges. */
  free: number;
} {
  const [c, s] = [Math.cos(first.angle), Math.sin(first.angle)];
  const alike = others.filter(
    ({ angle, height, middle }) =>
      Math.abs(Math.sin(angle - first.angle)) < 0.15 &&
      height < 2.4 * first.height &&
      first.height < 2.4 * height &&
      Math.hypot(middle.x - first.middle.x, middle.y - first.middle.y) < 1.5 * first.length,
  );
  const room = (ROOM + FREE) * first.height;
  let [left, right, top, bottom] = [0, 0, 0, 0];
  for (const { middle, length, height } of [first, ...alike]) {
    const [dx, dy] = [middle.x - first.middle.x, middle.y - first.middle.y];
    const [along, across] = [dx * c + dy * s, dy * c - dx * s];
    left = Math.min(left, along - length / 2 - room);
    right = Math.max(right, along + length / 2 + room);
    top = Math.min(top, across - height / 2 - room);
    bottom = Math.max(bottom, across + height / 2 + room);
  }
  const at = (x: number, y: number): Point => ({
    x: first.middle.x + x * c - y * s,
    y: first.middle.y + x * s + y * c,
  });
  return {
    corners: [at(left, top), at(right, top), at(right, bottom), at(left, bottom)],
    width: right - left,
    height: bottom - top,
    free: FREE * first.height,
  };
}
