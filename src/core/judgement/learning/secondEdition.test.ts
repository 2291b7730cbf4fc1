import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../../checks/check';
import type { Finding } from '../../checks/finding';
import { addDays } from '../../dates/day';
import { formatProblem } from '../../formats/validate';
import { meanOf } from '../classes';
import type { SealedCase } from '../confirmedCase';
import { drawIntervals } from '../draws';
import { EDITIONS } from '../edition';
import { evidenceOf, shareOf } from '../evidence';
import type { HouseRules } from '../houseRules';
import { ofRelease } from '../learned';
import { overClasses } from '../makes';
import { misfit } from '../misfit';
import { parametersOf } from '../parameters';
import { priorOf } from '../prior';
import { secondEyes } from '../secondEyes';
import type { CheckerSlips } from '../slips';
import type { TellStatistics } from '../statistics';
import { learn } from './learn';
import { slipRates } from './slipRates';

const rules = shippedRules as HouseRules;
const TODAY = '2026-11-24';

const check = (id: string, over: Partial<CheckDefinition> = {}): CheckDefinition =>
  madeUpCheck(id, { strand: id.slice(0, 1), ...over });
/** Six strands of three checks. */
const CHECKS = ['a', 'b', 'c', 'd', 'e', 'f'].flatMap((strand) => [1, 2, 3].map((i) => check(`${strand}${i}`)));

interface Plan {
  count: number;
  copies?: number;
  /** True where all strands of a copy are as well made as each other. */
  together?: boolean;
  confirm?: (i: number) => boolean;
  wrong?: number;
  chance?: (way: 'usual' | 'well' | 'poorly', check: string, i: number, release: string) => number;
  releases?: number;
  over?: Partial<SealedCase['circumstances']>;
}

const CHANCE = { usual: 0.05, well: 0.08, poorly: 0.7 };

/** Made-up sealed cases, one a day up to today. */
function sealed(seed: number, plan: Plan): SealedCase[] {
  const random = randomLcg(seed);
  const { count, copies = 0.25, together, confirm = () => true, wrong = 0, releases = 1, over } = plan;
  return Array.from({ length: count }, (_, i) => {
    const copied = random() < copies;
    const whole = random() < 0.5;
    const release = `r${i % releases}`;
    const wellMade = new Map(['a', 'b', 'c', 'd', 'e', 'f'].map((s) => [s, together ? whole : random() < 0.5]));
    const findings = Object.fromEntries(
      CHECKS.map(({ id, strand }) => {
        const way = copied ? (wellMade.get(strand) ? 'well' : 'poorly') : 'usual';
        return [id, { differs: random() < (plan.chance ?? ((of) => CHANCE[of]))(way, id, i, release) }];
      }),
    );
    const said = random() < wrong ? !copied : copied;
    return {
      number: String(i),
      kind: 'k',
      release,
      truth: confirm(i) ? { goods: said ? 'counterfeit' : 'genuine', packaging: 'own', trust: 1 } : null,
      at: addDays(TODAY, i - count),
      findings,
      circumstances: { channel: 'walk-in', inHand: true, packaged: true, ...over },
      without: [],
      chain: 'open',
    };
  });
}
const learned = (cases: SealedCase[], house = rules, doubles = [] as Parameters<typeof slipRates>[0]) =>
  learn('k', cases, CHECKS, house, TODAY, doubles);
/** P(differs) on any copy, and on a poor one. */
const copied = (statistics: TellStatistics, id: string) =>
  overClasses({ check: check(id) }, rules, statistics, EDITIONS[2]).copied;
const poorly = (statistics: TellStatistics, id: string) =>
  meanOf(statistics.strands[id.slice(0, 1)]?.checks[id]?.poorly ?? [0, 1]);

