import type { CheckDefinition } from '@/core/checks/check';
import type { Day } from '@/core/dates/day';
import { type Beta, likelyAtLeast, meanOf, type PerClass, statedBetas, statedMix } from '@/core/judgement/classes';
import { type ConfirmedCase, type ConfirmedFinding, sideOfTruth } from '@/core/judgement/confirmedCase';
import type { HouseRules } from '@/core/judgement/houseRules';
import { weightOfCase } from '@/core/judgement/learning/caseWeight';
import { knownShifts } from '@/core/judgement/learning/knownShifts';
import { residualChances } from '@/core/judgement/outcomeChances';
import type { LearnedStrand, TellStatistics } from '@/core/judgement/statistics';

const MOST_ROUNDS = 60;
const SETTLED = 1e-5;

/* What the first edition learned, kept to be compared with. */

/** One confirmed item as one side of a strand saw it. */
interface Row {
  weight: number;
  seen: [check: string, finding: ConfirmedFinding][];
}

/** A side of a strand: the share of its second class, and each check's chance to differ in either. */
interface SideFit {
  second: Beta;
  checks: Record<string, [first: Beta, second: Beta]>;
}

const add = ([yes, no]: Beta, more: number, less: number): Beta => [yes + more, no + less];

/** P(an outcome | class) for both classes of a strand, by check. */
type Chances = (check: string, finding: ConfirmedFinding) => [first: number, second: number] | null;

/** How likely all that was seen in one case is in each class, times that class's share. */
function classesOf({ seen }: Row, share: number, chancesOf: Chances): [first: number, second: number] {
  let [first, second] = [1 - share, share];
  for (const [check, finding] of seen) {
    const chances = chancesOf(check, finding);
    if (!chances) continue;
    first *= chances[0];
    second *= chances[1];
  }
  return [first, second];
}

/** Count one case, `part` of it in the second class and the rest in the first. */
function count(fit: SideFit, { weight, seen }: Row, part: number): void {
  const rest = weight - part;
  fit.second = add(fit.second, part, rest);
  for (const [check, { differs, residual }] of seen) {
    const counts = fit.checks[check];
    if (!counts || residual) continue;
    const [a, b] = counts;
    fit.checks[check] = differs ? [add(a, rest, 0), add(b, part, 0)] : [add(a, 0, rest), add(b, 0, part)];
  }
}

/** One round of expectation maximisation: every case counted by what the fit so far makes of it. */
function refit(rows: Row[], prior: SideFit, fit: SideFit, densities: Chances): { next: SideFit; total: number } {
  const share = meanOf(fit.second);
  const means = new Map(
    Object.entries(fit.checks).map(([id, [a, b]]) => [
      id,
      [likelyAtLeast(meanOf(a)), likelyAtLeast(meanOf(b))] as const,
    ]),
  );
  const chancesOf: Chances = (check, finding) => {
    if (finding.residual) return densities(check, finding);
    const [a, b] = means.get(check) ?? [];
    if (a === undefined || b === undefined) return null;
    return finding.differs ? [a, b] : [1 - a, 1 - b];
  };
  const next: SideFit = { second: prior.second, checks: { ...prior.checks } };
  let total = 0;
  for (const row of rows) {
    const [first, second] = classesOf(row, share, chancesOf);
    const sum = first + second;
    if (!(sum > 0)) continue;
    total += row.weight * Math.log(sum);
    count(next, row, (row.weight * second) / sum);
  }
  return { next, total };
}

/**
 * Expectation maximisation of a mixture of two classes whose checks are independent within a class. The prior
 * pseudo-counts are kept throughout, so that a check nobody has looked at stays as it was stated.
 *
 * @param densities of a measured value in the first and the second class; null where they are the same
 */
function fitSide(rows: Row[], prior: SideFit, densities: Chances): SideFit {
  let fit = prior;
  let before = Number.NEGATIVE_INFINITY;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { next, total } = refit(rows, prior, fit, densities);
    fit = next;
    if (Math.abs(total - before) < SETTLED * (1 + Math.abs(total))) break;
    before = total;
  }
  return fit;
}

function rowsOf(
  cases: ConfirmedCase[],
  checks: CheckDefinition[],
  side: 'genuine' | 'counterfeit',
  asOf: Day,
  rules: HouseRules,
): Row[] {
  return cases.flatMap((each): Row[] => {
    const seen = checks.flatMap(({ id, bearsOn }): Row['seen'] => {
      const finding = each.findings[id];
      return finding && sideOfTruth(each.truth, bearsOn) === side ? [[id, finding]] : [];
    });
    return seen.length > 0 ? [{ weight: weightOfCase(each, asOf, rules), seen }] : [];
  });
}

function learnStrand(cases: ConfirmedCase[], checks: CheckDefinition[], asOf: Day, rules: HouseRules): LearnedStrand {
  const mix = statedMix(rules);
  const stated = Object.fromEntries(checks.map((check) => [check.id, statedBetas(check, rules, 1)]));
  const pick = (first: keyof PerClass<Beta>, second: keyof PerClass<Beta>): SideFit['checks'] =>
    Object.fromEntries(Object.entries(stated).map(([id, betas]) => [id, [betas[first], betas[second]]]));
  const genuine = fitSide(
    rowsOf(cases, checks, 'genuine', asOf, rules),
    { second: mix.offDay, checks: pick('usual', 'offDay') },
    () => null,
  );
  const [no, yes] = [mix.wellCopied[1], mix.wellCopied[0]];
  const counterfeit = fitSide(
    rowsOf(cases, checks, 'counterfeit', asOf, rules),
    { second: [no, yes], checks: pick('well', 'poorly') },
    (_, { residual }) => {
      if (!residual) return null;
      const { well, poorly } = residualChances(residual, null, 0);
      return [well, poorly];
    },
  );
  return {
    mix: { offDay: genuine.second, wellCopied: [counterfeit.second[1], counterfeit.second[0]] },
    checks: Object.fromEntries(
      checks.map(({ id }): [string, PerClass<Beta>] => {
        const [usual, offDay] = genuine.checks[id] as [Beta, Beta];
        const [well, poorly] = counterfeit.checks[id] as [Beta, Beta];
        return [id, { usual, offDay, well, poorly }];
      }),
    ),
  };
}

/**
 * What confirmed cases teach about the checks of one kind of goods: shares and chances of the hidden classes by
 * expectation maximisation, with what is stated as prior counts.
 *
 * @param cases of that kind; counterfeits fade with the house's half-life
 * @param checks every check that may have been answered
 * @param asOf the day from which ages are counted
 * @source Dempster, Laird, Rubin, Maximum Likelihood from Incomplete Data via the EM Algorithm, 1977
 */
export function learnFirst(
  kind: string,
  cases: ConfirmedCase[],
  checks: CheckDefinition[],
  rules: HouseRules,
  asOf: Day,
): TellStatistics {
  const strands = [...new Set(checks.map(({ strand }) => strand))];
  const weight = (goods: string) =>
    cases.filter(({ truth }) => truth.goods === goods).reduce((sum, each) => sum + weightOfCase(each, asOf, rules), 0);
  return {
    id: kind,
    asOf,
    genuine: weight('genuine'),
    counterfeit: weight('counterfeit'),
    strands: Object.fromEntries(
      strands.map((strand) => [
        strand,
        learnStrand(
          cases,
          checks.filter((check) => check.strand === strand),
          asOf,
          rules,
        ),
      ]),
    ),
    shifts: knownShifts(cases, asOf, rules),
  };
}
