import { randomBeta, randomLcg } from 'd3-random';
import type { Bearing } from '../checks/check';
import { type Beta, likelyAtLeast, type PerClass } from './classes';
import type { Evidence, StrandEvidence } from './evidence';
import { type Hypotheses, hypothesesOf, logOfAll, update, updateAll } from './hypotheses';
import { betasOf, mixOf } from './learned';
import { residualOf } from './outcomeChances';
import { type Knowledge, qualitiesOf } from './parameters';
import { chancesOf, type Quality } from './quality';
import { recordedBy } from './slips';
import {
  addLogs,
  logLikelihoods,
  type Products,
  productsOf,
  type StrandShares,
  strandShares,
} from './strandLikelihood';
import { genuineShare, WORLDS, type World } from './worlds';

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

/**
 * An interval with the probability that is decided on in it. That one is the mean of the draws: where a few of them lie
 * far off, it can lie beyond the middle 90 %, and an interval that does not hold its own number would say nothing.
 */
export const holding = ([low, high]: [number, number], p: number): [number, number] => [
  Math.min(low, p),
  Math.max(high, p),
];

type Class = keyof PerClass<unknown>;
type Sampler = (counts: Beta) => () => number;

/** The class that a draw puts each bearing of a strand in; null where the case says nothing of the class. */
type Classes = Record<Bearing, Class | null>;

const NO_CLASS: Classes = { goods: null, packaging: null, link: null };

/** On which side the goods, the packaging and the link between them stand in each world. */
const SIDES: Record<World, Record<Bearing, 'genuine' | 'counterfeit' | null>> = {
  own: { goods: 'genuine', packaging: 'genuine', link: 'genuine' },
  repackedGenuine: { goods: 'genuine', packaging: 'genuine', link: null },
  repackedMade: { goods: 'genuine', packaging: 'counterfeit', link: null },
  transplanted: { goods: 'counterfeit', packaging: 'genuine', link: null },
  copied: { goods: 'counterfeit', packaging: 'counterfeit', link: 'counterfeit' },
};

const BEARINGS: Bearing[] = ['goods', 'packaging', 'link'];

/** How likely everything on one side of a strand is in one class. */
function productOf(
  products: Products,
  sides: (typeof SIDES)[World],
  side: 'genuine' | 'counterfeit',
  of: Class,
): number {
  let all = 1;
  for (const bearing of BEARINGS) if (sides[bearing] === side) all *= products[bearing][of];
  return all;
}

/** Draws the classes of a strand from what was seen in it, in a world that is drawn already. */
function drawClasses(
  world: World,
  products: Products,
  wellCopied: number,
  offDay: number,
  random: () => number,
): Classes {
  const sides = SIDES[world];
  const usual = (1 - offDay) * productOf(products, sides, 'genuine', 'usual');
  const off = offDay * productOf(products, sides, 'genuine', 'offDay');
  const well = wellCopied * productOf(products, sides, 'counterfeit', 'well');
  const poorly = (1 - wellCopied) * productOf(products, sides, 'counterfeit', 'poorly');
  const genuine = random() * (usual + off) < usual ? 'usual' : 'offDay';
  const copied = random() * (well + poorly) < well ? 'well' : 'poorly';
  const classes: Classes = { goods: null, packaging: null, link: null };
  for (const bearing of BEARINGS)
    if (sides[bearing] !== null) classes[bearing] = sides[bearing] === 'genuine' ? genuine : copied;
  return classes;
}

/** A Beta, and the same after the case's own outcome was counted as one more observation. */
function bothWays([yes, no]: Beta, differs: boolean, beta: Sampler): [() => number, () => number] {
  return [beta([yes, no]), beta(differs ? [yes + 1, no] : [yes, no + 1])];
}

/** P(what was recorded), with the chance to differ drawn. */
function outcome(agrees: boolean, recorded: (chance: number) => number, draw: () => number): number {
  const chance = recorded(likelyAtLeast(draw()));
  return agrees ? 1 - chance : chance;
}

/** Draws a strand's chances anew: measured values keep their densities, answers get drawn chances. */
function strandSampler(
  strand: string,
  { pieces }: StrandEvidence,
  known: Knowledge,
  evidence: Evidence,
  beta: Sampler,
) {
  const { rules, statistics, edition } = known;
  const { makes } = evidence.parameters;
  const byMake = makes && productsOf([...pieces.values()]);
  const mix = mixOf(strand, rules, statistics);
  const [well, wellSeen] = bothWays(mix.wellCopied, true, beta);
  const [, poorlySeen] = bothWays(mix.wellCopied, false, beta);
  const [off, offSeen] = bothWays(mix.offDay, true, beta);
  const [, usualSeen] = bothWays(mix.offDay, false, beta);
  const all = [...pieces.values()];
  const measured = all.filter(({ finding }) => residualOf(finding) !== null);
  const fixed = productsOf(measured);
  const drawn = all
    .filter((piece) => !measured.includes(piece))
    .map(({ finding, bearing, chances: { foreign } }) => {
      const differs = finding.mark !== 'agrees';
      const { usual, offDay, well, poorly } = betasOf(finding, rules, statistics, edition.number);
      return {
        bearing,
        agrees: !differs,
        foreign,
        recorded: recordedBy(finding, statistics, edition, rules.frozen?.checkers === true),
        usual: bothWays(usual, differs, beta),
        offDay: bothWays(offDay, differs, beta),
        well: bothWays(well, differs, beta),
        poorly: bothWays(poorly, differs, beta),
      };
    });
  return (classes: Classes, quality: Quality): Float64Array => {
    const products: Products = {
      goods: { ...fixed.goods },
      packaging: { ...fixed.packaging },
      link: { ...fixed.link },
    };
    for (const { bearing, agrees, recorded, foreign, usual, offDay, well, poorly } of drawn) {
      const product = products[bearing];
      const seen = classes[bearing];
      product.usual *= outcome(agrees, recorded, usual[seen === 'usual' ? 1 : 0]);
      product.offDay *= outcome(agrees, recorded, offDay[seen === 'offDay' ? 1 : 0]);
      product.well *= outcome(agrees, recorded, well[seen === 'well' ? 1 : 0]);
      product.poorly *= outcome(agrees, recorded, poorly[seen === 'poorly' ? 1 : 0]);
      product.foreign *= foreign;
    }
    const put = [classes.goods, classes.packaging, classes.link];
    const wellCopied = put.includes('well') ? wellSeen() : put.includes('poorly') ? poorlySeen() : well();
    const offDay = put.includes('offDay') ? offSeen() : put.includes('usual') ? usualSeen() : off();
    // What a make's copies show is taken as it is known.
    if (byMake) for (const bearing of BEARINGS) products[bearing].makes = byMake[bearing].makes;
    return logLikelihoods(
      products,
      strandShares({ wellCopied, offDay: Math.min(offDay, 0.9) }, quality, makes?.shares.length),
    );
  };
}

