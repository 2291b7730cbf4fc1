import type { Point } from '../measure/homography';
import type { Sighted } from '../measure/plane';
import { addColourAt, type Picture } from './grey';

/** A step of brightness or colour across a short way. */
export interface Edge extends Sighted {
  /** How much lighter it grows, in levels; negative where it grows darker. */
  step: number;
  /** Set where it is a tip, or runs aslant. */
  aslant?: true;
}

/** No edge is told more exactly, in px: shade and light of its own draw it to one side. */
export const EDGE_SD = 0.3;
/** A step of fewer levels, over all colours, is no edge. */
const LEAST_STEP = 10;
/** The way is cut into so many strips; how they scatter tells how sure the edge is. */
const STRIPS = 5;
/** Strips that scatter by more px are not of one edge that runs straight across the way. */
const STRAIGHT = 0.8;

/** Red, green and blue along a way, averaged over its breadth: `2 reach + 1` values each, a px apart. */
type Profile = [Float64Array, Float64Array, Float64Array];

function profileAlong(
  picture: Picture,
  { x, y }: Point,
  ux: number,
  uy: number,
  reach: number,
  from: number,
  to: number,
): Profile {
  const profile: Profile = [0, 0, 0].map(() => new Float64Array(2 * reach + 1)) as Profile;
  const sum = new Float64Array(3);
  for (let i = -reach; i <= reach; i++) {
    sum.fill(0);
    for (let k = from; k <= to; k++) addColourAt(picture, x + i * ux - k * uy, y + i * uy + k * ux, sum);
    for (const [channel, values] of profile.entries()) values[i + reach] = (sum[channel] as number) / (to - from + 1);
  }
  return profile;
}

/** How steeply colour changes at each place, and whether it grows lighter there. */
function slopesOf(profile: Profile): { steep: Float64Array; sign: Float64Array } {
  const { length } = profile[0];
  const steep = new Float64Array(length);
  const sign = new Float64Array(length);
  for (let i = 1; i < length - 1; i++) {
    const [r, g, b] = profile.map((channel) => ((channel[i + 1] as number) - (channel[i - 1] as number)) / 2) as [
      number,
      number,
      number,
    ];
    steep[i] = Math.sqrt(r * r + g * g + b * b);
    sign[i] = Math.sign(0.3 * r + 0.59 * g + 0.11 * b);
  }
  return { steep, sign };
}

interface Step {
  /** Px along the profile. */
  at: number;
  step: number;
  doubt: number;
}

/**
 * Where the steepest part of a profile lies, to a part of a px, and the step there.
 *
 * @param near where it is expected: what lies further away counts for less
 */
function steepest(profile: Profile, wanted: number, near: number, reach: number): Step | null {
  const { steep, sign } = slopesOf(profile);
  const worth = (i: number) =>
    wanted !== 0 && sign[i] !== wanted ? 0 : (steep[i] as number) * Math.exp(-2 * ((i - near) / reach) ** 2);
  let best = 1;
  for (let i = 2; i < steep.length - 1; i++) if (worth(i) > worth(best)) best = i;
  if (worth(best) === 0) return null;
  // The middle of the step: of all slopes that belong to it, weighed by their steepness.
  const floor = 0.5 * (steep[best] as number);
  const goesOn = (i: number) => (steep[i] as number) > floor && sign[i] === sign[best] && Math.abs(i - best) < 8;
  let [low, high] = [best, best];
  while (low > 1 && goesOn(low - 1)) low--;
  while (high < steep.length - 2 && goesOn(high + 1)) high++;
  const at = high - low < NARROW ? peakOf(steep, best) : middleOf(steep, low, high, floor);
  const [from, to] = [Math.max(0, low - 1), Math.min(steep.length - 1, high + 1)];
  const step = Math.hypot(...profile.map((channel) => (channel[to] as number) - (channel[from] as number)));
  return { at, step: (sign[best] as number) * step, doubt: doubtOf(steep, worth, best) };
}

/** A step of fewer px is told by its peak alone. */
const NARROW = 4;

