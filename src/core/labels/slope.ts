import type { Cell } from './cells';
import type { Letters } from './letters';

/** Letters of one height stand on one line: at most so much of it apart in height, */
const ALIKE = 0.12;
/** and as far beside each other as so many of their heights. */
const REACH = 1.4;
/** Fewer pairs tell nothing. */
const LEAST_PAIRS = 8;

/** How much further down the foot of the next letter on the right stands, a px; null where no letter of its height is near. */
function stepFrom(letter: Cell, letters: Cell[]): number | null {
  const { x, y, width, height } = letter;
  const next = letters
    .filter(
      (other) =>
        other.x > x + width / 2 &&
        other.x - x - width < REACH * height &&
        Math.abs(other.height - height) < ALIKE * height &&
        Math.abs(other.y + other.height - y - height) < 0.45 * height,
    )
    .sort((a, b) => a.x - b.x)[0];
  if (!next) return null;
  return (next.y + next.height - y - height) / (next.x + next.width / 2 - x - width / 2);
}

/**
 * How far lines of print run downhill on something that was laid flat: the mean of most steps from letter to letter.
 *
 * @returns px down a px to the right; 0 where too few letters tell
 */
export function slopeOf({ letters }: Letters): number {
  const steps = letters.flatMap((letter) => stepFrom(letter, letters) ?? []).sort((a, b) => a - b);
  if (steps.length < LEAST_PAIRS) return 0;
  // Feet stand on whole px: the mean of most steps is finer than the middle one.
  const inner = steps.slice(Math.floor(steps.length / 8), Math.ceil((7 * steps.length) / 8));
  return inner.reduce((sum, step) => sum + step, 0) / inner.length;
}

/** Directions are gathered in steps of so many degrees, each with its neighbours; */
const STEP = 5;
/** where fewer than this share of them agree, none is told. */
const LEAST_SHARE = 0.3;

/** Where the nearest letter of about the same size stands, as an angle from level, −90° to 90°; null where none is near. */
function towardsNearest(letter: Cell, letters: Cell[]): number | null {
  const middle = ({ x, y, width, height }: Cell) => ({ x: x + width / 2, y: y + height / 2 });
  const sizeOf = ({ width, height }: Cell) => Math.max(width, height);
  const [from, size] = [middle(letter), sizeOf(letter)];
  let nearest = { far: 1.6 * size, angle: null as number | null };
  for (const other of letters) {
    if (other === letter || Math.abs(sizeOf(other) - size) > 0.35 * size) continue;
    const to = middle(other);
    const far = Math.hypot(to.x - from.x, to.y - from.y);
    if (far < nearest.far) nearest = { far, angle: Math.atan((to.y - from.y) / (to.x - from.x || 1e-9)) };
  }
  return nearest.angle;
}

/**
 * Which way lines of print run on something that may lie any way: from each letter to the nearest one of its size.
 *
 * @returns radians from level, −π/2 to π/2, downhill counted up; null where letters do not agree
 */
export function directionOf({ letters }: Letters): number | null {
  const angles = letters.flatMap((letter) => towardsNearest(letter, letters) ?? []);
  if (angles.length < LEAST_PAIRS) return null;
  const width = (STEP * Math.PI) / 180;
  const off = (a: number, b: number) => {
    const d = Math.abs(a - b) % Math.PI;
    return Math.min(d, Math.PI - d);
  };
  const near = (angle: number) => angles.filter((each) => off(each, angle) < 1.5 * width);
  const best = angles.reduce((a, b) => (near(b).length > near(a).length ? b : a));
  const agree = near(best);
  if (agree.length < LEAST_SHARE * angles.length) return null;
  // Angles on both sides of upright are one direction.
  const [c, s] = agree.reduce(([x, y], each) => [x + Math.cos(2 * each), y + Math.sin(2 * each)], [0, 0]);
  return Math.atan2(s, c) / 2;
}
