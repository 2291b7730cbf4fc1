import { randomLcg, randomNormal } from 'd3-random';
import type { Truth } from '@/core/casefile/events/truthConfirmed';
import type { CheckDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import { addDays } from '@/core/dates/day';
import type { PerClass } from '@/core/judgement/classes';
import { confirmedFindings, type SealedCase } from '@/core/judgement/confirmedCase';
import type { HouseRules } from '@/core/judgement/houseRules';
import { sharesByQuality } from '@/core/judgement/quality';
import { strandShares } from '@/core/judgement/strandLikelihood';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import houseRules from '@/desk/shipped/house-rules.json';

/** The day after all cases that are learned from. */
export const TODAY = '2026-11-01';

/** How a made-up world is drawn, and what the desk in it knows. */
export interface WorldPlan {
  /** How many strands bear on goods, on packaging and on the link. */
  strands: { goods: number; packaging: number; link: number };
  checksAStrand: number;
  /** Share of copies, and what the house says it is. */
  counterfeit: number;
  stated: number;
  missing: number;
  /** How far the strands of a copy hang together. */
  correlation: number;
  /** Factor by which stated chances may be wrong, either way. */
  misstated: number;
  /** Cases whose truth is confirmed, and sealed ones without it. */
  confirmed: number;
  sealed: number;
  /** Share of confirmed truths that are wrong. */
  wrongTruths: number;
  /** Which items get confirmed: any, or copies the rarer the cleaner they look; and who else is sealed. */
  selection: 'none' | 'clean rarely, all sealed' | 'clean rarely, the rest sealed';
  /** Share of confirmed cases that were bought to learn from, half of them copies. */
  references: number;
  /** What the copyists get better at while time goes by. */
  improves: 'nothing' | 'shares' | 'chances' | 'both';
  /** How many releases there are, and how far apart their chances are, in logits. */
  releases: number;
  releaseSpread: number;
  /** How often this checker, and everybody else, records the other outcome; double answers known of them. */
  slips: number;
  othersSlips: number;
  doubles: number;
}

export const BASE_WORLD: WorldPlan = {
  strands: { goods: 7, packaging: 4, link: 1 },
  checksAStrand: 5,
  counterfeit: 0.25,
  stated: 0.25,
  missing: 0.35,
  correlation: 0,
  misstated: 1.5,
  confirmed: 600,
  sealed: 0,
  wrongTruths: 0,
  selection: 'none',
  references: 0,
  improves: 'nothing',
  releases: 1,
  releaseSpread: 0,
  slips: 0,
  othersSlips: 0,
  doubles: 0,
};

const SHIPPED = houseRules as HouseRules;

/** A world: its checks as they are stated, and what nobody in it knows. */
export interface JudgementWorld {
  plan: WorldPlan;
  rules: HouseRules;
  checks: CheckDefinition[];
  /** Release to check to its chances at the end of the cases that are learned from. */
  classes: Map<string, PerClass<number>>[];
  strands: Map<string, { wellCopied: number; offDay: number }>;
}

const within = (chance: number) => Math.min(0.97, Math.max(0.002, chance));
const logit = (p: number) => Math.log(p / (1 - p));
const shifted = (p: number, by: number) => within(1 / (1 + Math.exp(-(logit(p) + by))));

export function drawWorld(change: Partial<WorldPlan>, seed: number): JudgementWorld {
  const plan = { ...BASE_WORLD, ...change };
  const random = randomLcg(seed);
  const normal = randomNormal.source(random)();
  const between = (from: number, to: number) => from + random() * (to - from);
  const rules = { ...SHIPPED, priors: { ...SHIPPED.priors, 'walk-in': plan.stated } };
  const world: JudgementWorld = {
    plan,
    rules,
    checks: [],
    classes: Array.from({ length: plan.releases }, () => new Map()),
    strands: new Map(),
  };
  for (const [bearsOn, count] of Object.entries(plan.strands) as ['goods' | 'packaging' | 'link', number][]) {
    for (let s = 0; s < count; s++) {
      const strand = `${bearsOn}-${s}`;
      const mix = { wellCopied: between(0.3, 0.7), offDay: between(0.05, 0.2) };
      world.strands.set(strand, mix);
      for (let i = 0; i < plan.checksAStrand; i++) {
        // Craft varies from item to item and has bad days; what was designed or recorded hardly ever is otherwise.
        const craft = random() < 0.6;
        const usual = craft ? between(0.02, 0.2) : between(0.003, 0.01);
        const classes = {
          usual,
          offDay: craft ? between(0.4, 0.85) : usual * between(1, 3),
          well: within(usual * between(1, 2) + between(0, 0.1)),
          poorly: within(usual + between(0.2, 0.7)),
        };
        const id = `${strand}.${i}`;
        for (const release of world.classes) {
          const [genuine, copied] = [plan.releaseSpread * normal(), plan.releaseSpread * normal()];
          release.set(id, {
            usual: shifted(classes.usual, genuine),
            offDay: shifted(classes.offDay, genuine),
            well: shifted(classes.well, copied),
            poorly: shifted(classes.poorly, copied),
          });
        }
        const g = (1 - mix.offDay) * classes.usual + mix.offDay * classes.offDay;
        const c = mix.wellCopied * classes.well + (1 - mix.wellCopied) * classes.poorly;
        const misstate = (chance: number) => within(chance * plan.misstated ** between(-1, 1));
        world.checks.push(madeUpCheck(id, { strand, bearsOn, g: Math.min(0.4, misstate(g)), c: misstate(c) }));
      }
    }
  }
  return world;
}

/** How far the copyists have come: 0 at the first case, 1 from the last on. */
export function improved(plan: WorldPlan, mix: { wellCopied: number }, progress: number): number {
  const better = plan.improves === 'shares' || plan.improves === 'both';
  return better ? Math.min(0.95, mix.wellCopied * (1 + progress)) : mix.wellCopied;
}

/** A poor copy’s chance to differ, after so much progress. */
export function improvedChances(plan: WorldPlan, classes: PerClass<number>, progress: number): PerClass<number> {
  if (plan.improves !== 'chances' && plan.improves !== 'both') return classes;
  const part = 1 - 0.6 * progress;
  return { ...classes, poorly: classes.well + part * (classes.poorly - classes.well) };
}

export interface DrawnCase {
  truth: Truth;
  release: number;
  findings: Finding[];
  sealed: SealedCase;
}

export const CHECKER = 'this-one';

/**
 * Cases of a world.
 *
 * @param progress how far the copyists have come at each
 */
export function drawCases(
  world: JudgementWorld,
  count: number,
  seed: number,
  { judged, reference = 0 }: { judged: boolean; reference?: number },
): DrawnCase[] {
  const random = randomLcg(seed);
  const normal = randomNormal.source(random)();
  const { plan } = world;
  return Array.from({ length: count }, (_, at): DrawnCase => {
    const progress = judged ? 1 : at / count;
    const bought = random() < reference;
    const counterfeit = random() < (bought ? 0.5 : plan.counterfeit);
    const foreign = random() < (counterfeit ? world.rules.transplanted : world.rules.repacked);
    const madeUp = random() < 0.5;
    const release = Math.floor(random() * plan.releases);
    const truth: Truth = {
      goods: counterfeit ? 'counterfeit' : 'genuine',
      packaging: foreign ? 'foreign' : 'own',
      trust: 1,
    };
    const quality = normal();
    const slips = judged ? plan.slips : plan.othersSlips;
    const findings: Finding[] = [];
    const classOf = new Map<string, { genuine: 'usual' | 'offDay'; counterfeit: 'well' | 'poorly' }>();
    for (const [strand, mix] of world.strands) {
      const well = shareAt(improved(plan, mix, progress), plan.correlation, quality);
      classOf.set(strand, {
        genuine: random() < mix.offDay ? 'offDay' : 'usual',
        counterfeit: random() < well ? 'well' : 'poorly',
      });
    }
    for (const check of world.checks) {
      const classes = improvedChances(plan, world.classes[release]?.get(check.id) as PerClass<number>, progress);
      const own = classOf.get(check.strand) as { genuine: 'usual' | 'offDay'; counterfeit: 'well' | 'poorly' };
      const packagingCopied = counterfeit ? !foreign : foreign && madeUp;
      const copied = check.bearsOn === 'goods' ? counterfeit : packagingCopied;
      const side = check.bearsOn === 'link' ? counterfeit : copied;
      const chance =
        check.bearsOn === 'link' && foreign
          ? 1 - world.rules.foreignAgrees
          : classes[side ? own.counterfeit : own.genuine];
      const differs = random() < chance !== random() < slips;
      if (random() < plan.missing) continue;
      findings.push({
        check,
        mark: differs ? 'differs' : 'agrees',
        problems: [],
        releaseId: `r${release}`,
        ...(judged ? { by: CHECKER } : {}),
      });
    }
    return {
      truth,
      release,
      findings,
      sealed: {
        number: String(at),
        kind: 'k',
        release: `r${release}`,
        truth,
        // Two years of work.
        at: judged ? TODAY : addDays(TODAY, -Math.round(730 * (1 - progress))),
        findings: confirmedFindings(findings),
        circumstances: { channel: 'walk-in', inHand: true, packaged: true, ...(bought ? { reference: true } : {}) },
        without: [],
        chain: 'open',
      },
    };
  });
}

/** The share of the first class at one quality. */
function shareAt(share: number, correlation: number, z: number): number {
  if (correlation === 0) return share;
  const at = sharesByQuality(share, correlation);
  // Between the nodes; the ends go on as they are.
  const place = Math.min(8, Math.max(0, 9 * cumulative(z) - 0.5));
  const [low, part] = [Math.floor(place), place - Math.floor(place)];
  return (at[low] as number) * (1 - part) + (at[Math.min(8, low + 1)] as number) * part;
}

const cumulative = (z: number): number => 1 / (1 + Math.exp(-1.702 * z));

/** What this desk has sealed: some of it confirmed, some not. */
export function deskOf(world: JudgementWorld, seed: number): SealedCase[] {
  const { plan } = world;
  const random = randomLcg(seed + 0.1);
  const wrong = (truth: Truth): Truth =>
    random() < plan.wrongTruths ? { ...truth, goods: truth.goods === 'genuine' ? 'counterfeit' : 'genuine' } : truth;
  const confirm = ({ sealed, truth }: DrawnCase): SealedCase => ({ ...sealed, truth: wrong(truth) });
  const unconfirmed = ({ sealed }: DrawnCase): SealedCase => ({ ...sealed, number: `s${sealed.number}`, truth: null });
  if (plan.selection === 'none')
    return [
      ...drawCases(world, plan.confirmed, seed, { judged: false, reference: plan.references }).map(confirm),
      ...drawCases(world, plan.sealed, seed / 7, { judged: false }).map(unconfirmed),
    ];
  const came: SealedCase[] = [];
  const pool = drawCases(world, 4 * plan.confirmed, seed, { judged: false });
  let taken = 0;
  for (const each of pool) {
    const differing = each.findings.filter(({ mark }) => mark === 'differs').length / each.findings.length;
    const clean = each.truth.goods === 'counterfeit' && differing < 0.25;
    const chosen = taken < plan.confirmed && random() < (clean ? 0.05 : 0.35);
    if (chosen) {
      taken++;
      came.push(confirm(each));
    }
    if (!chosen || plan.selection === 'clean rarely, all sealed') came.push(unconfirmed(each));
  }
  return came;
}

/** Shares of a strand as they truly are for the cases that are judged. */
export function trueShares({ plan, strands }: JudgementWorld, strand: string) {
  const mix = strands.get(strand) ?? { wellCopied: 0.5, offDay: 0.1 };
  return strandShares({ ...mix, wellCopied: improved(plan, mix, 1) }, { genuine: 0, counterfeit: plan.correlation });
}
