import type { Finding } from '@/core/checks/finding';
import type { PerClass } from '@/core/judgement/classes';
import { evidenceOf, shareOf } from '@/core/judgement/evidence';
import { caseTable } from '@/core/judgement/learning/caseTable';
import { Expectation } from '@/core/judgement/learning/expectation';
import { fadeOf } from '@/core/judgement/learning/fade';
import { CLASSES, type Fit, statedCounts } from '@/core/judgement/learning/fit';
import type { Parameters } from '@/core/judgement/parameters';
import { CHECKER, type DrawnCase, type JudgementWorld, TODAY } from './world';

/** So many are judged as a desk judges them too, and must come to the same. */
const HELD_AGAINST = 100;

/**
 * P(genuine) of many cases by some parameters, as columns: the same sums as `evidenceOf` and `shareOf` make, twenty
 * times as fast.
 */
export function judgeAll(world: JudgementWorld, cases: DrawnCase[], parameters: Parameters, prior: number): number[] {
  const { rules, checks, plan } = world;
  const gathered = caseTable(checks, TODAY, new Set(world.classes.map((_, i) => `r${i}`)));
  for (const { sealed } of cases) gathered.add({ ...sealed, truth: null });
  const table = gathered.table();
  const ofRelease = new Float32Array(4 * table.releases.length * table.checks.length);
  table.releases.forEach((releaseId, release) => {
    table.checks.forEach((check, i) => {
      const finding: Finding = { check, mark: 'differs', problems: [], releaseId, by: CHECKER };
      const chances: PerClass<number> = parameters.differs(finding);
      CLASSES.forEach((name, of) => {
        ofRelease[(release * 4 + of) * table.checks.length + i] = chances[name];
      });
    });
  });
  const fit: Fit = {
    quality: parameters.quality,
    chance: new Float64Array(4 * table.checks.length),
    ofRelease,
    offDay: Float64Array.from(table.strands, (strand) => parameters.shares(strand).ofItself.offDay),
    wellCopied: Float64Array.from(table.strands, (strand) => parameters.shares(strand).ofItself.wellCopied),
    channels: Float64Array.from(table.channels, () => prior),
    sellers: new Float64Array(0),
    truthErrors: 0,
  };
  const reader = new Expectation(
    table,
    fit,
    statedCounts(table.checks, rules),
    fadeOf(table, { shares: null, chances: null }),
  );
  const all = cases.map((_, i) => {
    reader.read(i);
    return 1 - reader.copied;
  });
  cases.slice(0, HELD_AGAINST).forEach(({ findings }, i) => {
    const p = shareOf(evidenceOf(findings, prior, rules, parameters));
    if (Math.abs(p - (all[i] as number)) > 1e-4)
      throw new Error(`Case ${i} of a world of ${plan.confirmed} comes to ${all[i]} in columns and to ${p} at a desk.`);
  });
  return all;
}
