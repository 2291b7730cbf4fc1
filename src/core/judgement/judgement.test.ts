import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { CheckDefinition } from '../checks/check';
import type { Finding } from '../checks/finding';
import type { Mark } from '../crossread/mark';
import { bound } from './bound';
import { statedClasses } from './classes';
import { decideGoods, formatShare, formatShareAgainst, sideOfThresholds } from './decide';
import { drawIntervals } from './draws';
import { EDITIONS, NEWEST_EDITION } from './edition';
import { evidenceOf } from './evidence';
import { type HouseRules, thresholds } from './houseRules';
import { rankGains } from './nextCheck';
import { studentDensity } from './outcomeChances';
import { weigh } from './weigh';
import { genuineShare, statesOf } from './worlds';

const rules = shippedRules as HouseRules;
const PRIOR = 0.2;
const weighed = (findings: Finding[], prior = PRIOR) => weigh(evidenceOf(findings, prior, rules));

function finding(over: Partial<CheckDefinition>, mark: Mark, value?: number): Finding {
  const check = madeUpCheck(over.id ?? Math.random().toString(36), {
    answer: { form: 'choice', choices: [] },
    support: 'several sources',
    ...over,
  });
  const nominal = check.answer.form === 'quantity' ? { value: 100, tolerance: 2, unit: 'mm', source: '' } : undefined;
  return { check, mark, value, nominal, problems: [] };
}

/** P(Z <= z) by adding up the density. */
const cumulative = (z: number): number => {
  const step = z / 2000;
  let sum = 0;
  for (let i = 0; i < 2000; i++) sum += Math.exp(-(((i + 0.5) * step) ** 2) / 2) * step;
  return 0.5 + sum / Math.sqrt(2 * Math.PI);
};
const quantileOf = (share: number): number => {
  let [low, high] = [-4, 4];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (cumulative(middle) < share) low = middle;
    else high = middle;
  }
  return low;
};
/** P(well copied) at each of nine equally likely qualities, strands correlated by .35 and half of them well copied. */
const WELL_COPIED = Array.from({ length: 9 }, (_, i) =>
  cumulative((-Math.sqrt(0.35) * quantileOf((i + 0.5) / 9)) / Math.sqrt(0.65)),
);

/**
 * The same posterior by enumerating every hidden thing there is: the state, whether a foreign box is genuine,
 * the quality of the copy, and the class of each side of each strand. Written from the design, not from the code.
 */
function bruteForce(findings: Finding[], counterfeit: number) {
  const strands = [...new Set(findings.map(({ check }) => check.strand))];
  const states = [
    { name: 'own', prior: (1 - counterfeit) * (1 - 0.04), goods: 'g', packaging: ['g'], link: 'g' },
    { name: 'repacked', prior: (1 - counterfeit) * 0.04, goods: 'g', packaging: ['g', 'c'], link: 'f' },
    { name: 'transplanted', prior: counterfeit * 0.08, goods: 'c', packaging: ['g'], link: 'f' },
    { name: 'copied', prior: counterfeit * 0.92, goods: 'c', packaging: ['c'], link: 'c' },
  ];
  const likelihood: Record<string, number> = {};
  for (const state of states) {
    let sum = 0;
    for (const packaging of state.packaging) {
      const side = { goods: state.goods, packaging, link: state.link };
      for (const wellCopied of WELL_COPIED) {
        // Every combination of classes: each strand has one for its genuine and one for its counterfeit side.
        for (let combination = 0; combination < 4 ** strands.length; combination++) {
          let p = 1;
          for (const [i, strand] of strands.entries()) {
            const bits = Math.floor(combination / 4 ** i) % 4;
            const offDay = bits % 2 === 1;
            const poorly = bits >= 2;
            p *= (offDay ? 0.1 : 0.9) * (poorly ? 1 - wellCopied : wellCopied);
            for (const { check, mark } of findings.filter((each) => each.check.strand === strand)) {
              const { g, c } = check;
              const where = side[check.bearsOn];
              const off = Math.min(0.9, 3 * g);
              const usual = (g - 0.1 * off) / 0.9;
              const well = Math.max(c - 0.5 * Math.min(c, 1 - c), Math.min(g, c));
              const genuine = offDay ? off : usual;
              const copy = poorly ? 2 * c - well : well;
              const differs = where === 'f' ? 0.95 : where === 'g' ? genuine : copy;
              p *= mark === 'agrees' ? 1 - differs : differs;
            }
          }
          sum += p / state.packaging.length / 9;
        }
      }
    }
    likelihood[state.name] = state.prior * sum;
  }
  const total = Object.values(likelihood).reduce((a, b) => a + b, 0);
  return Object.fromEntries(Object.entries(likelihood).map(([name, each]) => [name, each / total]));
}

