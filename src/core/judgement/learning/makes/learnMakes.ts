import type { CheckDefinition } from '../../../checks/check';
import type { ConfirmedCase } from '../../confirmedCase';
import { EDITIONS, NEWEST_EDITION } from '../../edition';
import type { HouseRules } from '../../houseRules';
import { type MakePrior, makePrior } from '../../makePrior';
import { knownShare, overClasses } from '../../makes';
import type { LearnedMake, MakePriorName, MakeStatistics, TellStatistics } from '../../statistics';
import { type Copy, copiesByRelease } from './copiesOf';
import { ascending } from './names';
import { Predictive } from './predictive';
import { type Sorting, sortCopies } from './sortCopies';

/** Fewer confirmed copies of a kind say nothing of makes. */
const LEAST = 12;
const FOLDS = 5;
/** So many copies, of the releases that were copied most, show how far makes foresee. */
const ENOUGH = 240;
/** A held-out fifth needs fewer sweeps: its sorting is looked at once. */
const FOLD_BURN_IN = 20;
const SHARES = Array.from({ length: 20 }, (_, i) => i * 0.05);
const PRIORS: MakePriorName[] = ['slips', 'plain'];

/** How likely the strands make what a copy shows, as a logarithm, by what was learned without it. */
export type StrandForesight = (fold: readonly string[]) => (number: string) => number | null;

/** How many copies of a make differed and agreed, check by check. */
function tally(copies: Copy[], members: number[], checks: number): [differs: number, agrees: number][] {
  return Array.from({ length: checks }, (_, check) => {
    let [differs, agrees] = [0, 0];
    for (const i of members) {
      const outcome = copies[i]?.outcomes[check];
      if (outcome === 1) differs++;
      else if (outcome === 0) agrees++;
    }
    return [differs, agrees];
  });
}

const makesOf = (copies: Copy[], sorting: Sorting, checks: string[]): LearnedMake[] =>
  sorting.map((members) => {
    const cases = members.map((i) => copies[i]?.number as string).sort(ascending);
    const tallies = tally(copies, members, checks.length).map((each, at) => [checks[at] as string, each] as const);
    return {
      id: cases[0] as string,
      cases,
      seen: Object.fromEntries(tallies.filter(([, [differs, agrees]]) => differs + agrees > 0)),
    };
  });

/** A make of the copies that are not held out: how likely the next one is of it, and what its copies showed. */
interface KnownMake {
  log: number;
  seen: [differs: number, agrees: number][];
}

const knownMakesOf = (copies: Copy[], samples: Sorting[], checks: number): KnownMake[] =>
  samples.flatMap((sorting) =>
    sorting.map((members) => ({
      log: Math.log(members.length / copies.length / samples.length),
      seen: tally(copies, members, checks),
    })),
  );

/** Log of a sum, from the logs of what is summed. */
function logSum(logs: number[]): number {
  const largest = Math.max(...logs);
  return largest + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - largest), 0));
}

/** Log P(what a copy shows) over the makes of others of its release. */
const foreseen = ({ outcomes }: Copy, makes: KnownMake[], predictive: Predictive): number =>
  logSum(
    makes.map(({ log, seen }) =>
      seen.reduce((sum, [differs, agrees], check) => {
        const outcome = outcomes[check] as number;
        return outcome < 0 ? sum : sum + (predictive.logs(check, differs, agrees)[outcome] as number);
      }, log),
    ),
  );

/** A held-out copy: how likely makes and strands had it, and how many others of its release were known. */
interface HeldOut {
  makes: number;
  strands: number;
  known: number;
}

/** A fifth of the copies, and how likely the strands make each as learned without all of them. */
interface Fold {
  out: { release: string; copy: Copy; strands: number }[];
  numbers: Set<string>;
}

