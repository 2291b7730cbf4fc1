import { randomBeta, randomLcg } from 'd3-random';
import { type CheckDefinition, SUPPORT_OBSERVATIONS } from '../checks/check';
import { addDays, type Day, quarterOf } from '../dates/day';
import { type ConfirmedCase, sideOfTruth } from './confirmedCase';
import { middle90 } from './draws';
import type { HouseRules } from './houseRules';
import { weightOfCase } from './learning/caseWeight';

/** How often a check was looked at on one side of the truth, and how often it differed. */
export interface Tally {
  seen: number;
  differed: number;
}

/** A chance with its 90 % interval. */
export interface Estimate {
  value: number;
  interval: [number, number];
}

export type CheckVerdict = 'useful' | 'weak' | 'stale' | 'untested';

/** What confirmed cases say of one check. */
export interface CheckRecord {
  check: CheckDefinition;
  genuine: Tally;
  counterfeit: Tally;
  /** P(differs | genuine) and P(differs | counterfeit): stated chances and cases together, counterfeits faded. */
  g: Estimate;
  c: Estimate;
  /** P(differs | counterfeit) among the recent counterfeits alone; null where there are too few. */
  recent: Estimate | null;
  /** Decibans when it agrees and when it differs; for measured values by in and out of tolerance. */
  worth: { agrees: number; differs: number };
  /** By quarter, the oldest first. */
  trend: { quarter: string; genuine: Tally; counterfeit: Tally }[];
  verdict: CheckVerdict;
  /** Why, in a sentence. */
  because: string;
}

/** Fewer cases than this on either side prove nothing. */
const TESTED = 8;
const RECENT_DAYS = 274;
const RECENT_ENOUGH = 5;
/** A difference worth less than five decibans is negligible. */
const SEPARATES = 10 ** 0.5;
const DRAWS = 1000;

/** Mean and 90 % interval of a Beta, by draws; the same each time. */
function estimate(yes: number, no: number): Estimate {
  const draw = randomBeta.source(randomLcg(0.161803))(Math.max(1e-3, yes), Math.max(1e-3, no));
  return { value: yes / (yes + no), interval: middle90(Array.from({ length: DRAWS }, draw)) };
}

/** A chance as a check's page shows it: `4.6 %`, `28 %`. */
export const formatChance = (share: number): string =>
  share < 0.0005 ? 'under 0.1 %' : `${Number((share * 100).toFixed(share < 0.1 ? 1 : 0))} %`;

/**
 * What confirmed cases say of a check: counts, chances with intervals, its worth, its trend, and whether it still
 * tells copies apart.
 *
 * @param cases confirmed ones of the check's kind of goods
 * @param asOf the day from which “recent” counts back nine months
 */
export function checkRecord(check: CheckDefinition, cases: ConfirmedCase[], rules: HouseRules, asOf: Day): CheckRecord {
  const genuine: Tally = { seen: 0, differed: 0 };
  const counterfeit: Tally = { seen: 0, differed: 0 };
  const recently: Tally = { seen: 0, differed: 0 };
  const earlier: Tally = { seen: 0, differed: 0 };
  const worth = SUPPORT_OBSERVATIONS[check.support];
  const sums = { g: [check.g * worth, (1 - check.g) * worth], c: [check.c * worth, (1 - check.c) * worth] };
  const quarters = new Map<string, { genuine: Tally; counterfeit: Tally }>();
  const since = addDays(asOf, -RECENT_DAYS);
  const count = (tally: Tally, differs: boolean) => {
    tally.seen += 1;
    if (differs) tally.differed += 1;
  };
  for (const each of cases) {
    const finding = each.findings[check.id];
    const side = finding && sideOfTruth(each.truth, check.bearsOn);
    if (!finding || !side) continue;
    const quarter = quarterOf(each.at);
    const bucket = quarters.get(quarter) ?? {
      genuine: { seen: 0, differed: 0 },
      counterfeit: { seen: 0, differed: 0 },
    };
    quarters.set(quarter, bucket);
    count(bucket[side], finding.differs);
    count(side === 'genuine' ? genuine : counterfeit, finding.differs);
    const sum = side === 'genuine' ? sums.g : sums.c;
    const weight = weightOfCase(each, asOf, rules);
    const at = finding.differs ? 0 : 1;
    sum[at] = (sum[at] as number) + weight;
    if (side === 'counterfeit') count(each.at >= since ? recently : earlier, finding.differs);
  }
  const [g, c] = [sums.g, sums.c].map(([yes = 0, no = 0]) => estimate(yes, no)) as [Estimate, Estimate];
  const recent =
    recently.seen >= RECENT_ENOUGH ? estimate(recently.differed + 0.5, recently.seen - recently.differed + 0.5) : null;
  const { verdict, because } = judged({ genuine, counterfeit, earlier, g, c, recent });
  return {
    check,
    genuine,
    counterfeit,
    g,
    c,
    recent,
    worth: {
      agrees: 10 * Math.log10((1 - g.value) / (1 - c.value)),
      differs: 10 * Math.log10(g.value / c.value),
    },
    trend: [...quarters].sort(([a], [b]) => a.localeCompare(b)).map(([quarter, tallies]) => ({ quarter, ...tallies })),
    verdict,
    because,
  };
}

function judged({
  genuine,
  counterfeit,
  earlier,
  g,
  c,
  recent,
}: Pick<CheckRecord, 'genuine' | 'counterfeit' | 'g' | 'c' | 'recent'> & { earlier: Tally }): {
  verdict: CheckVerdict;
  because: string;
} {
  if (genuine.seen < TESTED || counterfeit.seen < TESTED)
    return {
      verdict: 'untested',
      because: `Seen on ${genuine.seen} genuine and ${counterfeit.seen} counterfeit items; from ${TESTED} of each on it can be told.`,
    };
  const before = (earlier.differed + 0.5) / (earlier.seen + 1);
  if (recent && earlier.seen >= RECENT_ENOUGH && before / g.value >= SEPARATES && recent.interval[1] < before)
    if (recent.value / g.value < SEPARATES || recent.interval[1] < before / 2)
      return {
        verdict: 'stale',
        because: `It differed on ${formatChance(before)} of earlier counterfeits and on ${formatChance(recent.value)} of those of the last nine months: copies have learned it.`,
      };
  if (c.value / g.value < SEPARATES)
    return {
      verdict: 'weak',
      because: `It differs on ${formatChance(g.value)} of genuine and ${formatChance(c.value)} of counterfeit items, too little apart to tell.`,
    };
  return {
    verdict: 'useful',
    because: `It differs on ${formatChance(c.value)} of counterfeit and ${formatChance(g.value)} of genuine items.`,
  };
}