describe('weighing', () => {
  const chance = fc.double({ min: 0.02, max: 0.6, noNaN: true });
  const any = fc.record({
    strand: fc.constantFrom('a', 'b', 'c'),
    bearsOn: fc.constantFrom('goods' as const, 'packaging' as const, 'link' as const),
    g: fc.double({ min: 0.005, max: 0.3, noNaN: true }),
    c: chance,
    mark: fc.constantFrom<Mark>('agrees', 'differs'),
  });
  it('is the posterior over four states and the hidden classes, as enumeration has it', () => {
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), fc.double({ min: 0.05, max: 0.6, noNaN: true }), (checks, prior) => {
        const findings = checks.map(({ mark, ...check }) => finding(check, mark));
        const expected = bruteForce(findings, prior);
        const states = statesOf(weighed(findings, prior).posterior);
        for (const [name, p] of Object.entries(expected)) expect(states[name as keyof typeof states]).toBeCloseTo(p, 6);
      }),
      { numRuns: 40 },
    );
  });
  it('takes nothing from what is open, excused or could not be told', () => {
    for (const mark of ['open', 'excused', 'cantTell'] as Mark[]) {
      expect(weighed([finding({}, mark)]).weight).toBeCloseTo(0, 12);
    }
  });
  it('makes the second sign of a strand weigh less than the first, and less than one of another strand', () => {
    const first = weighed([finding({}, 'differs')]).weight;
    const same = weighed([finding({}, 'differs'), finding({}, 'differs')]).weight;
    const other = weighed([finding({}, 'differs'), finding({ strand: 't' }, 'differs')]).weight;
    expect(Math.abs(same - first)).toBeLessThan(Math.abs(first));
    expect(other).toBeLessThan(same);
  });
  it('lets a wrong box speak against the packaging, hardly against the goods', () => {
    const { posterior } = weighed([finding({ bearsOn: 'link', g: 0.003, c: 0.06 }, 'differs')]);
    expect(posterior.own).toBeLessThan(0.1);
    expect(genuineShare(posterior)).toBeGreaterThan(0.4);
  });
  it('adds up: strands and interplay are the weight of all', () => {
    const findings = [
      finding({ strand: 'a' }, 'differs'),
      finding({ strand: 'b', bearsOn: 'packaging' }, 'agrees'),
      finding({ strand: 'c', bearsOn: 'link' }, 'differs'),
    ];
    const { strands, interplay, weight } = weighed(findings);
    expect(strands.reduce((sum, each) => sum + each.weight, interplay)).toBeCloseTo(weight, 9);
  });
  it('keeps the stated means over the classes', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.3, noNaN: true }), chance, (g, c) => {
        const each = statedClasses({ g, c }, rules);
        expect(0.9 * each.usual + 0.1 * each.offDay).toBeCloseTo(g, 9);
        expect(0.5 * each.well + 0.5 * each.poorly).toBeCloseTo(c, 9);
      }),
    );
  });
});

