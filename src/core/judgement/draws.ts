import { randomBeta, randomLcg } from 'd3-random';
import { type Beta, betasOf, likelyAtLeast, mixOf } from './classes';
import type { Evidence, Piece, StrandEvidence } from './evidence';
import type { HouseRules } from './houseRules';
import { residualOf } from './outcomeChances';
import type { TellStatistics } from './statistics';
import { addLogs, logLikelihoods, type Products, productsOf } from './strandLikelihood';
import { genuineShare, type PerWorld, update } from './worlds';

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

/** Draws a strand's chances anew: measured values keep their densities, answers get drawn chances. */
function strandSampler(
  strand: string,
  { pieces }: StrandEvidence,
  rules: HouseRules,
  statistics: TellStatistics | null,
  beta: (counts: Beta) => () => number,
) {
  const mix = mixOf(strand, rules, statistics);
  const [well, off] = [beta(mix.wellCopied), beta(mix.offDay)];
  const all = [...pieces.values()];
  const measured = (piece: Piece) => residualOf(piece.finding) !== null;
  const fixed = productsOf(all.filter(measured));
  const drawn = all
    .filter((piece) => !measured(piece))
    .map(({ finding: { check, mark }, bearing, chances: { foreign } }) => {
      const { usual, offDay, well: good, poorly } = betasOf(check, rules, statistics);
      const chances = { usual: beta(usual), offDay: beta(offDay), well: beta(good), poorly: beta(poorly) };
      return { bearing, agrees: mark === 'agrees', foreign, ...chances };
    });
  const of = (agrees: boolean, draw: () => number) => (agrees ? 1 - likelyAtLeast(draw()) : likelyAtLeast(draw()));
  return (): PerWorld => {
    const { goods, packaging, link } = fixed;
    const products: Products = { goods: { ...goods }, packaging: { ...packaging }, link: { ...link } };
    for (const item of drawn) {
      const product = products[item.bearing];
      product.usual *= of(item.agrees, item.usual);
      product.offDay *= of(item.agrees, item.offDay);
      product.well *= of(item.agrees, item.well);
      product.poorly *= of(item.agrees, item.poorly);
      product.foreign *= item.foreign;
    }
    return logLikelihoods(products, { wellCopied: well(), offDay: Math.min(off(), 0.9) });
  };
}

/**
 * How far P(genuine) may stray because the parameters themselves are only known so well: every chance of every
 * class, and the share of each class, is drawn from its posterior.
 *
 * @param statistics those that the evidence's parameters come from
 * @param draws how many, at least 1
 * @param seed the same seed gives the same interval
 */
export function drawIntervals(
  { prior, rules, strands }: Evidence,
  statistics: TellStatistics | null,
  draws: number,
  seed: number,
): Intervals {
  const random = randomBeta.source(randomLcg(seed));
  const beta = ([yes, no]: Beta) => random(yes, no);
  const samplers = [...strands].map(([id, strand]) => strandSampler(id, strand, rules, statistics, beta));
  const genuine: number[] = [];
  const own: number[] = [];
  for (let draw = 0; draw < draws; draw++) {
    const worlds = update(prior, addLogs(samplers.map((sample) => sample())));
    genuine.push(genuineShare(worlds));
    own.push(worlds.own);
  }
  return { genuine: middle90(genuine), own: middle90(own) };
}
