import { eanBars } from '../codes/eanBars';
import { gtinCheckDigit } from '../codes/gtin';
import type { BarField } from '../imaging/barField';

/** Bars held against numbers that may stand there. */
export interface HeldBars {
  /** The number whose bars fit, and no other of those. */
  digits: string;
  /** How well: the share of the changes in brightness that its bars account for, 0 to 1. */
  fits: number;
}

const MODULES = 95;
/** A number fits where its bars account for so much, */
const LEAST_FIT = 0.97;
/** and where the next one leaves so many times as much over. */
const LEAST_MARGIN = 3;
/** Where the bars may begin and end beside the field that was found, as shares of its width. */
const STRAY = 0.1;
const STEPS = 13;
/** Columns to which a profile is brought: some three a module. */
const COLUMNS = 330;
/** Blur that is tried, in modules. */
const BLURS = [0.45, 0.75, 1.1];

/** Where bars lie on a profile: column at which they begin, columns a module, blur in columns. */
interface Lie {
  start: number;
  module: number;
  blur: number;
}

/** A profile of other length, each column the mean of those that it stands for. */
function brought(values: Float64Array, columns: number): Float64Array {
  const by = values.length / columns;
  return Float64Array.from({ length: columns }, (_, i) => {
    const [from, to] = [i * by, (i + 1) * by];
    let sum = 0;
    for (let x = Math.floor(from); x < Math.min(values.length, Math.ceil(to)); x++)
      sum += (values[x] as number) * (Math.min(to, x + 1) - Math.max(from, x));
    return sum / by;
  });
}

/** Without its mean and its slope, and of length one. */
function normed(values: Float64Array): Float64Array {
  const n = values.length;
  const middle = (n - 1) / 2;
  let [sum, along, spread] = [0, 0, 0];
  for (const [i, value] of values.entries()) {
    sum += value;
    along += value * (i - middle);
    spread += (i - middle) ** 2;
  }
  const [level, slope] = [sum / n, spread === 0 ? 0 : along / spread];
  const level0 = values.map((value, i) => value - level - slope * (i - middle));
  const length = Math.sqrt(level0.reduce((all, value) => all + value * value, 0)) || 1;
  return level0.map((value) => value / length);
}

/** Bars as a lens would throw them on so many columns: light is 0, a bar −1. */
function thrown(bars: boolean[], { start, module, blur }: Lie, columns: number): Float64Array {
  const sharp = new Float64Array(columns);
  for (const [i, bar] of bars.entries()) {
    if (!bar) continue;
    const [from, to] = [start + i * module, start + (i + 1) * module];
    for (let x = Math.max(0, Math.floor(from)); x < Math.min(columns, Math.ceil(to)); x++)
      sharp[x] = (sharp[x] as number) - (Math.min(to, x + 1) - Math.max(from, x));
  }
  const reach = Math.max(1, Math.ceil(3 * blur));
  const kernel = Float64Array.from({ length: 2 * reach + 1 }, (_, i) =>
    Math.exp(-((i - reach) ** 2) / (2 * blur * blur)),
  );
  return sharp.map((_, x) => {
    let sum = 0;
    for (let k = -reach; k <= reach; k++) {
      const at = x + k;
      if (at >= 0 && at < columns) sum += (sharp[at] as number) * (kernel[k + reach] as number);
    }
    return sum;
  });
}

const alike = (a: Float64Array, b: Float64Array): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);

/** The best of some lies for bars, with how alike it makes them. */
function bestLie(profile: Float64Array, bars: boolean[], lies: Lie[]): { lie: Lie; value: number } {
  let best = { lie: lies[0] as Lie, value: Number.NEGATIVE_INFINITY };
  for (const lie of lies) {
    const value = alike(profile, normed(thrown(bars, lie, profile.length)));
    if (value > best.value) best = { lie, value };
  }
  return best;
}

const spread = (middle: number, reach: number, steps: number): number[] =>
  Array.from({ length: steps }, (_, i) => middle - reach + (2 * reach * i) / (steps - 1));

/** Lies of bars that begin and end near two columns. */
const liesBetween = (starts: number[], ends: number[], blurs: (module: number) => number[]): Lie[] =>
  starts.flatMap((start) =>
    ends.flatMap((end) => {
      const module = (end - start) / MODULES;
      return blurs(module).map((blur) => ({ start, module, blur }));
    }),
  );

/** Move a lie a little each way until nothing is gained. */
function refined(profile: Float64Array, bars: boolean[], from: Lie): { lie: Lie; value: number } {
  let best = bestLie(profile, bars, [from]);
  for (let step = from.module; step > from.module / 20; step /= 2) {
    const { start, module, blur } = best.lie;
    const end = start + MODULES * module;
    const around = liesBetween([start - step, start, start + step], [end - step, end, end + step], () => [
      blur * 0.85,
      blur,
      blur * 1.18,
    ]);
    const next = bestLie(profile, bars, around);
    if (next.value > best.value) best = next;
  }
  return best;
}

/** Numbers that differ in the last two digits of the item and in the check digit: what a sibling may have. */
function siblings(digits: string): string[] {
  const others = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'];
  const bodies = others.flatMap((digit) => [
    `${digits.slice(0, 11)}${digit}`,
    `${digits.slice(0, 10)}${digit}${digits.slice(11, 12)}`,
  ]);
  return [...new Set(bodies)].map((body) => `${body}${gtinCheckDigit(body)}`).filter((each) => each !== digits);
}

/** What a likeness leaves unexplained. */
const over = (value: number): number => 1 - Math.max(0, value) ** 2;

/**
 * Hold bars that are too blurred to be decoded against the numbers that may stand there: draw each, blur it, compare.
 *
 * Held against made-up labels blurred by a whole module, the right number accounts for .975 or more of what the bars
 * show, and the next leaves three times as much; a wrong one accounts for .955 at most.
 *
 * @param numbers EAN-13 or UPC-A that the records allow at that place
 * @returns null where none fits, or another fits nearly as well
 */
export function holdBars(field: BarField, numbers: string[]): HeldBars | null {
  const digits = [...new Set(numbers.map((number) => number.padStart(13, '0')))].filter((each) =>
    /^\d{13}$/.test(each),
  );
  const [first] = digits;
  const by = field.profile.length / COLUMNS;
  if (!first || by < MODULES / COLUMNS) return null;
  const width = field.width / by;
  const upright = normed(brought(field.profile, COLUMNS));
  // Bars that stand on their head are the same, read from the other side.
  const sides = [upright, upright.toReversed()];
  const left = (field.x - field.from) / by;
  const ends = sides.map((profile, i) => {
    const start = i === 0 ? left : COLUMNS - left - width;
    const reach = STRAY * width;
    // Numbers of one release share most of their bars: where those of one lie, those of all do.
    const lies = liesBetween(spread(start, reach, STEPS), spread(start + width, reach, STEPS), (module) =>
      BLURS.map((blur) => blur * module),
    );
    return { profile, ...bestLie(profile, eanBars(first), lies) };
  });
  const [side] = ends.sort((a, b) => b.value - a.value);
  if (!side) return null;
  const held = (each: string) => ({ digits: each, ...refined(side.profile, eanBars(each), side.lie) });
  const [best, ...others] = digits.map(held).sort((a, b) => b.value - a.value);
  if (!best || over(best.value) > 1 - LEAST_FIT) return null;
  const rivals = [...others, ...siblings(best.digits).map(held)];
  const nearest = Math.min(...rivals.map(({ value }) => over(value)));
  return nearest >= LEAST_MARGIN * over(best.value) ? { digits: best.digits, fits: best.value ** 2 } : null;
}