describe('measured values', () => {
  const quantity = { answer: { form: 'quantity' as const, measure: 'm', uncertainty: 0.3 } };
  const weightAt = (value: number) => weighed([finding(quantity, 'agrees', value)]).weight;
  it('speak for the goods near the record and against them far from it, more with distance', () => {
    expect(weightAt(100)).toBeGreaterThan(2);
    expect(weightAt(104)).toBeLessThan(-3);
    expect(weightAt(110)).toBeLessThan(weightAt(104));
    expect(weightAt(96)).toBeCloseTo(weightAt(104), 9);
  });
  it('uses a density that integrates to one', () => {
    let sum = 0;
    for (let x = -400; x <= 400; x += 0.01) sum += studentDensity(x, 3, 1.7, 4) * 0.01;
    expect(sum).toBeCloseTo(1, 3);
  });
});

describe('decision', () => {
  const limits = thresholds(rules.losses);
  it('turns where the losses say', () => {
    expect(limits).toEqual({ accept: 0.95, reject: 0.2 });
    expect(thresholds({ acceptCounterfeit: 4, rejectGenuine: 1, escalate: 10 })).toEqual({ accept: 0.8, reject: 0.8 });
  });
  it('is the cheapest of the three, for any losses and any probability', () => {
    const loss = fc.double({ min: 0.1, max: 50, noNaN: true });
    fc.assert(
      fc.property(
        loss,
        loss,
        loss,
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        (accept, reject, escalate, p) => {
          const { side } = sideOfThresholds(
            p,
            [p, p],
            thresholds({ acceptCounterfeit: accept, rejectGenuine: reject, escalate }),
          );
          const costs = { yes: accept * (1 - p), no: reject * p, open: escalate };
          expect(costs[side]).toBeLessThanOrEqual(Math.min(...Object.values(costs)) + 1e-9);
        },
      ),
    );
  });
  it('stays open where the interval crosses a threshold, and says so', () => {
    expect(sideOfThresholds(0.97, [0.9, 0.99], limits)).toMatchObject({
      side: 'open',
      reasons: [expect.stringMatching(/reaches down to 90/)],
    });
    expect(sideOfThresholds(0.1, [0.02, 0.4], limits)).toMatchObject({
      side: 'open',
      reasons: [expect.stringMatching(/reaches up to 40/)],
    });
    expect(sideOfThresholds(0.97, [0.96, 0.99], limits).side).toBe('yes');
  });
  it('is never better than no objection from pictures, and waits for what the house requires', () => {
    expect(decideGoods('yes', [], [], false).decision).toBe('noObjection');
    expect(decideGoods('no', [], [], false).decision).toBe('counterfeit');
    expect(decideGoods('yes', [], ['“Print”'], true)).toEqual({
      decision: 'undecided',
      reasons: ['the house requires “Print” first'],
    });
  });
  it('never writes a share as a threshold that it does not reach', () => {
    const said = (share: number) => formatShareAgainst(share, limits).replace('\u00a0', ' ');
    expect([0.947, 0.9496, 0.94999, 0.95, 0.9501, 0.2004, 0.5].map(said)).toEqual([
      '94.7 %',
      '94.96 %',
      'just under 95 %',
      '95 %',
      '95.01 %',
      '20.04 %',
      '50 %',
    ]);
    expect(sideOfThresholds(0.947, [0.45, 0.997], limits).reasons[0]).toMatch(/^94\.7.*between 20.*and 95/);
  });
  it('never writes a certainty', () => {
    expect([0, 0.0004, 0.004, 0.5, 0.994, 0.9999, 1].map((p) => formatShare(p).replace('\u00a0', ' '))).toEqual([
      'under 0.1 %',
      'under 0.1 %',
      '0.4 %',
      '50 %',
      '99.4 %',
      'over 99.9 %',
      'over 99.9 %',
    ]);
  });
});

