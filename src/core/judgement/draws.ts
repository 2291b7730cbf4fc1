import { randomBeta, randomLcg } from 'd3-random';
import { SUPPORT_OBSERVATIONS } from '../checks/check';
import type { Finding } from '../checks/findings';
import type { HouseRules } from './houseRules';
import type { CheckChances, ClassChances } from './outcomeChances';
import { groupByStrand, posteriorWorlds } from './weigh';
import { genuineShare, type PerWorld } from './worlds';

export interface Intervals {
  /** 90 % interval of P(goods genuine). */
  genuine: [number, number];
  /** 90 % interval of P(packaging its own and goods genuine). */
  own: [number, number];
}

const quantile = (sorted: number[], p: number): number => sorted[Math.round(p * (sorted.length - 1))] as number;

function interval(values: number[]): [number, number] {
  const sorted = values.sort((a, b) => a - b);
  return [quantile(sorted, 0.05), quantile(sorted, 0.95)];
}

/**
 * How far P(genuine) may stray because the parameters themselves are only known so well: each check's g and c
 * are drawn from a Beta worth its support, each strand's classes from a Beta worth the house's observations.
 *
 * @param findings those that count
 * @param draws how many; 0 gives an empty interval at the ends
 * @param seed the same seed gives the same interval
 */
export function drawIntervals(
  findings: Finding[],
  prior: PerWorld,
  rules: HouseRules,
  draws: number,
  seed: number,
): Intervals {
  const beta = randomBeta.source(randomLcg(seed));
  const { wellCopied, offDay, spread, observations } = rules.strands;
  const groups = [...groupByStrand(findings)];
  const samplers = new Map(
    findings.map((finding) => {
      const { g, c, support } = finding.check;
      const worth = SUPPORT_OBSERVATIONS[support];
      return [finding, { g: beta(g * worth, (1 - g) * worth), c: beta(c * worth, (1 - c) * worth) }];
    }),
  );
  const well = beta(wellCopied * observations, (1 - wellCopied) * observations);
  const off = beta(offDay * observations, (1 - offDay) * observations);

  const genuine: number[] = [];
  const own: number[] = [];
  for (let draw = 0; draw < draws; draw++) {
    const drawn = new Map<Finding, CheckChances>();
    for (const [finding, sampler] of samplers) drawn.set(finding, { g: sampler.g(), c: sampler.c() });
    const classes = new Map<string, ClassChances>(
      groups.map(([strand]) => [strand, { wellCopied: well(), offDay: Math.min(off(), 0.9), spread }]),
    );
    const worlds = posteriorWorlds(
      prior,
      groups.map(([, group]) => group),
      {
        chancesOf: (finding) => drawn.get(finding) as CheckChances,
        classesOf: (strand) => classes.get(strand) as ClassChances,
      },
      rules,
    );
    genuine.push(genuineShare(worlds));
    own.push(worlds.own);
  }
  return { genuine: interval(genuine), own: interval(own) };
}
