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
/** So many modules on either side of blurred bars are light at least; the label may end behind them. */
const QUIET = 3.5;
/** Columns to which a profile is brought: some three a module. */
const COLUMNS = 330;
/** Blur that is tried, in modules. */
const BLURS = [0.45, 0.75, 1.1];

/**
 * Where bars lie on a profile: column at which they begin, columns a module, blur in columns. Seen aslant, the modules at
 * one end are wider than those at the other: so many columns the middle lies off, and the ends twice as many the other way.
 */
interface Lie {
  start: number;
  module: number;
  blur: number;
  bow: number;
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

/** Where bars begin and end, in modules from the first: each edge with 1 where it becomes darker, -1 where lighter. */
type Edges = { at: number; darker: 1 | -1 }[];

const edgesOf = (digits: string): Edges => {
  const bars = eanBars(digits);
  return Array.from({ length: MODULES + 1 }, (_, at) => ({ at, now: bars[at] ?? false, before: bars[at - 1] ?? false }))
    .filter(({ now, before }) => now !== before)
    .map(({ at, now }) => ({ at, darker: now ? 1 : -1 }));
};

/**
 * How alike a profile and bars are that a lens throws there, and the light on either side of them, whatever the light's
 * strength and slope: their partial correlation, -1 to 1.
 */
function likeness(profile: Float64Array, edges: Edges, { start, module, blur, bow }: Lie): number {
  const from = Math.max(0, Math.floor(start - QUIET * module));
  const to = Math.min(profile.length, Math.ceil(start + (MODULES + QUIET) * module));
  const n = to - from;
  if (n < MODULES) return -1;
  const steps = new Float64Array(n);
  for (const { at, darker } of edges) {
    const edge = start + at * module + bow * (1 - 3 * ((2 * at) / MODULES - 1) ** 2) - from;
    const last = Math.min(n - 1, Math.floor(edge + 3 * blur));
    for (let x = Math.max(0, Math.ceil(edge - 3 * blur)); x <= last; x++)
      steps[x] = (steps[x] as number) - darker * Math.exp(-((x - edge) ** 2) / (2 * blur * blur));
  }
  const middle = (n - 1) / 2;
  let [bright, p, pp, pi, v, vv, vi, pv] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const seen = profile[from + i] as number;
    bright += steps[i] as number;
    p += seen;
    pp += seen * seen;
    pi += seen * (i - middle);
    v += bright;
    vv += bright * bright;
    vi += bright * (i - middle);
    pv += seen * bright;
  }
  const places = (n * (n * n - 1)) / 12;
  const both = pv - (p * v) / n - (pi * vi) / places;
  const alone = (pp - (p * p) / n - (pi * pi) / places) * (vv - (v * v) / n - (vi * vi) / places);
  return alone > 0 ? both / Math.sqrt(alone) : 0;
}

/** The best of some lies for bars, with how alike it makes them. */
function bestLie(profile: Float64Array, edges: Edges, lies: Lie[]): { lie: Lie; value: number } {
  let best = { lie: lies[0] as Lie, value: Number.NEGATIVE_INFINITY };
  for (const lie of lies) {
    const value = likeness(profile, edges, lie);
    if (value > best.value) best = { lie, value };
  }
  return best;
}

const spread = (middle: number, reach: number, steps: number): number[] =>
  Array.from({ length: steps }, (_, i) => middle - reach + (2 * reach * i) / (steps - 1));

/** Lies of bars that begin and end near two columns. */
const liesBetween = (starts: number[], ends: number[], blurs: (module: number) => number[], bow = 0): Lie[] =>
  starts.flatMap((start) =>
    ends.flatMap((end) => {
      const module = (end - start) / MODULES;
      return blurs(module).map((blur) => ({ start, module, blur, bow }));
    }),
  );

/** Move a lie a little each way until nothing is gained. */
function refined(profile: Float64Array, edges: Edges, from: Lie): { lie: Lie; value: number } {
  let best = bestLie(profile, edges, [from]);
  for (let step = from.module; step > from.module / 20; step /= 2) {
    const { start, module, blur, bow } = best.lie;
    const end = start + MODULES * module;
    const blurs = [blur * 0.85, blur, blur * 1.18];
    const around = liesBetween([start - step, start, start + step], [end - step, end, end + step], () => blurs, bow);
    best = bestLie(profile, edges, [best.lie, ...around]);
    best = bestLie(
      profile,
      edges,
      [-step, 0, step].map((more) => ({ ...best.lie, bow: best.lie.bow + more })),
    );
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
 * Held against made-up labels blurred by a whole module, the right number accounts for .97 or more of what the bars
 * show, and the next leaves three times as much.
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
  const upright = brought(field.profile, COLUMNS);
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
    return { profile, ...bestLie(profile, edgesOf(first), lies) };
  });
  const [side] = ends.sort((a, b) => b.value - a.value);
  if (!side) return null;
  const held = (each: string) => ({ digits: each, ...refined(side.profile, edgesOf(each), side.lie) });
  const [best, ...others] = digits.map(held).sort((a, b) => b.value - a.value);
  if (!best || over(best.value) > 1 - LEAST_FIT) return null;
  const rivals = [...others, ...siblings(best.digits).map(held)];
  const nearest = Math.min(...rivals.map(({ value }) => over(value)));
  return nearest >= LEAST_MARGIN * over(best.value) ? { digits: best.digits, fits: best.value ** 2 } : null;
}