describe('learning, second edition', () => {
  it('tells copies whose strands hang together from copies whose strands do not', () => {
    expect(learned(sealed(0.1, { count: 500, together: true })).quality?.counterfeit).toBeGreaterThanOrEqual(0.5);
    expect(learned(sealed(0.2, { count: 500 })).quality?.counterfeit).toBeLessThanOrEqual(0.2);
  });
  it('learns from sealed cases that nobody confirmed', () => {
    const off = (statistics: TellStatistics) =>
      CHECKS.reduce((sum, { id }) => sum + Math.abs(poorly(statistics, id) - CHANCE.poorly), 0) / CHECKS.length;
    const few = sealed(0.3, { count: 24 });
    const many = [...few, ...sealed(0.4, { count: 800, confirm: () => false })];
    expect(off(learned(many))).toBeLessThan(off(learned(few)) / 2);
    expect(learned(many).unconfirmed).toBe(800);
  });
  it('finds how many copies come by the door, by channel and seller, and leaves references out', () => {
    const cases = [
      ...sealed(0.5, { count: 300, copies: 0.6, confirm: (i) => i % 4 === 0, over: { seller: 'S-12' } }),
      ...sealed(0.6, { count: 300, copies: 0, over: { reference: true } }),
    ];
    const statistics = learned(cases);
    const prior = (seller?: string) =>
      priorOf({ channel: 'walk-in', ...(seller ? { seller } : {}) }, rules, statistics, EDITIONS[2]);
    expect(prior()).toBeGreaterThan(0.5);
    expect(prior()).toBeLessThan(0.65);
    expect(prior('S-12')).toBeCloseTo(prior(), 1);
    // A seller of whom nothing is known is like the channel; a house may hold its own figures.
    expect(prior('unknown')).toBe(prior());
    expect(priorOf({ channel: 'walk-in' }, { ...rules, frozen: { shares: true } }, statistics, EDITIONS[2])).toBe(0.2);
    expect(priorOf({ channel: 'walk-in' }, rules, statistics, EDITIONS[1])).toBe(0.2);
  });
  it('finds how many truths are wrong, and does not ask before there are enough', () => {
    const { truthErrors } = learned(sealed(0.7, { count: 500, wrong: 0.1 }));
    expect(truthErrors?.applied).toBe(true);
    expect(truthErrors?.rate).toBeGreaterThan(0.06);
    expect(truthErrors?.rate).toBeLessThan(0.14);
    expect(learned(sealed(0.7, { count: 150, wrong: 0.1 })).truthErrors).toEqual({ rate: 0, applied: false });
  });
  it('lets releases differ where they do', () => {
    const apart: Plan['chance'] = (way, id, _, release) =>
      way === 'usual' ? (release === 'r0' && id.endsWith('1') ? 0.4 : 0.02) : CHANCE[way];
    const different = learned(sealed(0.8, { count: 600, releases: 3, chance: apart }));
    expect(different.releases?.worth).not.toBeNull();
    const differs = (releaseId: string) =>
      parametersOf(rules, different).differs({ check: check('a1'), mark: 'differs', problems: [], releaseId }).usual;
    expect(differs('r0')).toBeGreaterThan(0.25);
    expect(differs('r1')).toBeLessThan(0.1);
    // A case needs what was learned of its own release alone.
    expect(Object.keys(ofRelease(different, 'r1').releases?.counts ?? {})).toEqual(['r1']);
    expect(ofRelease(different, null).releases).toEqual({ worth: different.releases?.worth, counts: {} });
    expect(learned(sealed(0.9, { count: 600, releases: 3 })).releases).toEqual({ worth: null, counts: {} });
  });
  it('forgets what copyists have learned since, and nothing where they have not', () => {
    const better: Plan['chance'] = (way, _, i) => (way === 'poorly' && i > 500 ? 0.2 : CHANCE[way]);
    const changed = learned(sealed(0.15, { count: 800, copies: 0.5, chance: better }));
    expect(changed.memory?.chances).not.toBeNull();
    // Poor copies that got better look like good ones: what counts is how often any copy differs by now, .14.
    expect(copied(changed, 'a1')).toBeGreaterThan(0.1);
    expect(copied(changed, 'a1')).toBeLessThan(0.2);
    expect(changed.generation).toBeUndefined();
    expect(learned(sealed(0.25, { count: 800, copies: 0.5 })).memory).toEqual({ shares: null, chances: null });
  });
  it('notices copies of another generation, and says since when', () => {
    // The last half year, of two years: another fault in every strand.
    const other: Plan['chance'] = (way, id, i) =>
      way === 'poorly' ? (id.endsWith(i > 550 ? '1' : '3') ? 0.05 : 0.9) : CHANCE[way];
    const { generation } = learned(sealed(0.35, { count: 730, copies: 0.5, chance: other }));
    expect(generation).toBe(addDays(TODAY, -183));
    expect(learned(sealed(0.25, { count: 800, copies: 0.5 })).generation).toBeUndefined();
  });
  it.each<[string, SealedCase[], HouseRules]>([
    ['nothing at all', [], rules],
    ['only counterfeits', sealed(0.35, { count: 80, copies: 1 }), rules],
    ['only genuine items that nobody confirmed', sealed(0.45, { count: 80, copies: 0, confirm: () => false }), rules],
    ['a prior of 0', sealed(0.55, { count: 60 }), { ...rules, priors: { ...rules.priors, 'walk-in': 0 } }],
    ['a prior of 1', sealed(0.65, { count: 60 }), { ...rules, priors: { ...rules.priors, 'walk-in': 1 } }],
    [
      'findings of checks that are gone',
      sealed(0.75, { count: 20 }).map((each) => ({ ...each, findings: { gone: { differs: true } } })),
      rules,
    ],
  ])('gives sound numbers for %s', (_, cases, house) => {
    const statistics = learned(cases, house);
    const parameters = parametersOf(house, statistics);
    const findings = CHECKS.map(
      (each, i): Finding => ({ check: each, mark: i % 5 ? 'agrees' : 'differs', problems: [] }),
    );
    const prior = priorOf({ channel: 'walk-in' }, house, statistics, EDITIONS[2]);
    const p = shareOf(evidenceOf(findings, prior, house, parameters));
    expect(p).toBeGreaterThanOrEqual(0);
    expect(p).toBeLessThanOrEqual(1);
    expect(formatProblem('statistics', JSON.parse(JSON.stringify(statistics)))).toBeNull();
  });
});