/** The world and the quality of the item that a draw puts a case in. */
interface Put {
  world: World;
  node: number;
}

/** One value that the strands' hanging together may have, with what the case says of the hypotheses under it. */
interface Hanging {
  quality: Quality;
  hypotheses: Hypotheses;
  shares: Map<string, StrandShares>;
  /** P of each hypothesis after all that was seen. */
  believed: Float64Array;
  /** How likely that value is, the case seen. */
  chance: number;
}

/** Every value that the strands' hanging together may have, as likely as it is after what was seen on the case. */
function hangingsOf({ prior, parameters, strands }: Evidence, known: Knowledge): Hanging[] {
  const { makes } = parameters;
  const all = qualitiesOf(known).map(({ quality, chance }) => {
    const hypotheses = hypothesesOf(quality, makes?.shares);
    const shares = new Map(
      [...strands.keys()].map((id) => [
        id,
        strandShares(parameters.shares(id).ofItself, quality, makes?.shares.length),
      ]),
    );
    const logs = addLogs(
      [...strands].map(([id, { products }]) => logLikelihoods(products, shares.get(id) as StrandShares)),
      hypotheses.count,
    );
    return {
      quality,
      hypotheses,
      shares,
      believed: updateAll(hypotheses, prior, logs),
      chance,
      log: logOfAll(hypotheses, prior, logs),
    };
  });
  const chances = chancesOf(all.map(({ chance, log }) => Math.log(chance) + log));
  return all.map(({ log, ...each }, i) => ({ ...each, chance: chances[i] as number }));
}

/** One of some things, by their chances. */
function pick(chances: ArrayLike<number>, random: () => number): number {
  let left = random();
  let at = 0;
  while (at < chances.length - 1 && left >= (chances[at] as number)) left -= chances[at++] as number;
  return at;
}

function drawHypothesis({ hypotheses, believed }: Hanging, random: () => number): Put {
  const at = pick(believed, random);
  const world = WORLDS.findLast((each) => hypotheses.from[each] <= at) as World;
  return { world, node: at - hypotheses.from[world] };
}

/**
 * How far P(genuine) may stray because the parameters themselves are only known so well: every chance of every
 * class, and the share of each class, is drawn from its posterior. From the second edition on that posterior rests
 * on the judged case too: a world is drawn, then the class of each strand in it, and what was seen is counted there as
 * one more observation. That is exact, since the posterior is a finite mixture of such counts. From the fourth on how far
 * the strands hang together is drawn first: of several values that the cases allow, not only the likeliest counts.
 *
 * @param known what the evidence's parameters come from
 * @param draws how many, at least 1
 * @param seed the same seed gives the same interval
 */
export function drawIntervals(evidence: Evidence, known: Knowledge, draws: number, seed: number): Intervals {
  const { prior, strands } = evidence;
  const source = randomLcg(seed);
  const random = randomBeta.source(source);
  const beta: Sampler = ([yes, no]) => random(yes, no);
  const hangings = hangingsOf(evidence, known);
  const chances = hangings.map(({ chance }) => chance);
  const samplers = [...strands].map(([id, strand]) => ({
    id,
    strand,
    sample: strandSampler(id, strand, known, evidence, beta),
  }));
  const genuine: number[] = [];
  const own: number[] = [];
  for (let draw = 0; draw < draws; draw++) {
    // Where there is no choice nothing is drawn for it: earlier editions come to what they always came to.
    const hanging = hangings[hangings.length > 1 ? pick(chances, source) : 0] as Hanging;
    const { hypotheses, quality, shares } = hanging;
    const put = known.edition.drawsWithCase ? drawHypothesis(hanging, source) : null;
    const logs = addLogs(
      samplers.map(({ id, strand, sample }) => {
        if (!put) return sample(NO_CLASS, quality);
        const { offDay, offDayAt, wellCopied, wellCopiedAt } = shares.get(id) as StrandShares;
        const whole = put.world === 'own' || put.world === 'repackedGenuine';
        const off = whole ? (offDayAt[put.node] ?? offDay) : offDay;
        const well = whole ? wellCopied : (wellCopiedAt[put.node] ?? wellCopied);
        return sample(drawClasses(put.world, strand.products, well, off, source), quality);
      }),
      hypotheses.count,
    );
    const worlds = update(hypotheses, prior, logs);
    genuine.push(genuineShare(worlds));
    own.push(worlds.own);
  }
  return { genuine: middle90(genuine), own: middle90(own) };
}
