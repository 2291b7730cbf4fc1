import { randomBeta, randomLcg } from 'd3-random';
import type { Finding } from '../checks/finding';
import { type Beta, betasOf, likelyAtLeast, mixOf } from './classes';
import type { HouseRules } from './houseRules';
import { residualOf } from './outcomeChances';
import { parametersOf } from './parameters';
import type { TellStatistics } from './statistics';
import { BEARINGS, combine, type Products, productsOf } from './strandLikelihood';
import { groupByStrand, itemsOf } from './weigh';
import { genuineShare, type PerWorld, update, WORLDS } from './worlds';

export interface Intervals {
  /** 90 % interval of P(goods genuine). */
  genuine: [number, number];
  /** 90 % interval of P(packaging its own and goods genuine). */
  own: [number, number];
}

const quantile = (sorted: number[], p: number): number => sorted[Math.round(p * (sorted.length - 1))] as number;

/** The middle 90 % of some draws. */
export function middle90(values: number[]): [number, number] {
  const sorted = values.sort((a, b) => a - b);
  return [quantile(sorted, 0.05), quantile(sorted, 0.95)];
}

/** Draws a strand's items anew: measured values keep their densities, answers get drawn chances. */
function strandSampler(
  findings: Finding[],
  rules: HouseRules,
  statistics: TellStatistics | null,
  beta: (counts: Beta) => () => number,
) {
  const parameters = parametersOf(rules, statistics);
  const mix = mixOf(findings[0]?.check.strand ?? '', rules, statistics);
  const [well, off] = [beta(mix.wellCopied), beta(mix.offDay)];
  const measured = (finding: Finding) => residualOf(finding) !== null;
  const fixed = productsOf(itemsOf(findings.filter(measured), parameters, rules));
  const drawn = findings
    .filter((finding) => !measured(finding))
    .map(({ check, mark }) => {
      const { usual, offDay, well: good, poorly } = betasOf(check, rules, statistics);
      const foreign = mark === 'agrees' ? rules.foreignAgrees : 1 - rules.foreignAgrees;
      const chances = { usual: beta(usual), offDay: beta(offDay), well: beta(good), poorly: beta(poorly) };
      return { at: BEARINGS.indexOf(check.bearsOn), agrees: mark === 'agrees', foreign, ...chances };
    });
  const of = (agrees: boolean, draw: () => number) => (agrees ? 1 - likelyAtLeast(draw()) : likelyAtLeast(draw()));
  return (): PerWorld => {
    const products = fixed.map((product) => ({ ...product }));
    for (const item of drawn) {
      const product = products[item.at] as Products[number];
      product.usual *= of(item.agrees, item.usual);
      product.offDay *= of(item.agrees, item.offDay);
      product.well *= of(item.agrees, item.well);
      product.poorly *= of(item.agrees, item.poorly);
      product.foreign *= item.foreign;
    }
    return combine(products, { wellCopied: well(), offDay: Math.min(off(), 0.9) });
  };
}

/**
 * How far P(genuine) may stray because the parameters themselves are only known so well: every chance of every
 * class, and the share of each class, is drawn from its posterior.
 *
 * @param findings those that count
 * @param draws how many, at least 1
 * @param seed the same seed gives the same interval
 */
export function drawIntervals(
  findings: Finding[],
  prior: PerWorld,
  rules: HouseRules,
  draws: number,
  seed: number,
  statistics: TellStatistics | null = null,
): Intervals {
  const random = randomBeta.source(randomLcg(seed));
  const beta = ([yes, no]: Beta) => random(yes, no);
  const strands = [...groupByStrand(findings).values()].map((group) => strandSampler(group, rules, statistics, beta));
  const genuine: number[] = [];
  const own: number[] = [];
  for (let draw = 0; draw < draws; draw++) {
    const sum = { own: 0, repackedGenuine: 0, repackedMade: 0, transplanted: 0, copied: 0 };
    for (const strand of strands) {
      const logs = strand();
      for (const world of WORLDS) sum[world] += logs[world];
    }
    const worlds = update(prior, sum);
    genuine.push(genuineShare(worlds));
    own.push(worlds.own);
  }
  return { genuine: middle90(genuine), own: middle90(own) };
}