const NOBODY: CheckerSlips = { applied: false, average: { missed: 0, false: 0 }, people: {} };

describe('slips of checkers', () => {
  const pairs = (seed: number, count: number, careless: number) => {
    const random = randomLcg(seed);
    return Array.from({ length: count }, (_, i) => {
      const differs = random() < 0.3;
      const answer = (by: string, slips: number) => ({ by, differs: random() < slips ? !differs : differs });
      const others: [string, number][] = [
        ['b', 0.02],
        ['c', 0.02],
      ];
      const [first, second] =
        i % 3 === 0 ? others : [['a', careless] as [string, number], others[i % 2] as [string, number]];
      return { first: answer(...(first as [string, number])), second: answer(...(second as [string, number])) };
    });
  };
  it('are found from double answers though nobody knows who was right', () => {
    const { people, applied } = slipRates(pairs(0.2, 900, 0.15)) ?? NOBODY;
    expect(applied).toBe(true);
    expect(people.a?.missed).toBeGreaterThan(0.09);
    expect(people.b?.missed).toBeLessThan(0.06);
    expect(people.a?.missed).toBe(people.a?.false);
  });
  it('are shown and not applied while there are few, and told apart when there are many', () => {
    expect(slipRates(pairs(0.3, 60, 0.15))?.applied).toBe(false);
    expect(slipRates([])).toBeUndefined();
    const { people } = slipRates(pairs(0.4, 1500, 0.15)) ?? NOBODY;
    expect(people.a?.missed).not.toBe(people.a?.false);
  });
  it('make what a careless checker found weigh less', () => {
    const statistics = learned(sealed(0.5, { count: 300 }), rules, pairs(0.6, 900, 0.2));
    const p = (by: string) =>
      shareOf(
        evidenceOf(
          CHECKS.slice(0, 4).map((each): Finding => ({ check: each, mark: 'differs', problems: [], by })),
          0.2,
          rules,
          parametersOf(rules, statistics),
        ),
      );
    expect(p('a')).toBeGreaterThan(p('b') * 1.5);
    const held = { ...rules, frozen: { checkers: true } };
    expect(
      shareOf(
        evidenceOf(
          [{ check: check('a1'), mark: 'differs', problems: [], by: 'a' }],
          0.2,
          held,
          parametersOf(held, statistics),
        ),
      ),
    ).toBe(
      shareOf(
        evidenceOf(
          [{ check: check('a1'), mark: 'differs', problems: [], by: 'b' }],
          0.2,
          held,
          parametersOf(held, statistics),
        ),
      ),
    );
  });
});