function foldsOf(releases: ReadonlyMap<string, Copy[]>, strands: StrandForesight): Fold[] {
  const all: { release: string; copy: Copy }[] = [];
  for (const [release, copies] of [...releases].sort(([, a], [, b]) => b.length - a.length))
    if (all.length < ENOUGH) all.push(...copies.map((copy) => ({ release, copy })));
  return Array.from({ length: FOLDS }, (_, fold) => {
    const held = all.filter((_each, i) => i % FOLDS === fold);
    const numbers = new Set(held.map(({ copy }) => copy.number));
    const foresight = strands([...numbers]);
    const out = held.flatMap(({ release, copy }) => {
      const log = foresight(copy.number);
      return log === null ? [] : [{ release, copy, strands: log }];
    });
    return { out, numbers };
  });
}

function holdOut(releases: ReadonlyMap<string, Copy[]>, folds: Fold[], priors: MakePrior[]): HeldOut[] {
  const predictive = new Predictive(priors);
  return folds.flatMap(({ out, numbers }) => {
    const sorted = new Map<string, { others: number; makes: KnownMake[] }>();
    const knownOf = (release: string) => {
      const others = (releases.get(release) ?? []).filter(({ number }) => !numbers.has(number));
      const samples = others.length > 0 ? sortCopies(others, predictive, FOLD_BURN_IN) : [];
      return { others: others.length, makes: knownMakesOf(others, samples, priors.length) };
    };
    return out.flatMap(({ release, copy, strands }): HeldOut[] => {
      const known = sorted.get(release) ?? knownOf(release);
      sorted.set(release, known);
      if (known.others === 0) return [];
      return [{ makes: foreseen(copy, known.makes, predictive), strands, known: known.others }];
    });
  });
}

/** How well a share of the known makes foresees held-out copies; makes have to be worth their doubt. */
function worthOf(share: number, held: HeldOut[]): number {
  const log = held.reduce((sum, { makes, strands, known }) => {
    const v = knownShare(share, known);
    return sum + logSum([Math.log(v) + makes, Math.log(1 - v) + strands]);
  }, 0);
  return log + 2 * Math.log(1 - share);
}

/**
 * The makes of copies of a kind's releases, and how far they foresee the next copy.
 *
 * @param statistics what was learned of the kind without them
 * @param strands how likely the strands make what a copy shows, learned without some of the cases
 * @param held case number to the make that a person sorted it into
 */
export function learnMakes(
  cases: ConfirmedCase[],
  checks: CheckDefinition[],
  rules: HouseRules,
  statistics: TellStatistics,
  strands: StrandForesight,
  held: ReadonlyMap<string, string>,
): MakeStatistics {
  const ids = checks.map(({ id }) => id);
  const ofOthers = new Set(checks.filter(({ bearsOn }) => bearsOn !== 'goods').map(({ id }) => id));
  const releases = copiesByRelease(cases, ids, ofOthers, held);
  const nothing: MakeStatistics = { share: 0, prior: 'slips', releases: {} };
  if ([...releases.values()].reduce((sum, copies) => sum + copies.length, 0) < LEAST) return nothing;
  const priorsOf = (name: MakePriorName): MakePrior[] =>
    checks.map((check) => {
      const { genuine, copied } = overClasses({ check }, rules, statistics, EDITIONS[NEWEST_EDITION]);
      return makePrior(name, genuine, copied);
    });
  const folds = foldsOf(releases, strands);
  let best = { share: 0, prior: 'slips' as MakePriorName, worth: Number.NEGATIVE_INFINITY };
  for (const prior of PRIORS) {
    const out = holdOut(releases, folds, priorsOf(prior));
    for (const share of SHARES) {
      const worth = worthOf(share, out);
      if (worth > best.worth + 1e-9) best = { share, prior, worth };
    }
  }
  if (best.share === 0) return nothing;
  const predictive = new Predictive(priorsOf(best.prior));
  return {
    share: best.share,
    prior: best.prior,
    releases: Object.fromEntries(
      [...releases].map(([release, copies]) => [
        release,
        {
          copies: copies.length,
          samples: sortCopies(copies, predictive).map((sorting) => makesOf(copies, sorting, ids)),
        },
      ]),
    ),
  };
}
