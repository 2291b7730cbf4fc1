import type { PerClass } from '@/core/judgement/classes';
import { type ConfirmedCase, sideOfTruth } from '@/core/judgement/confirmedCase';
import { EDITIONS } from '@/core/judgement/edition';
import { type HouseRules, thresholds } from '@/core/judgement/houseRules';
import { learn } from '@/core/judgement/learning/learn';
import { type Parameters, parametersOf } from '@/core/judgement/parameters';
import { priorOf } from '@/core/judgement/prior';
import { UNRELATED } from '@/core/judgement/quality';
import { strandShares } from '@/core/judgement/strandLikelihood';
import { doubleAnswers } from './doubleAnswers';
import { learnFirst } from './firstEdition';
import { judgeAll } from './judgeAll';
import { type DrawnCase, deskOf, improvedChances, type JudgementWorld, TODAY, trueShares } from './world';

/** How one way of judging did over all cases. */
export interface Judged {
  name: string;
  /** NaN for ways that give no probability. */
  logLoss: number;
  calibration: number;
  loss: number;
  escalated: number;
  /** Among accepted items the share of copies, and the share that was claimed; the same of genuine among rejected. */
  acceptedCopies: [found: number, claimed: number];
  rejectedGenuine: [found: number, claimed: number];
}

type Side = 'accept' | 'reject' | 'escalate';

const isGenuine = ({ truth }: DrawnCase) => truth.goods === 'genuine';

function lossOf(side: Side, genuine: boolean, { losses }: HouseRules): number {
  if (side === 'escalate') return losses.escalate;
  if (side === 'accept') return genuine ? 0 : losses.acceptCounterfeit;
  return genuine ? losses.rejectGenuine : 0;
}

function decided(name: string, cases: DrawnCase[], sides: Side[], rules: HouseRules): Judged {
  const loss = cases.reduce((sum, each, i) => sum + lossOf(sides[i] as Side, isGenuine(each), rules), 0) / cases.length;
  const escalated = sides.filter((side) => side === 'escalate').length / cases.length;
  const none: [number, number] = [Number.NaN, Number.NaN];
  return {
    name,
    logLoss: Number.NaN,
    calibration: Number.NaN,
    loss,
    escalated,
    acceptedCopies: none,
    rejectedGenuine: none,
  };
}

/** Log loss in nats, and the expected calibration error over ten bins of equal width. */
export function probabilistic(name: string, cases: DrawnCase[], ps: number[], rules: HouseRules): Judged {
  const { accept, reject } = thresholds(rules.losses);
  const sideAt = (p: number): Side => (p >= accept ? 'accept' : p <= reject ? 'reject' : 'escalate');
  const bins = Array.from({ length: 10 }, () => ({ n: 0, p: 0, genuine: 0 }));
  let logLoss = 0;
  const accepted = { n: 0, found: 0, claimed: 0 };
  const rejected = { n: 0, found: 0, claimed: 0 };
  for (const [i, each] of cases.entries()) {
    const p = Math.min(1 - 1e-9, Math.max(1e-9, ps[i] as number));
    const genuine = isGenuine(each);
    logLoss -= Math.log(genuine ? p : 1 - p);
    const bin = bins[Math.min(9, Math.floor(p * 10))] as (typeof bins)[number];
    bin.n += 1;
    bin.p += p;
    bin.genuine += genuine ? 1 : 0;
    const side = sideAt(p);
    const [group, wrong, claimed] = side === 'accept' ? [accepted, !genuine, 1 - p] : [rejected, genuine, p];
    if (side === 'escalate') continue;
    group.n += 1;
    group.found += wrong ? 1 : 0;
    group.claimed += claimed;
  }
  const calibration = bins.reduce((sum, { p, genuine }) => sum + Math.abs(p - genuine), 0) / cases.length;
  const shares = ({ n, found, claimed }: typeof accepted): [number, number] => [
    found / Math.max(1, n),
    claimed / Math.max(1, n),
  ];
  return {
    ...decided(name, cases, ps.map(sideAt), rules),
    logLoss: logLoss / cases.length,
    calibration,
    acceptedCopies: shares(accepted),
    rejectedGenuine: shares(rejected),
  };
}

/** Each check on its own: its share of differing on either side, as if nothing had a common cause. */
function independent({ checks }: JudgementWorld, learned: ConfirmedCase[]): Parameters {
  const counts = new Map(checks.map(({ id, g, c }) => [id, { g: [4 * g, 4], c: [4 * c, 4] }]));
  for (const { truth, findings } of learned) {
    for (const check of checks) {
      const finding = findings[check.id];
      const side = sideOfTruth(truth, check.bearsOn);
      if (!finding || !side) continue;
      const count = counts.get(check.id)?.[side === 'genuine' ? 'g' : 'c'] as number[];
      count[0] = (count[0] as number) + (finding.differs ? 1 : 0);
      count[1] = (count[1] as number) + 1;
    }
  }
  const share = ([differs = 0, n = 1]: number[]) => differs / n;
  return {
    ...SAME_FOR_ALL,
    differs: ({ check }) => {
      const { g, c } = counts.get(check.id) as { g: number[]; c: number[] };
      return { usual: share(g), offDay: share(g), well: share(c), poorly: share(c) };
    },
    shares: () => strandShares({ wellCopied: 0.5, offDay: 0.1 }, UNRELATED),
  };
}

