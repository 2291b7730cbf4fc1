import type { KnownCopy } from '../releases/knownCopy';
import { type Evidence, logsOf } from './evidence';
import { makesOf, updateAll } from './hypotheses';
import type { LearnedMake } from './statistics';

/** What the house calls a make: the name under which a person noted most of its cases, else those cases. */
export function nameOfMake({ cases }: LearnedMake, copies: KnownCopy[] = []): string {
  const own = new Set(cases);
  const [noted] = copies
    .map((copy) => ({ copy, shared: copy.cases.filter((number) => own.has(number)).length }))
    .filter(({ shared }) => shared > 0)
    .sort((a, b) => b.shared - a.shared);
  if (!noted) return `the make of ${cases.slice(0, 3).join(', ')}`;
  const { name, generation } = noted.copy;
  return `“${name}”${generation ? `, ${generation}` : ''}`;
}

/** A make is named from so sure on. */
export const NAMED_FROM = 0.8;

/** The make that an item resembles most, and how surely it is of it. */
export interface Resemblance {
  make: LearnedMake;
  /** P(counterfeit and of this make). */
  p: number;
}

/**
 * The make that an item resembles most, by the likeliest way of sorting the release's copies into makes.
 *
 * @returns null where no make of the release is known
 */
export function resembles(evidence: Evidence): Resemblance | null {
  const { parameters, hypotheses, prior } = evidence;
  const { makes } = parameters;
  if (!makes || makes.named.length === 0) return null;
  const after = updateAll(hypotheses, prior, logsOf(evidence));
  const byMake = makesOf(hypotheses, after);
  const copied = after.subarray(hypotheses.from.transplanted).reduce((sum, each) => sum + each, 0);
  const all = byMake.reduce((sum, each) => sum + each, 0);
  // Each sample stands for the same copies: the first alone, as often as it would count by itself.
  const first = byMake.slice(0, makes.named.length).map((p) => p * makes.samples);
  const total = copied - all + first.reduce((sum, each) => sum + each, 0);
  const best = first.reduce((at, p, i) => (p > (first[at] as number) ? i : at), 0);
  return { make: makes.named[best] as LearnedMake, p: total > 0 ? (copied * (first[best] as number)) / total : 0 };
}
