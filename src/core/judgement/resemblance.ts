import type { KnownCopy } from '../releases/knownCopy';
import { type Evidence, logsOf } from './evidence';
import { makesOf, updateAll } from './hypotheses';
import type { LearnedMake } from './statistics';

/** The make under which a person noted most of a learned make's cases; undefined where nobody noted one of them. */
export function notedAs({ cases }: Pick<LearnedMake, 'cases'>, copies: KnownCopy[] = []): KnownCopy | undefined {
  const own = new Set(cases);
  return copies
    .map((copy) => ({ copy, shared: copy.cases.filter((number) => own.has(number)).length }))
    .filter(({ shared }) => shared > 0)
    .sort((a, b) => b.shared - a.shared)[0]?.copy;
}

/** The copies of a make, by the name under which a person noted most of them, else by their cases. */
export function nameOfMake(make: LearnedMake, copies: KnownCopy[] = []): string {
  const noted = notedAs(make, copies);
  if (!noted) return `the copies of ${listedNumbers(make.cases)}`;
  const { name, generation } = noted;
  const met = make.cases.length === 1 ? 'once' : `${make.cases.length} times`;
  return `the copies called “${name}”${generation ? `, ${generation}` : ''}, met ${met} before`;
}

/** `PP-0001, PP-0002 and 4 more` */
function listedNumbers(numbers: string[]): string {
  if (numbers.length > 3) return `${numbers.slice(0, 2).join(', ')} and ${numbers.length - 2} more`;
  return numbers.join(', ').replace(/, (?=[^,]*$)/, ' and ');
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
