import { binomialDistribution } from 'simple-statistics';
import { type Day, daysBetween } from '../dates/day';
import type { Release } from '../releases/release';

/** How many there were of a release, and how fast they went. */
export interface Supply {
  /** Items made in all sizes together, and shops that shared them. */
  run: number;
  shops: number;
  /** Days in which half of what a shop still has of a size is sold. */
  halfLifeDays: number;
  source: string;
}

/** Sizes that one seller offers, with how many of each. */
export interface OfferedSize {
  size: string;
  count: number;
}

const MOST_SIZES = 60;
/** How far off the usual sell-through may be, either way, as a factor. */
const SELL_THROUGH_FACTOR = 2;

/**
 * Sizes on offer as people write them: `40, 41, 42 x 3`, `40-43`, `S / M / L`.
 *
 * @param keys the release's sizes in their order, for what is written as a range
 * @returns null where the text names none
 */
export function readOffered(text: string, keys: string[]): OfferedSize[] | null {
  const offered: OfferedSize[] = [];
  if (/^\s*(?:all|every|full)\b/i.test(text)) return keys.length > 0 ? keys.map((size) => ({ size, count: 1 })) : null;
  for (const piece of text.split(/[,;/\n]+| and /)) {
    const part = piece.trim().toUpperCase();
    if (part === '') continue;
    const counted = /^(.+?)\s*(?:[X×]\s*(\d{1,3})|\((\d{1,3})\))$/.exec(part);
    const [name, count] = counted ? [counted[1] as string, Number(counted[2] ?? counted[3])] : [part, 1];
    const [from, to] = (name.split(/\s*(?:[-–—]|\bTO\b)\s*/) as [string, string?]).map((each) =>
      keys.findIndex((key) => key.toUpperCase() === each),
    );
    const range = from !== undefined && to !== undefined && from >= 0 && to > from ? keys.slice(from, to + 1) : [name];
    if (range.some((size) => !/^[\p{L}\d.½⅓⅔\s]{1,12}$/u.test(size)) || count < 1) return null;
    for (const size of range) offered.push({ size, count });
  }
  return offered.length > 0 && offered.length <= MOST_SIZES ? offered : null;
}

/** P(a shop still has at least so many of a size). */
function stillHas(count: number, { perSize, left }: { perSize: number; left: number }): number {
  if (count > perSize) return 0;
  const sold = binomialDistribution(perSize, Math.min(1 - 1e-12, Math.max(1e-12, left))) ?? [];
  let fewer = 0;
  for (let n = 0; n < count; n++) fewer += sold[n] ?? 0;
  return Math.max(0, 1 - fewer);
}

export interface SizeRun {
  /** P(an honest shop still has all of these), at the usual sell-through and at the slowest and fastest of reason. */
  p: number;
  range: [number, number];
  /** What a shop got of each size. */
  perSize: number;
  ageDays: number;
  sentence: string;
}

/**
 * How likely it is that one honest shop still has all the sizes that are offered: each piece of its share of the run
 * is still there with chance 2^(-age / half-life), independently of the others.
 *
 * @returns null where the record says neither when it was sold nor how many there were
 */
export function sizeRun(
  offered: OfferedSize[],
  { releaseDate, sizes, supply }: Pick<Release, 'releaseDate' | 'sizes'> & { supply?: Supply },
  today: Day,
): SizeRun | null {
  if (!supply || releaseDate === null || sizes.length === 0) return null;
  const ageDays = Math.max(0, daysBetween(releaseDate, today));
  const perSize = Math.max(1, Math.round(supply.run / supply.shops / sizes.length));
  const chance = (halfLife: number) =>
    offered.reduce((p, { count }) => p * stillHas(count, { perSize, left: 2 ** (-ageDays / halfLife) }), 1);
  const [fast, usual, slow] = [1 / SELL_THROUGH_FACTOR, 1, SELL_THROUGH_FACTOR].map((by) =>
    chance(by * supply.halfLifeDays),
  ) as [number, number, number];
  const pieces = offered.reduce((sum, { count }) => sum + count, 0);
  const share = (p: number) => (p < 0.001 ? 'under 0.1\u00a0%' : `${(100 * p).toFixed(p < 0.1 ? 1 : 0)}\u00a0%`);
  const reach = share(fast) === share(slow) ? '' : ` (${share(fast)} to ${share(slow)})`;
  const sentence = `${pieces} ${pieces === 1 ? 'piece' : 'pieces'} in ${offered.length} of ${sizes.length} sizes. Of ${supply.run.toLocaleString('en')} made a shop got about ${perSize} of each, and half of them went every ${supply.halfLifeDays} days. That one still has all of these after ${ageDays.toLocaleString('en')} days: ${share(usual)}${reach}.`;
  return { p: usual, range: [fast, slow], perSize, ageDays, sentence };
}
