import type { Grey } from './grey';

/** Bars on something that lies flat: where they stand, and how bright it is across them, from dark to light. */
export interface BarField {
  x: number;
  y: number;
  width: number;
  height: number;
  /** How alike its strips are at most, in levels of brightness. */
  likeness: number;
  /** Mean brightness of each column, some way beyond both ends. */
  profile: Float64Array;
  /** Column at which the profile begins. */
  from: number;
}

/** Height of the strips into which what lies flat is cut, as a share of its width. */
const STRIP = 0.012;
/** Bars may fade for so much of the width, as where a lamp is mirrored, and go on behind it. */
const FADES = 0.05;
/** Of the strongest likeness of neighbouring strips, so much belongs to the same bars. */
const BELONGS = 0.22;
/** Bars are at least so wide, as a share of the whole, and so many strips high. */
const NARROWEST = 0.12;
const LOWEST = 3;
/** The frame of a table goes straight down, too; so many places are looked at. */
const MOST_TRIED = 6;
/** Of its width the profile reaches beyond the field on either side. */
const BEYOND = 0.08;

/** Mean brightness of each column between two rows. */
function columnMeans({ width, data }: Grey, top: number, bottom: number): Float64Array {
  const means = new Float64Array(width);
  for (let y = top; y < bottom; y++)
    for (let x = 0; x < width; x++) means[x] = (means[x] as number) + (data[y * width + x] as number);
  return means.map((sum) => sum / Math.max(1, bottom - top));
}

/** Running mean over a window. */
function smooth(values: Float64Array, window: number): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (const [i, value] of values.entries()) sums[i + 1] = (sums[i] as number) + value;
  const half = window >> 1;
  return values.map((_, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(values.length, i + half + 1)];
    return ((sums[to] as number) - (sums[from] as number)) / (to - from);
  });
}

/** Bars are light for less of their width at a stretch; so much of the steepest step is none. */
const QUIET = 0.05;
const NO_STEP = 0.12;

/** The part of some columns in which most steps follow one another: an edge beside bars is no bar. */
function densest(means: Float64Array, [left, right]: [number, number]): [number, number] {
  const quiet = QUIET * (right - left);
  const step = (x: number) => Math.abs((means[x + 1] as number) - (means[x] as number));
  const columns = Array.from({ length: right - left }, (_, i) => left + i);
  const least = NO_STEP * Math.max(...columns.map(step));
  const pieces: { from: number; to: number; sum: number }[] = [];
  for (const x of columns.filter((each) => step(each) > least)) {
    const last = pieces.at(-1);
    if (last && x - last.to <= quiet) {
      last.to = x;
      last.sum += step(x);
    } else pieces.push({ from: x, to: x, sum: step(x) });
  }
  const best = pieces.reduce((most, each) => (each.sum > most.sum ? each : most), { from: left, to: right, sum: 0 });
  return [best.from, best.to];
}

/** Rows and columns in which strips are alike; columns without and with what lies behind a stretch where they fade. */
interface Found {
  top: number;
  bottom: number;
  likeness: number;
  spans: [left: number, right: number][];
}

/** The strongest likeness of neighbouring strips, and how far it reaches each way; null where it is none of bars. */
function strongest(alike: Float64Array[], width: number): Found | null {
  let best = { value: 1, row: -1, at: 0 };
  for (const [row, values] of alike.entries())
    for (const [at, value] of values.entries()) if (value > best.value) best = { value, row, at };
  if (best.row < 0) return null;
  const level = BELONGS * best.value;
  let [top, bottom] = [best.row, best.row];
  const goesOn = (row: number) => (alike[row]?.[best.at] ?? 0) > level;
  while (goesOn(top - 1)) top--;
  while (goesOn(bottom + 1)) bottom++;
  const rows = alike.slice(top, bottom + 1);
  const across = (x: number) => rows.reduce((sum, values) => sum + (values[x] as number), 0) / rows.length;
  const span = (fades: number): [number, number] => {
    let [left, right] = [best.at, best.at];
    for (let x = left; x >= 0 && left - x <= fades; x--) if (across(x) > level) left = x;
    for (let x = right; x < width && x - right <= fades; x++) if (across(x) > level) right = x;
    return [left, right];
  };
  const [near, far] = [span(1), span(FADES * width)];
  return { top, bottom, likeness: best.value, spans: near[0] === far[0] && near[1] === far[1] ? [near] : [near, far] };
}

/**
 * Find bars by what tells them from letters: that the same steps of brightness stand under each other, strip for strip.
 *
 * @param flat with its bars upright
 * @returns the likeliest first; other print that goes straight down may be among them
 */
export function barFields(flat: Grey): BarField[] {
  const { width, height } = flat;
  const tall = Math.max(4, Math.round(width * STRIP));
  const reach = Math.max(2, Math.round(width / 400));
  const steps = Array.from({ length: Math.floor(height / tall) }, (_, i) => {
    const means = columnMeans(flat, i * tall, (i + 1) * tall);
    const at = (x: number) => means[Math.max(0, Math.min(width - 1, x))] as number;
    return means.map((_, x) => at(x + reach) - at(x - reach));
  });
  const window = Math.max(8, Math.round(width * 0.06));
  const alike = steps.slice(1).map((below, i) => {
    const above = steps[i] as Float64Array;
    const both = below.map((step, x) => step * (above[x] as number));
    return smooth(
      both.map((product) => Math.sign(product) * Math.sqrt(Math.abs(product))),
      window,
    );
  });
  const fields: BarField[] = [];
  for (let turn = 0; turn < MOST_TRIED; turn++) {
    const found = strongest(alike, width);
    if (!found) break;
    const { top, bottom, likeness, spans } = found;
    const [widest] = spans.slice(-1);
    for (const values of alike.slice(top, bottom + 1)) values.fill(0, widest?.[0], (widest?.[1] ?? 0) + 1);
    if (bottom - top < LOWEST) continue;
    // Upper and lower edge are left out: numbers stand in the bars, and the edges are seldom level.
    const [y0, y1] = [(top + 1) * tall, (bottom + 1) * tall];
    const means = columnMeans(flat, y0, y1);
    const tried = widest ? [...spans, densest(means, widest)] : spans;
    for (const [left, right] of tried.filter(([from, to]) => to - from >= NARROWEST * width)) {
      const beyond = Math.round((right - left) * BEYOND);
      const from = Math.max(0, left - beyond);
      const profile = means.slice(from, Math.min(width, right + beyond + 1));
      fields.push({ x: left, y: y0, width: right - left + 1, height: y1 - y0, likeness, profile, from });
    }
  }
  return fields;
}