/** The top of a peak, as of a bell through its three highest values: what a sharp lens makes of a step. */
function peakOf(values: Float64Array, best: number): number {
  const [l, m, r] = [-1, 0, 1].map((k) => Math.log(Math.max(1e-6, values[best + k] as number))) as [
    number,
    number,
    number,
  ];
  const bend = l - 2 * m + r;
  return best + (bend < 0 ? Math.max(-0.5, Math.min(0.5, (l - r) / (2 * bend))) : 0);
}

/** The middle of a broad peak, weighed by what stands over a floor: its top is flat, and wavers with the noise. */
function middleOf(values: Float64Array, low: number, high: number, floor: number): number {
  let [sum, moment] = [0, 0];
  for (let i = low; i <= high; i++) {
    const over = Math.max(0, (values[i] as number) - floor);
    sum += over;
    moment += over * i;
  }
  return sum > 0 ? moment / sum : (low + high) / 2;
}

/** How far other steps that might be meant as well lie from the one that was taken, in px. */
function doubtOf(steep: Float64Array, worth: (i: number) => number, best: number): number {
  let [weights, squares] = [0, 0];
  for (let i = 1; i < steep.length - 1; i++) {
    const peak = (steep[i] as number) > (steep[i - 1] as number) && (steep[i] as number) >= (steep[i + 1] as number);
    if (!peak && i !== best) continue;
    // A step half as steep is meant in one of sixteen cases.
    const weight = (worth(i) / worth(best)) ** 4;
    weights += weight;
    squares += weight * (i - best) ** 2;
  }
  return Math.sqrt(squares / weights);
}

/**
 * The edge that a short way crosses.
 *
 * @param towards a direction across the edge, of any length
 * @param reach how far it is looked for to either side, in px
 * @param breadth over how many px along the edge it is averaged
 * @param wanted 1: where it grows lighter along the way, -1: darker, 0: either
 * @returns null where no step stands out
 */
export function edgeNear(
  picture: Picture,
  at: Point,
  towards: Point,
  { reach = 12, breadth = 15, wanted = 0 }: { reach?: number; breadth?: number; wanted?: number } = {},
): Edge | null {
  const length = Math.hypot(towards.x, towards.y);
  if (length === 0) return null;
  const [ux, uy] = [towards.x / length, towards.y / length];
  const half = Math.max(1, Math.round(breadth / 2));
  const found = steepest(profileAlong(picture, at, ux, uy, reach, -half, half), wanted, reach, reach);
  if (!found || Math.abs(found.step) < LEAST_STEP) return null;
  const strip = (2 * half + 1) / STRIPS;
  const offsets: number[] = [];
  for (let k = 0; k < STRIPS; k++) {
    const [from, to] = [Math.round(-half + k * strip), Math.round(-half + (k + 1) * strip) - 1];
    const part = steepest(
      profileAlong(picture, at, ux, uy, reach, from, Math.max(from, to)),
      Math.sign(found.step),
      found.at,
      reach,
    );
    if (part) offsets.push(part.at - found.at);
  }
  const inside = offsets.filter((offset) => Math.abs(offset) < reach / 2);
  const spread = Math.sqrt(inside.reduce((sum, offset) => sum + offset ** 2, 0) / Math.max(1, inside.length - 1));
  // A tip, or an edge that runs aslant: what was pointed at is the middle of it. By how much the breadth that is looked at
  // moves it, so much it may be off.
  if (spread > STRAIGHT && half > 1) {
    const narrow = edgeNear(picture, at, towards, { reach, breadth: breadth / 3, wanted: Math.sign(found.step) });
    const along = found.at - reach;
    const off = narrow && Math.hypot(narrow.x - at.x - along * ux, narrow.y - at.y - along * uy);
    return narrow && { ...narrow, sd: Math.hypot(narrow.sd, off ?? 0), aslant: true };
  }
  const sd = Math.hypot(EDGE_SD, found.doubt, spread / Math.sqrt(Math.max(1, inside.length)));
  const along = found.at - reach;
  return { x: at.x + along * ux, y: at.y + along * uy, sd, step: found.step };
}
