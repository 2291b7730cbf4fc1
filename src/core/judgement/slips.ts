import type { Finding } from '../checks/finding';
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
  const tells = 1 - average.missed - average.false;
  return (chance) => {
    const really = Math.min(1, Math.max(0, (chance - average.false) / tells));
    return Math.min(0.999, Math.max(0.001, really * (1 - own.missed) + (1 - really) * own.false));
  };
}
