import type { PerClass } from '@/core/judgement/classes';
import { sideOfTruth } from '@/core/judgement/confirmedCase';
import { evidenceOf, shareOf } from '@/core/judgement/evidence';
import { thresholds } from '@/core/judgement/houseRules';
import { learn, weightOfCase } from '@/core/judgement/learn';
import { type Parameters, parametersOf } from '@/core/judgement/parameters';
import { type DrawnCase, type JudgementWorld, RULES } from './judgementWorld';

/** How one way of judging did over all cases. */
export interface Judged {
  name: string;
  /** NaN for ways that give no probability. */
  logLoss: number;
  calibration: number;
  loss: number;
  escalated: number;
}

type Side = 'accept' | 'reject' | 'escalate';
const { accept, reject } = thresholds(RULES.losses);
const sideAt = (p: number): Side => (p >= accept ? 'accept' : p <= reject ? 'reject' : 'escalate');

function lossOf(side: Side, genuine: boolean): number {
  const { acceptCounterfeit, rejectGenuine, escalate } = RULES.losses;
  if (side === 'escalate') return escalate;
  if (side === 'accept') return genuine ? 0 : acceptCounterfeit;
  return genuine ? rejectGenuine : 0;
}

const isGenuine = ({ truth }: DrawnCase) => truth.goods === 'genuine';

function decided(name: string, cases: DrawnCase[], sides: Side[]): Judged {
  const loss = cases.reduce((sum, each, i) => sum + lossOf(sides[i] as Side, isGenuine(each)), 0) / cases.length;
  const escalated = sides.filter((side) => side === 'escalate').length / cases.length;
  return { name, logLoss: Number.NaN, calibration: Number.NaN, loss, escalated };
}

/** Log loss in nats, and the expected calibration error over ten bins of equal width. */
function probabilistic(name: string, cases: DrawnCase[], ps: number[]): Judged {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, p: 0, genuine: 0 }));
  let logLoss = 0;
  for (const [i, each] of cases.entries()) {
    const p = Math.min(1 - 1e-9, Math.max(1e-9, ps[i] as number));
    logLoss -= Math.log(isGenuine(each) ? p : 1 - p);
    const bin = bins[Math.min(9, Math.floor(p * 10))] as (typeof bins)[number];
    bin.n += 1;
    bin.p += p;
    bin.genuine += isGenuine(each) ? 1 : 0;
  }
  const calibration = bins.reduce((sum, { p, genuine }) => sum + Math.abs(p - genuine), 0) / cases.length;
  return { ...decided(name, cases, ps.map(sideAt)), logLoss: logLoss / cases.length, calibration };
}

/** Each check on its own: its share of differing on either side, as if nothing had a common cause. */
function independent(world: JudgementWorld, learned: DrawnCase[]): Parameters {
  const counts = new Map(world.checks.map(({ id, g, c }) => [id, { g: [4 * g, 4], c: [4 * c, 4] }]));
  const today = '2026-11-01';
  for (const { confirmed } of learned) {
    const weight = weightOfCase(confirmed, today, RULES);
    for (const check of world.checks) {
      const finding = confirmed.findings[check.id];
      const side = sideOfTruth(confirmed.truth, check.bearsOn);
      if (!finding || !side) continue;
      const count = counts.get(check.id)?.[side === 'genuine' ? 'g' : 'c'] as number[];
      count[0] = (count[0] as number) + (finding.differs ? weight : 0);
      count[1] = (count[1] as number) + weight;
    }
  }
  const share = ([differs = 0, n = 1]: number[]) => differs / n;
  return {
    differs: ({ check }) => {
      const { g, c } = counts.get(check.id) as { g: number[]; c: number[] };
      return { usual: share(g), offDay: share(g), well: share(c), poorly: share(c) };
    },
    mix: () => ({ wellCopied: 0.5, offDay: 0.1 }),
    shift: () => null,
  };
}

function trueParameters({ classes, strands, plan }: JudgementWorld): Parameters {
  return {
    differs: ({ check }) => classes.get(check.id) as PerClass<number>,
    mix: (strand) => {
      const mix = strands.get(strand)?.mix ?? { wellCopied: 0.5, offDay: 0.1 };
      return plan.improves ? { ...mix, wellCopied: Math.min(0.95, 2 * mix.wellCopied) } : mix;
    },
    shift: () => null,
  };
}

/** Counting faults: the two numbers of differing checks that lose least on these very cases. */
function countingFaults(cases: DrawnCase[]): Judged {
  const faults = cases.map(({ findings }) => findings.filter(({ mark }) => mark === 'differs').length);
  let best: Judged | null = null;
  for (let low = 0; low <= 14; low++) {
    for (let high = low; high <= 15; high++) {
      const sides = faults.map((n): Side => (n < low ? 'accept' : n >= high ? 'reject' : 'escalate'));
      const judged = decided('counting faults, best thresholds', cases, sides);
      if (!best || judged.loss < best.loss) best = judged;
    }
  }
  return best as Judged;
}

/** Every way of judging on the same cases: Pinprick, the limit, adding, counting, one fault. */
export function readings(world: JudgementWorld, learned: DrawnCase[], judged: DrawnCase[]): Judged[] {
  const statistics = learn(
    'k',
    learned.map(({ confirmed }) => confirmed),
    world.checks,
    RULES,
    '2026-11-01',
  );
  const weighed = (name: string, parameters: Parameters) =>
    probabilistic(
      name,
      judged,
      judged.map(({ findings }) => shareOf(evidenceOf(findings, world.plan.counterfeit, RULES, parameters))),
    );
  const oneFault = judged.map(
    ({ findings }): Side =>
      findings.some(({ check, mark }) => mark === 'differs' && check.g <= 0.01) ? 'reject' : 'accept',
  );
  return [
    weighed('Pinprick', parametersOf(RULES, statistics)),
    weighed('true parameters (the limit)', trueParameters(world)),
    weighed('adding weights as if independent', independent(world, learned)),
    countingFaults(judged),
    decided('one fault (g up to 0.01)', judged, oneFault),
    weighed('Pinprick before any case', parametersOf(RULES)),
  ];
}

/** The mean of several tables of the same ways. */
export function averaged(tables: Judged[][]): Judged[] {
  const mean = (at: number, figure: 'logLoss' | 'calibration' | 'loss' | 'escalated') =>
    tables.reduce((sum, table) => sum + (table[at]?.[figure] ?? 0), 0) / tables.length;
  return (tables[0] ?? []).map(({ name }, i) => ({
    name,
    logLoss: mean(i, 'logLoss'),
    calibration: mean(i, 'calibration'),
    loss: mean(i, 'loss'),
    escalated: mean(i, 'escalated'),
  }));
}

/** One table. */
export function report(title: string, table: Judged[]): void {
  console.log(`\n  ${title}`);
  console.log(`  ${''.padEnd(36)} log loss   calibration   mean loss   escalated`);
  for (const { name, logLoss, calibration, loss, escalated } of table) {
    const figure = (value: number, places: number) => (Number.isNaN(value) ? '–' : value.toFixed(places));
    console.log(
      `  ${name.padEnd(36)} ${figure(logLoss, 4).padStart(8)} ${figure(calibration, 4).padStart(13)} ${loss.toFixed(4).padStart(11)} ${(100 * escalated).toFixed(1).padStart(9)} %`,
    );
  }
}