describe('uncertainty', () => {
  const KNOWN = { rules, statistics: null, edition: EDITIONS[NEWEST_EDITION] };
  const seen = (support: CheckDefinition['support']) => [
    finding({ id: 'a', support }, 'differs'),
    finding({ id: 'b', strand: 't', support }, 'agrees'),
  ];
  const intervalOf = (support: CheckDefinition['support'], seed = 0.1) =>
    drawIntervals(evidenceOf(seen(support), PRIOR, rules), KNOWN, 500, seed).genuine;
  it('is the same for the same seed and much the same for another', () => {
    expect(intervalOf('measured')).toEqual(intervalOf('measured'));
    expect(Math.abs(intervalOf('measured')[0] - intervalOf('measured', 0.7)[0])).toBeLessThan(0.12);
  });
  it('is wider on hearsay than on measurement, and holds the stated answer', () => {
    const width = ([low, high]: [number, number]) => high - low;
    expect(width(intervalOf('hearsay'))).toBeGreaterThan(width(intervalOf('measured')));
    const p = genuineShare(weighed(seen('measured')).posterior);
    const [low, high] = intervalOf('measured');
    expect(p).toBeGreaterThan(low);
    expect(p).toBeLessThan(high);
  });
});

const MARKS: Mark[] = ['agrees', 'differs', 'open'];
const OPEN = [
  finding({ id: 'a', c: 0.7 }, 'open'),
  finding({ id: 'b', c: 0.6 }, 'open'),
  finding({ id: 'box', strand: 't', bearsOn: 'packaging', c: 0.8 }, 'open'),
  finding({ id: 'lid', strand: 't', bearsOn: 'packaging', c: 0.8 }, 'open'),
  finding({ id: 'link', strand: 'u', bearsOn: 'link', g: 0.01, c: 0.1 }, 'open'),
];

describe('what to look at next', () => {
  const gains = (findings: Finding[]) => rankGains(findings, evidenceOf(findings, PRIOR, rules));
  it('prefers what separates better, and for equal worth what is quicker', () => {
    const sharp = finding({ id: 'sharp', g: 0.02, c: 0.6 }, 'open');
    const blunt = finding({ id: 'blunt', strand: 't', g: 0.2, c: 0.3 }, 'open');
    const slow = finding({ id: 'slow', strand: 'u', g: 0.02, c: 0.6, seconds: 300 }, 'open');
    expect(gains([blunt, slow, sharp]).map(({ finding: { check } }) => check.id)[0]).toBe('sharp');
    expect(gains([slow, sharp])[0]?.finding.check.id).toBe('sharp');
  });
  it('is the mutual information of goods and outcome', () => {
    const [gain] = gains([finding({ g: 0.1, c: 0.5 }, 'open')]);
    const [ga, gd, ca, cd] = [0.8 * 0.9, 0.8 * 0.1, 0.2 * 0.5, 0.2 * 0.5];
    const h = (...ps: number[]) => -ps.reduce((sum, p) => sum + p * Math.log2(p), 0);
    const mutual = h(0.8, 0.2) + h(ga + ca, gd + cd) - h(ga, gd, ca, cd);
    expect(gain?.bits).toBeCloseTo(mutual, 6);
  });
  it('waits for what has to come first', () => {
    const before = finding({ id: 'before' }, 'open');
    const after = finding({ id: 'after', strand: 't', after: ['before'] }, 'open');
    expect(gains([before, after]).map(({ finding: { check } }) => check.id)).toEqual(['before']);
    expect(gains([{ ...before, mark: 'agrees' }, after]).map(({ finding: { check } }) => check.id)).toEqual(['after']);
  });
  it('bounds what is left: no ending goes beyond it, and one reaches it', () => {
    const { lowest, highest } = bound(OPEN, evidenceOf([], PRIOR, rules));
    const ps = Array.from({ length: 3 ** OPEN.length }, (_, ending) =>
      genuineShare(
        weighed(OPEN.map((each, i) => ({ ...each, mark: MARKS[Math.floor(ending / 3 ** i) % 3] as Mark }))).posterior,
      ),
    );
    expect(Math.max(...ps)).toBeCloseTo(highest, 9);
    expect(Math.min(...ps)).toBeCloseTo(lowest, 9);
  });
  it('knows that not everything differing is the worst: a link that differs explains a bad box away', () => {
    const all = OPEN.map((each) => ({ ...each, mark: 'differs' as const }));
    const { lowest } = bound(OPEN, evidenceOf([], PRIOR, rules));
    expect(genuineShare(weighed(all).posterior)).toBeGreaterThan(lowest + 0.001);
  });
});
