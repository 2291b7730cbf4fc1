import type { Trends } from '../statistics';
import { type Course, commonTrend, type Trend } from './commonTrend';
import type { Fitted, LearningTask } from './em';
import { ofStrand } from './expectation';
import { CLASSES, type Fit } from './fit';
import { MONTHS_A_QUARTER, type Quarter, quartersOf } from './quarters';
import { sigmoid } from './sigmoid';

/** So many nats better must a trend explain what was counted, if nothing of it hangs together. */
const DOUBT = 3;

/** Rounds in which the classes are told anew, with what held in each quarter. */
const ROUNDS = 4;

const POORLY = CLASSES.indexOf('poorly');

const middleOf = (ago: number): number => (ago + 0.5) * MONTHS_A_QUARTER;

/** How often strands were well copied, quarter by quarter. */
function sharesByQuarter(quarters: Quarter[], strands: number): Course[] {
  const counted = (of: 'well' | 'poorly', s: number) =>
    quarters.map(({ tally }) => ofStrand(tally[of], s, strands).reduce((a, b) => a + b, 0));
  return Array.from({ length: strands }, (_, s) => ({ yes: counted('well', s), no: counted('poorly', s) }));
}

/** How often checks differed on poor copies, quarter by quarter. */
function chancesByQuarter(quarters: Quarter[], checks: number): Course[] {
  const counted = (of: 'differs' | 'agrees', i: number) =>
    quarters.map(({ tally }) => tally[of][POORLY * checks + i] as number);
  return Array.from({ length: checks }, (_, i) => ({ yes: counted('differs', i), no: counted('agrees', i) }));
}

/** The trend, if it explains enough; null where nothing moved. */
const sure = (trend: Trend, doubt: number): Trend | null => (trend.gain > doubt ? trend : null);

/**
 * So many times as strong does a trend of all strands seem where these hang together: a few good copies are good all
 * over. By as much as the variance of a sum grows, with the correlation of two classes that a normal copula gives.
 */
const inflation = (correlation: number, strands: number): number =>
  1 + (strands - 1) * (2 / Math.PI) * Math.asin(correlation);

const logitsAt = ({ now, slope }: Trend, ago: number): number[] => now.map((logit) => logit - slope * middleOf(ago));

/** The fit as it held so many quarters ago. */
function fitAt(fit: Fit, shares: Trend | null, chances: Trend | null, ago: number): Fit {
  const chance = fit.chance.slice();
  if (chances) chance.set(logitsAt(chances, ago).map(sigmoid), POORLY * chances.now.length);
  return { ...fit, chance, wellCopied: shares ? Float64Array.from(logitsAt(shares, ago), sigmoid) : fit.wellCopied };
}

/** Counts of poor copies that come to what holds today, as many as there were. */
function countsToday({ tally }: Fitted, stated: LearningTask['stated'], { now }: Trend): Fitted['tally'] {
  const [differs, agrees] = [tally.differs.slice(), tally.agrees.slice()];
  for (const [i, logit] of now.entries()) {
    const at = POORLY * now.length + i;
    const [yes, no] = [stated.differs[at] as number, stated.agrees[at] as number];
    const all = yes + no + (differs[at] as number) + (agrees[at] as number);
    differs[at] = all * sigmoid(logit) - yes;
    agrees[at] = all * sigmoid(-logit) - no;
  }
  return { ...tally, differs, agrees };
}

/**
 * What holds of copies today, where copyists get better steadily: at whole strands, and at what they get wrong in poor
 * ones. A half-life only forgets; a trend says where it has come to. Where releases differ, or where the house holds its
 * memory, there is none.
 *
 * @param fitted what all cases come to as if nothing had moved
 */
export function withTrends(task: LearningTask, fitted: Fitted): { fitted: Fitted; trends: Trends } {
  const { table, stated } = task;
  const none: Trends = { shares: 0, chances: 0 };
  if (stated.rules.frozen?.memory || fitted.fit.ofRelease) return { fitted, trends: none };
  const strands = table.strands.length;
  const doubtShares = DOUBT * inflation(fitted.fit.quality.counterfeit, strands);
  let shares: Trend | null = null;
  let chances: Trend | null = null;
  for (let round = 0; round < ROUNDS; round++) {
    const quarters = quartersOf(task, (ago) => fitAt(fitted.fit, shares, chances, ago));
    const ages = quarters.map(({ ago }) => middleOf(ago));
    shares = sure(commonTrend(sharesByQuarter(quarters, strands), ages), doubtShares);
    chances = sure(commonTrend(chancesByQuarter(quarters, table.checks.length), ages), DOUBT);
    if (!shares && !chances) return { fitted, trends: none };
  }
  return {
    fitted: {
      ...fitted,
      fit: { ...fitted.fit, wellCopied: shares ? Float64Array.from(shares.now, sigmoid) : fitted.fit.wellCopied },
      tally: chances ? countsToday(fitted, stated, chances) : fitted.tally,
    },
    trends: { shares: shares?.slope ?? 0, chances: chances?.slope ?? 0 },
  };
}