const SAME_FOR_ALL = { quality: UNRELATED, makes: null, slips: () => 0, shift: () => null };

/** The parameters that the cases were drawn with. */
export function trueParameters(world: JudgementWorld): Parameters {
  const { plan, classes } = world;
  const recorded = (chance: number) => chance * (1 - plan.slips) + (1 - chance) * plan.slips;
  const shares = new Map([...world.strands.keys()].map((strand) => [strand, trueShares(world, strand)]));
  return {
    ...SAME_FOR_ALL,
    quality: { genuine: 0, counterfeit: plan.correlation },
    differs: ({ check, releaseId = 'r0' }) => {
      const own = classes[Number(releaseId.slice(1))]?.get(check.id) as PerClass<number>;
      const { usual, offDay, well, poorly } = improvedChances(plan, own, 1);
      return { usual: recorded(usual), offDay: recorded(offDay), well: recorded(well), poorly: recorded(poorly) };
    },
    shares: (strand) => shares.get(strand) ?? strandShares({ wellCopied: 0.5, offDay: 0.1 }, UNRELATED),
  };
}

/** Counting faults: the two numbers of differing checks that lose least on these very cases. */
function countingFaults(cases: DrawnCase[], rules: HouseRules): Judged {
  const faults = cases.map(({ findings }) => findings.filter(({ mark }) => mark === 'differs').length);
  let best: Judged | null = null;
  for (let low = 0; low <= 14; low++) {
    for (let high = low; high <= 15; high++) {
      const sides = faults.map((n): Side => (n < low ? 'accept' : n >= high ? 'reject' : 'escalate'));
      const judged = decided('counting faults, best thresholds', cases, sides, rules);
      if (!best || judged.loss < best.loss) best = judged;
    }
  }
  return best as Judged;
}

/** Every way of judging on the same cases: this edition, the limit, the first edition, adding, counting, one fault. */
export function readings(world: JudgementWorld, seed: number, judged: DrawnCase[]): Judged[] {
  const { rules, plan, checks } = world;
  const desk = deskOf(world, seed);
  const confirmed = desk.filter((each): each is ConfirmedCase => each.truth !== null);
  const statistics = learn('k', desk, checks, rules, TODAY, doubleAnswers(world, seed));
  const first = learnFirst('k', confirmed, checks, rules, TODAY);
  const circumstances = { channel: 'walk-in' } as const;
  const weighed = (name: string, parameters: Parameters, prior: number) =>
    probabilistic(name, judged, judgeAll(world, judged, parameters, prior), rules);
  const oneFault = judged.map(
    ({ findings }): Side =>
      findings.some(({ check, mark }) => mark === 'differs' && check.g <= 0.01) ? 'reject' : 'accept',
  );
  return [
    weighed('Pinprick', parametersOf(rules, statistics), priorOf(circumstances, rules, statistics, EDITIONS[2])),
    weighed('true parameters (the limit)', trueParameters(world), plan.counterfeit),
    weighed('the first edition', parametersOf(rules, first, EDITIONS[1]), plan.stated),
    weighed('adding weights as if independent', independent(world, confirmed), plan.stated),
    countingFaults(judged, rules),
    decided('one fault (g up to 0.01)', judged, oneFault, rules),
    weighed('Pinprick before any case', parametersOf(rules), plan.stated),
  ];
}

/** The mean of several tables of the same ways. */
export function averaged(tables: Judged[][]): Judged[] {
  const mean = (of: (judged: Judged) => number, at: number) =>
    tables.reduce((sum, table) => sum + of(table[at] as Judged), 0) / tables.length;
  return (tables[0] ?? []).map(({ name }, i) => ({
    name,
    logLoss: mean(({ logLoss }) => logLoss, i),
    calibration: mean(({ calibration }) => calibration, i),
    loss: mean(({ loss }) => loss, i),
    escalated: mean(({ escalated }) => escalated, i),
    acceptedCopies: [mean((j) => j.acceptedCopies[0], i), mean((j) => j.acceptedCopies[1], i)],
    rejectedGenuine: [mean((j) => j.rejectedGenuine[0], i), mean((j) => j.rejectedGenuine[1], i)],
  }));
}

/** One table. */
export function report(title: string, table: Judged[]): void {
  console.log(`\n  ${title}`);
  console.log(
    `  ${''.padEnd(36)} log loss  calibration  mean loss  escalated  copies accepted (claimed)  genuine rejected (claimed)`,
  );
  const figure = (value: number, places: number) => (Number.isNaN(value) ? '–' : value.toFixed(places));
  const pair = ([found, claimed]: [number, number]) =>
    Number.isNaN(found) ? '–' : `${(100 * found).toFixed(2)} (${(100 * claimed).toFixed(2)}) %`;
  for (const { name, logLoss, calibration, loss, escalated, acceptedCopies, rejectedGenuine } of table) {
    console.log(
      `  ${name.padEnd(36)} ${figure(logLoss, 4).padStart(8)} ${figure(calibration, 4).padStart(12)} ${loss.toFixed(4).padStart(10)} ${(100 * escalated).toFixed(1).padStart(8)} % ${pair(acceptedCopies).padStart(26)} ${pair(rejectedGenuine).padStart(27)}`,
    );
  }
}
