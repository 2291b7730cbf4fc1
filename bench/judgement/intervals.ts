import type { ConfirmedCase } from '@/core/judgement/confirmedCase';
import { drawIntervals, holding } from '@/core/judgement/draws';
import { EDITIONS, NEWEST_EDITION } from '@/core/judgement/edition';
import { evidenceOf, shareOf } from '@/core/judgement/evidence';
import { learn } from '@/core/judgement/learning/learn';
import { parametersOf } from '@/core/judgement/parameters';
import { priorOf } from '@/core/judgement/prior';
import { bar } from '../bar';
import { trueParameters } from './readings';
import { deskOf, drawCases, drawWorld, TODAY } from './world';

const CASES = 250;
const DRAWS = 200;
const SEEDS = [0.4142135, 0.7320508];

/** How often the 90 % interval holds what the true parameters would say, after so many confirmed cases. */
export function benchIntervals(): void {
  const edition = EDITIONS[NEWEST_EDITION];
  for (const confirmed of [0, 50, 600]) {
    let [held, all] = [0, 0];
    for (const seed of SEEDS) {
      const world = drawWorld({ confirmed }, seed);
      const { rules, checks, plan } = world;
      const desk = deskOf(world, seed / 2) as ConfirmedCase[];
      const statistics = confirmed > 0 ? learn('k', desk, checks, rules, TODAY) : null;
      const parameters = parametersOf(rules, statistics);
      const truth = trueParameters(world);
      const prior = priorOf({ channel: 'walk-in' }, rules, statistics, edition);
      for (const { findings } of drawCases(world, CASES, seed / 3, { judged: true })) {
        const evidence = evidenceOf(findings, prior, rules, parameters);
        const { genuine } = drawIntervals(evidence, { rules, statistics, edition }, DRAWS, 0.3);
        const [low, high] = holding(genuine, shareOf(evidence));
        const p = shareOf(evidenceOf(findings, plan.counterfeit, rules, truth));
        all++;
        if (p >= low && p <= high) held++;
      }
    }
    const share = (100 * held) / all;
    bar(`90 % intervals hold the truth after ${confirmed} cases`, share, 85, 'at least', '%');
    bar(`90 % intervals hold the truth after ${confirmed} cases`, share, 95, 'at most', '%');
  }
}
