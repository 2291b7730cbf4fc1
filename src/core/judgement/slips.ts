import type { Finding } from '../checks/finding';
import { likelyAtLeast } from './classes';
import type { Edition } from './edition';
import type { TellStatistics } from './statistics';

/** How often one person records the other outcome than the true one. */
export interface Slips {
  /** Answers that somebody else gave too, without knowing of it. */
  doubles: number;
  /** P(recorded as agreeing | it differs), and the reverse. */
  missed: number;
  false: number;
}

/** What double answers say of each person. */
export interface CheckerSlips {
  /** False while there are too few double answers to hold it against anybody. */
  applied: boolean;
  /** Of all who answered, by how much they answered. */
  average: Pick<Slips, 'missed' | 'false'>;
  people: Record<string, Slips>;
}

const asItIs = (chance: number): number => chance;

/** P(it really differs), of a chance that was learned from what everybody recorded. */
const really = (chance: number, { missed, false: wrong }: CheckerSlips['average']): number =>
  Math.min(1, Math.max(0, (chance - wrong) / (1 - missed - wrong)));

/** P(recorded so | it really is so). */
const recorded = (
  differs: boolean,
  isSo: boolean,
  { missed, false: wrong }: Pick<Slips, 'missed' | 'false'>,
): number => (isSo ? (differs ? 1 - missed : missed) : differs ? wrong : 1 - wrong);

/**
 * P(one person recorded the one thing, and somebody else of average care will record the other), of a chance to
 * differ as it was learned.
 */
export function recordedTwice(
  { average }: CheckerSlips,
  first: Pick<Slips, 'missed' | 'false'>,
  [one, other]: [one: boolean, other: boolean],
  chance: number,
): number {
  const differs = really(chance, average);
  return (
    differs * recorded(one, true, first) * recorded(other, true, average) +
    (1 - differs) * recorded(one, false, first) * recorded(other, false, average)
  );
}

/**
 * Turns a chance to differ, as it was learned from what everybody recorded, into that of this person's records: some
 * take what differs for agreeing, or the reverse, more often than others.
 *
 * @param held the house takes everybody for the average
 */
export function recordedBy(
  { by }: Pick<Finding, 'by'>,
  statistics: TellStatistics | null,
  edition: Edition,
  held: boolean,
): (chance: number) => number {
  const checkers = edition.number === 1 || held ? undefined : statistics?.checkers;
  const own = by === undefined ? undefined : checkers?.people[by];
  if (!checkers?.applied || !own) return asItIs;
  const { average } = checkers;
  return (chance) => {
    const differs = really(chance, average);
    return likelyAtLeast(differs * recorded(true, true, own) + (1 - differs) * recorded(true, false, own));
  };
}
