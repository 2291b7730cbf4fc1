import { cameOut, type Evidence, shareOf, withFindings } from '../judgement/evidence';
import type { Thresholds } from '../judgement/houseRules';
import type { Gain } from '../judgement/nextCheck';
import { type SetupId, setupOf } from './setups';

/** What a case still takes until it can be decided, as far as that can be told. */
export interface WorkAhead {
  /** Minutes of looking, by what has to be set up for it. */
  minutes: Partial<Record<SetupId, number>>;
  /** Checks that are expected to be done. */
  checks: number;
  /** False where all that is left is not expected to decide it. */
  decides: boolean;
}

/** Reading the verdict once more, and sealing it. */
const SEALING = 2;

/** Where a case stands, as far as it tells how much is still to be done. */
export interface StandsAt {
  /** P(goods genuine). */
  p: number;
  undecided: boolean;
  /** Checks without which the house decides nothing, of those that are open. */
  required: string[];
}

/** One way in which the rest of a case may go. */
interface Way {
  minutes: WorkAhead['minutes'];
  checks: number;
  decides: boolean;
}

/**
 * The rest of a case as it goes on a typical item of one side: checks in the order in which they are suggested, each
 * differing as often as on such items, evenly spread, until it can be decided and what the house requires is done.
 */
function goOn(
  gains: Gain[],
  seen: Evidence,
  missing: Set<string>,
  { of, decided }: { of: 'g' | 'c'; decided: (p: number) => boolean },
): Way {
  const minutes: Way['minutes'] = {};
  let [evidence, owed, checks, done] = [seen, 0.5, 0, decided(shareOf(seen))];
  for (const { finding, minutes: takes } of gains) {
    const { check } = finding;
    if (done && missing.size === 0) break;
    if (done && !missing.has(check.id)) continue;
    owed += check[of];
    const differs = owed >= 1;
    if (differs) owed -= 1;
    evidence = withFindings(evidence, [cameOut(finding, differs ? 'differs' : 'agrees')]);
    done = decided(shareOf(evidence));
    missing.delete(check.id);
    const setup = setupOf(check);
    minutes[setup] = (minutes[setup] ?? 0) + takes;
    checks += 1;
  }
  return { minutes, checks, decides: done && missing.size === 0 };
}

/** The interval has to lie within the thresholds too: the odds are asked for twice over. */
const SURER = 2;

/**
 * The minutes that a case still takes, on a typical genuine item and a typical counterfeit, weighed by how likely it is
 * either.
 *
 * @param gains open checks in the order in which they are suggested
 * @param seen all that was seen of it so far
 */
export function workAhead(
  gains: Gain[],
  seen: Evidence,
  { p, undecided, required }: StandsAt,
  { accept, reject }: Thresholds,
): WorkAhead {
  if (!undecided) return { minutes: { bench: SEALING }, checks: 0, decides: true };
  const ways = [
    {
      share: p,
      way: goOn(gains, seen, new Set(required), { of: 'g', decided: (at) => at >= 1 - (1 - accept) / SURER }),
    },
    { share: 1 - p, way: goOn(gains, seen, new Set(required), { of: 'c', decided: (at) => at <= reject / SURER }) },
  ];
  const minutes: WorkAhead['minutes'] = { bench: SEALING };
  for (const { share, way } of ways)
    for (const [setup, takes] of Object.entries(way.minutes) as [SetupId, number][])
      minutes[setup] = (minutes[setup] ?? 0) + share * takes;
  return {
    minutes,
    checks: Math.round(ways.reduce((sum, { share, way }) => sum + share * way.checks, 0)),
    decides: ways.some(({ share, way }) => share >= 0.5 && way.decides),
  };
}

/** All minutes of a case together, without setting up. */
export const totalMinutes = ({ minutes }: Pick<WorkAhead, 'minutes'>): number =>
  Object.values(minutes).reduce((sum, each) => sum + each, 0);
