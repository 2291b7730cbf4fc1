import { type Grey, shrunk } from '../imaging/grey';
import { closedInRounds, type Levels, meansOf, quantileOf } from '../imaging/levels';
import { rectify, sizeOf } from '../imaging/rectify';
import { homographyOf, mapped, type Quad, rectangle } from '../measure/homography';
import type { Cell } from './cells';
import type { Laid } from './layFlat';
import { GROUND } from './prepare';
import { blocksOn, edgesOf, frameAround, SEARCH_REACH } from './reliefBlocks';

/** Where lines of letters are looked for, a place is about so long, in px. */
const SEARCH_LENGTH = 1000;

/** Height to which letters are brought to be filled in, in px, and how far apart the two edges of a stroke stand then. */
const LETTER = 80;
const STROKE = 4.25;
const INK = 30;
const DARK = 130;
/** Of the levels of a line, so many lie below those that are full of ink; and from which share of those on it is none, or all. */
const FULL = 0.88;
const FROM = 0.32;
const TO = 0.58;

/** Stretches of a profile that rise above a share of what it rises to. */
function stretchesOf(profile: number[], share: number): { from: number; to: number }[] {
  const [least, top] = [Math.min(...profile), Math.max(...profile)];
  const found: { from: number; to: number }[] = [];
  let from = -1;
  for (const [i, level] of [...profile, least].entries()) {
    const above = level > least + share * (top - least);
    if (above && from < 0) from = i;
    if (!above && from >= 0) {
      found.push({ from, to: i });
      from = -1;
    }
  }
  return found;
}

/** The lines of letters that were filled in: each from its first letter to its last. */
export function linesOn({ width, height, data }: Grey): Cell[] {
  const dark = (x: number, y: number) => Number((data[y * width + x] as number) < DARK);
  const sum = (length: number, of: (i: number) => number) => {
    let all = 0;
    for (let i = 0; i < length; i++) all += of(i);
    return all;
  };
  const rows = Array.from({ length: height }, (_, y) => sum(width, (x) => dark(x, y)));
  return stretchesOf(rows, 0.12)
    .filter(({ from, to }) => to - from > 0.5 * LETTER)
    .flatMap(({ from, to }) => {
      const columns = Array.from({ length: width }, (_, x) => sum(to - from, (i) => dark(x, from + i)));
      const inked = [...columns.entries()].filter(([, count]) => count > 0.1 * (to - from)).map(([x]) => x);
      const [first, last] = [inked[0], inked.at(-1)];
      return first === undefined || last === undefined
        ? []
        : [{ x: first, y: from, width: last - first + 1, height: to - from }];
    });
}

/** Heights of the lines of a block that lies level, from its edges row by row. */
function lineHeight({ width, height, data }: Levels, margin: number): number {
  const rows = Array.from({ length: Math.max(1, height - 2 * margin) }, (_, y) => {
    let sum = 0;
    for (let x = margin; x < width - margin; x++) sum += data[(y + margin) * width + x] as number;
    return sum / width;
  });
  return Math.max(1, ...stretchesOf(rows, 0.35).map(({ from, to }) => to - from));
}

/** Letters with what lies between the two edges of each stroke filled in, dark on bright; nothing within a margin. */
function filledIn(grey: Grey, margin: number): Grey {
  const { width, height } = grey;
  const edges = edgesOf(grey, LETTER);
  const filled = closedInRounds(edges, STROKE);
  const closed = meansOf({ width, height, data: meansOf({ width, height, data: filled }, 1) }, 1);
  const [right, bottom] = [width - margin, height - margin];
  const inner = closed.filter((_, at) => {
    const [x, y] = [at % width, Math.floor(at / width)];
    return x >= margin && x < right && y >= margin && y < bottom;
  });
  const full = Math.max(1, quantileOf(inner, FULL));
  const data = new Uint8ClampedArray(closed.length).fill(GROUND);
  for (let y = margin; y < bottom; y++)
    for (let x = margin; x < right; x++) {
      const ink = ((closed[y * width + x] as number) / full - FROM) / (TO - FROM);
      data[y * width + x] = GROUND - (GROUND - INK) * Math.max(0, Math.min(1, ink));
    }
  return { width, height, data };
}

/**
 * Letters that are cut into a thing or stand out of it: no dark runs, but the light and shade of their edges. They are
 * found by what stirs more than the ground, laid level, and filled in.
 *
 * @returns the lines alone, laid flat; null where none is found
 */
export function reliefOf(grey: Grey, corners: Quad): Laid | null {
  const whole = sizeOf(corners);
  const by = Math.max(1, Math.round(Math.max(whole.width, whole.height) / SEARCH_LENGTH));
  const flat = rectify(grey, corners, whole);
  if (!flat) return null;
  const small = shrunk(flat, by);
  const [first, ...others] = blocksOn(small);
  const toPicture = homographyOf(rectangle(0, 0, small.width, small.height), corners);
  if (!first || !toPicture) return null;
  const { corners: framed, width, height, free } = frameAround([first, ...others]);
  const quad = framed.map((corner) => mapped(toPicture, corner)) as Quad;
  const sized = (scale: number) =>
    rectify(grey, quad, { width: Math.round(width * scale), height: Math.round(height * scale) });
  const asFound = sized(by);
  if (!asFound) return null;
  const scale = (by * LETTER) / lineHeight(edgesOf(asFound, SEARCH_REACH * by), Math.round(free * by));
  const last = sized(scale);
  if (!last) return null;
  const print = filledIn(last, Math.round(free * scale));
  return { corners: quad, print };
}