describe('another pair of eyes', () => {
  const pairsOf = (slips: number) =>
    Array.from({ length: 400 }, (_, i) => {
      const differs = i % 4 === 0;
      const slipped = i % Math.round(1 / slips) === 0;
      return { first: { by: 'a', differs: differs !== slipped }, second: { by: i % 2 ? 'b' : 'c', differs } };
    });
  const findings = CHECKS.slice(0, 3).map(
    (each, i): Finding => ({ check: each, mark: i === 0 ? 'differs' : 'agrees', problems: [], by: 'a' }),
  );
  const eyes = (slips: number | null) => {
    const statistics = learned(sealed(0.5, { count: 300 }), rules, slips === null ? [] : pairsOf(slips));
    return secondEyes(evidenceOf(findings, 0.3, rules, parametersOf(rules, statistics)), {
      rules,
      statistics,
      edition: EDITIONS[2],
    });
  };
  it('is worth the more the more often the first one slips, and is not asked for while that is not known', () => {
    expect(eyes(null)).toBeNull();
    const [careless, careful] = [eyes(0.2), eyes(0.02)];
    expect(careless?.bits).toBeGreaterThan((careful?.bits ?? 1) * 1.15);
    expect(careless?.finding.check.id).toBe('a1');
  });
});

describe('what is seen together', () => {
  const seen = (differing: number): Finding[] =>
    CHECKS.map(
      (each, i): Finding => ({
        check: { ...each, g: 0.006 },
        mark: i < differing ? 'differs' : 'agrees',
        problems: [],
      }),
    );
  it('holds an acceptance back where no genuine item shows it, however much agrees', () => {
    expect(misfit(seen(1), rules)).toBeNull();
    expect(misfit(seen(3), rules)).toMatch(/“a1”, “a2” and “a3” differ/);
  });
  it('draws narrower intervals for a case that tells of its own parameters', () => {
    const findings = CHECKS.map((each): Finding => ({ check: each, mark: 'agrees', problems: [] }));
    const evidence = evidenceOf(findings, 0.2, rules);
    const width = (number: 1 | 2) => {
      const edition = { ...EDITIONS[2], drawsWithCase: number === 2 };
      const [low, high] = drawIntervals(evidence, { rules, statistics: null, edition }, 600, 0.4).genuine;
      return high - low;
    };
    expect(width(2)).toBeLessThan(width(1));
  });
  it('holds, from the fourth on, that nobody knows how far strands hang together', () => {
    const apart = Array.from({ length: 12 }, (_, i) => check(`x${i}`, { strand: `x${i}`, support: 'measured' }));
    const seen = apart.map((each): Finding => ({ check: each, mark: 'agrees', problems: [] }));
    const statistics = { ...learn('k', [], apart, rules, TODAY), quality: { genuine: 0, counterfeit: 0 } };
    const lowest = (edition: 3 | 4, qualities: number[]) => {
      const learned = { ...statistics, qualities };
      const evidence = evidenceOf(seen, 0.2, rules, parametersOf(rules, learned, EDITIONS[edition]));
      return drawIntervals(evidence, { rules, statistics: learned, edition: EDITIONS[edition] }, 400, 0.4).genuine[0];
    };
    const [open, sure] = [
      [0.3, 0.2, 0.2, 0.1, 0.1, 0.05, 0.05],
      [1, 0, 0, 0, 0, 0, 0],
    ];
    expect(lowest(4, open)).toBeLessThan(lowest(4, sure));
    expect(lowest(3, open)).toBe(lowest(3, sure));
  });
  it('lets no single value weigh more than a slip of the hand', () => {
    const measured = check('m', { answer: { form: 'quantity', measure: 'm', uncertainty: 0.3 }, support: 'measured' });
    const nominal = { value: 100, tolerance: 2, unit: 'mm', source: '' };
    const finding: Finding = { check: measured, mark: 'differs', value: 130, nominal, problems: [] };
    const odds = (number: 1 | 2) => {
      const p = shareOf(evidenceOf([finding], 0.5, rules, parametersOf(rules, null, EDITIONS[number])));
      return 10 * Math.log10(p / (1 - p));
    };
    expect(odds(1)).toBeLessThan(-30);
    expect(odds(2)).toBeGreaterThan(-18);
  });
});
