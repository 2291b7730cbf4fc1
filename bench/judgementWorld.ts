import { randomLcg } from 'd3-random';
import type { Truth } from '@/core/casefile/events/truthConfirmed';
import type { CheckDefinition } from '@/core/checks/check';
import type { Finding } from '@/core/checks/finding';
import type { PerClass } from '@/core/judgement/classes';
import type { ConfirmedCase } from '@/core/judgement/confirmedCase';
import type { HouseRules } from '@/core/judgement/houseRules';
import houseRules from '@/desk/shipped/house-rules.json';

export const RULES = houseRules as HouseRules;

/** How a made-up world is drawn. */
export interface WorldPlan {
  /** How many strands bear on goods, on packaging and on the link. */
  strands: { goods: number; packaging: number; link: number };
  checksAStrand: number;
  counterfeit: number;
  missing: number;
  /** Share of strands whose class follows one hidden skill of the copyist (or one bad day) instead of their own. */
  shared: number;
  /** From half-way through the learned cases on, every strand is twice as often well copied. */
  improves: boolean;
  /** Factor by which stated chances may be wrong, either way. */
  misstated: number;
}

export const BASE_WORLD: WorldPlan = {
  strands: { goods: 7, packaging: 4, link: 1 },
  checksAStrand: 5,
  counterfeit: 0.25,
  missing: 0.35,
  shared: 0,
  improves: false,
  misstated: 1.5,
};

interface TrueStrand {
  mix: { wellCopied: number; offDay: number };
  shared: boolean;
}

/** A world: its checks as they are stated, and what nobody in it knows. */
export interface JudgementWorld {
  plan: WorldPlan;
  checks: CheckDefinition[];
  classes: Map<string, PerClass<number>>;
  strands: Map<string, TrueStrand>;
}

const within = (chance: number) => Math.min(0.97, Math.max(0.002, chance));

export function drawWorld(plan: WorldPlan, seed: number): JudgementWorld {
  const random = randomLcg(seed);
  const between = (from: number, to: number) => from + random() * (to - from);
  const world: JudgementWorld = { plan, checks: [], classes: new Map(), strands: new Map() };
  for (const [bearsOn, count] of Object.entries(plan.strands) as ['goods' | 'packaging' | 'link', number][]) {
    for (let s = 0; s < count; s++) {
      const strand = `${bearsOn}-${s}`;
      const mix = { wellCopied: between(0.3, 0.7), offDay: between(0.05, 0.2) };
      world.strands.set(strand, { mix, shared: random() < plan.shared });
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
        world.classes.set(id, classes);
        const g = (1 - mix.offDay) * classes.usual + mix.offDay * classes.offDay;
        const c = mix.wellCopied * classes.well + (1 - mix.wellCopied) * classes.poorly;
        const misstate = (chance: number) => within(chance * plan.misstated ** between(-1, 1));
        world.checks.push({
          id,
          name: id,
          layer: 'l',
          strand,
          bearsOn,
          answer: { form: 'presence', expected: 'present' },
          instruction: '',
          expected: '',
          copies: '',
          g: Math.min(0.4, misstate(g)),
          c: misstate(c),
          support: 'one source',
          source: '',
          seconds: 30,
          inHand: false,
          notWhen: [],
          after: [],
        });
      }
    }
  }
  return world;
}

export interface DrawnCase {
  truth: Truth;
  findings: Finding[];
  confirmed: ConfirmedCase;
}

/** Cases of a world; those to learn from come one a day, those to judge after all of them. */
export function drawCases(world: JudgementWorld, count: number, seed: number, use: 'learn' | 'judge'): DrawnCase[] {
  const random = randomLcg(seed);
  const { plan } = world;
  return Array.from({ length: count }, (_, at): DrawnCase => {
    const counterfeit = random() < plan.counterfeit;
    const foreign = random() < (counterfeit ? RULES.transplanted : RULES.repacked);
    const madeUp = random() < 0.5;
    const improved = plan.improves && (use === 'judge' || at > count / 2);
    const skill = random();
    const truth: Truth = {
      goods: counterfeit ? 'counterfeit' : 'genuine',
      packaging: foreign ? 'foreign' : 'own',
      trust: 1,
    };
    const findings: Finding[] = [];
    const classOf = new Map<string, { genuine: 'usual' | 'offDay'; counterfeit: 'well' | 'poorly' }>();
    for (const [strand, { mix, shared }] of world.strands) {
      const dice = shared ? skill : random();
      const well = improved ? Math.min(0.95, 2 * mix.wellCopied) : mix.wellCopied;
      classOf.set(strand, {
        genuine: dice < mix.offDay ? 'offDay' : 'usual',
        counterfeit: (shared ? dice : random()) < well ? 'well' : 'poorly',
      });
    }
    for (const check of world.checks) {
      const classes = world.classes.get(check.id) as PerClass<number>;
      const own = classOf.get(check.strand) as { genuine: 'usual' | 'offDay'; counterfeit: 'well' | 'poorly' };
      const packagingCopied = counterfeit ? !foreign : foreign && madeUp;
      const copied = check.bearsOn === 'goods' ? counterfeit : packagingCopied;
      const chance =
        check.bearsOn === 'link' && foreign
          ? 1 - RULES.foreignAgrees
          : classes[
              check.bearsOn === 'link'
                ? counterfeit
                  ? own.counterfeit
                  : own.genuine
                : copied
                  ? own.counterfeit
                  : own.genuine
            ];
      const differs = random() < chance;
      if (random() < plan.missing) continue;
      findings.push({ check, mark: differs ? 'differs' : 'agrees', problems: [] });
    }
    const day = use === 'learn' ? new Date(Date.UTC(2025, 0, 1 + at)).toISOString().slice(0, 10) : '2026-11-01';
    const seen = Object.fromEntries(findings.map(({ check, mark }) => [check.id, { differs: mark === 'differs' }]));
    return {
      truth,
      findings,
      confirmed: {
        number: String(at),
        kind: 'k',
        release: null,
        truth,
        at: day,
        findings: seen,
        circumstances: { channel: 'walk-in', inHand: true, packaged: true },
        without: [],
        chain: 'open',
      },
    };
  });
}
