import { CHANNEL_NAMES, type Channel } from '../casefile/events/circumstancesStated';
import { bandName, PRICE_TABLE } from '../listing/priceTable';
import { meanOf, type PerClass } from './classes';
import { EDITIONS, NEWEST_EDITION } from './edition';
import type { Frozen, HouseRules } from './houseRules';
import { CHANNEL_WORTH } from './prior';
import type { TellStatistics } from './statistics';

/** One figure as it is stated, and as cases taught it. */
export interface LearnedFigure {
  /** What it is, in words. */
  name: string;
  stated: string;
  learned: string;
  /** What it rests on, or why it is not applied. */
  basis: string;
  /** What the house holds where it holds this. */
  holds: keyof Frozen;
}

const CLASS_NAMES: PerClass<string> = {
  usual: 'genuine items',
  offDay: 'their off-days',
  well: 'good copies',
  poorly: 'poor copies',
};

const percent = (share: number): string => `${Number((share * 100).toPrecision(2))} %`;
/** How many times the odds are of a year before, by the slope of their logit a month. */
const byYear = (slope: number): string => `× ${Number(Math.exp(12 * slope).toPrecision(2))}`;
const months = (halfLife: number | null): string => (halfLife === null ? 'never' : `${halfLife} months`);

/**
 * What cases taught about a kind of goods beside its checks, each figure beside the stated one.
 *
 * @param peopleNames by id
 */
export function learnedFigures(
  { shares, quality, support, memory, trends, releases, makes, truthErrors, checkers, prices }: TellStatistics,
  rules: HouseRules,
  peopleNames: Record<string, string>,
): LearnedFigure[] {
  const figures: LearnedFigure[] = Object.entries(shares?.channels ?? {}).map(([channel, beta]) => ({
    name: `copies among what comes by: ${CHANNEL_NAMES[channel as Channel] ?? channel}`,
    stated: percent(rules.priors[channel as Channel] ?? 0),
    learned: percent(meanOf(beta)),
    basis: `${Math.round(beta[0] + beta[1] - CHANNEL_WORTH)} items by the door`,
    holds: 'shares',
  }));
  if (quality)
    figures.push({
      name: 'signs of one copy hang together, 0 to 1',
      stated: String(EDITIONS[NEWEST_EDITION].quality.counterfeit),
      learned: String(quality.counterfeit),
      basis: 'what copies showed together',
      holds: 'quality',
    });
  for (const [name, factor] of Object.entries(support ?? {}))
    figures.push({
      name: `stated chances count, to what their support says: ${CLASS_NAMES[name as keyof PerClass<unknown>]}`,
      stated: '× 1',
      learned: `× ${factor}`,
      basis: 'stated chances against what was seen',
      holds: 'support',
    });
  if (memory)
    figures.push(
      {
        name: 'how well copies are made counts half after',
        stated: months(rules.halfLifeMonths),
        learned: months(memory.shares),
        basis: 'what was foreseen of each quarter',
        holds: 'memory',
      },
      {
        name: 'what copies get wrong counts half after',
        stated: months(rules.halfLifeMonths),
        learned: months(memory.chances),
        basis: 'what was foreseen of each quarter',
        holds: 'memory',
      },
    );
  if (trends)
    figures.push(
      {
        name: 'odds that copies are well made, from one year to the next',
        stated: '× 1',
        learned: byYear(trends.shares),
        basis: 'confirmed and sealed copies, quarter by quarter',
        holds: 'memory',
      },
      {
        name: 'odds that poor copies get things wrong, from one year to the next',
        stated: '× 1',
        learned: byYear(trends.chances),
        basis: 'confirmed and sealed copies, quarter by quarter',
        holds: 'memory',
      },
    );
  if (releases)
    figures.push({
      name: 'releases differ among themselves',
      stated: 'no',
      learned: releases.worth === null ? 'no' : `the kind is worth ${releases.worth} items`,
      basis: 'what was foreseen of later items',
      holds: 'releases',
    });
  if (makes) {
    const copies = Object.values(makes.releases).reduce((sum, each) => sum + each.copies, 0);
    figures.push({
      name: 'copies come from makes that are known',
      stated: 'no',
      learned: makes.share === 0 ? 'no' : `up to ${percent(makes.share)}`,
      basis: copies > 0 ? `${copies} confirmed copies, each foreseen from the others` : 'from 12 confirmed copies on',
      holds: 'makes',
    });
  }
  if (truthErrors)
    figures.push({
      name: 'confirmed truths that are wrong',
      stated: '0 %',
      learned: truthErrors.applied ? percent(truthErrors.rate) : 'not asked yet',
      basis: truthErrors.applied ? 'truths against what was seen' : 'from 200 confirmed cases on',
      holds: 'truthErrors',
    });
  const table = rules.prices ?? PRICE_TABLE;
  for (const [i, band] of (prices?.table ?? []).entries())
    figures.push({
      name: `price ${bandName(band, prices?.table[i - 1])} of what others ask, genuine / copies`,
      stated: `${percent(table[i]?.genuine ?? 0)} / ${percent(table[i]?.counterfeit ?? 0)}`,
      learned: `${percent(band.genuine)} / ${percent(band.counterfeit)}`,
      basis: `${Math.round(prices?.genuine ?? 0)} genuine, ${Math.round(prices?.counterfeit ?? 0)} copies with a price`,
      holds: 'prices',
    });
  for (const [id, { missed, false: wrong, doubles }] of Object.entries(checkers?.people ?? {}))
    figures.push({
      name: `${peopleNames[id] ?? id} records the other outcome`,
      stated: '3 %',
      learned: missed === wrong ? percent(missed) : `${percent(missed)} missed, ${percent(wrong)} the reverse`,
      basis: `${doubles} double answers${checkers?.applied ? '' : '; applied from 200 on'}`,
      holds: 'checkers',
    });
  return figures;
}

/** The house's held figures with one more held at what is stated, or one let go. */
export function holding(rules: HouseRules, what: keyof Frozen, held: boolean): HouseRules {
  const { [what]: _, ...rest } = rules.frozen ?? {};
  const { frozen: __, ...others } = rules;
  const stated: Required<Frozen> = {
    quality: EDITIONS[NEWEST_EDITION].quality,
    shares: true,
    support: true,
    truthErrors: 0,
    memory: true,
    makes: true,
    releases: true,
    checkers: true,
    prices: true,
  };
  const frozen = held ? { ...rest, [what]: stated[what] } : rest;
  return Object.keys(frozen).length > 0 ? { ...others, frozen } : others;
}
