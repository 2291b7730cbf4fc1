import { describe, expect, it } from 'vitest';
import { madeUpCheck } from '@/demo/testing/madeUpCheck';
import shippedRules from '@/desk/shipped/house-rules.json';
import type { HouseRules } from '../houseRules';
import { CLASSES, statedCounts } from './fit';
import { provedSupport, worthOf } from './provedSupport';

const CHECKS = Array.from({ length: 40 }, (_, i) => madeUpCheck(`c${i}`, { g: 0.05, c: 0.4 }));
const POORLY = CLASSES.indexOf('poorly');

/** So many of 50 poor copies differed at each check; nothing else was seen. */
function tallied(differing: (check: number) => number) {
  const [differs, agrees] = [new Float64Array(4 * CHECKS.length), new Float64Array(4 * CHECKS.length)];
  CHECKS.forEach((_, i) => {
    differs[POORLY * CHECKS.length + i] = differing(i);
    agrees[POORLY * CHECKS.length + i] = 50 - differing(i);
  });
  return { differs, agrees };
}

describe('what stated chances prove to be worth', () => {
  const rules = shippedRules as HouseRules;
  const stated = statedCounts(CHECKS, rules);
  // Stated for poor copies: .6 each.
  it('is more where they were right again and again, and less where they were wrong', () => {
    expect(
      provedSupport(
        stated,
        tallied((i) => 29 + (i % 3)),
      ).poorly,
    ).toBe(8);
    expect(
      provedSupport(
        stated,
        tallied((i) => (i % 2 === 0 ? 2 : 48)),
      ).poorly,
    ).toBeLessThan(1);
  });
  it('is what is said where nothing was seen, and where the house holds it', () => {
    const asSaid = { usual: 1, offDay: 1, well: 1, poorly: 1 };
    expect(
      provedSupport(
        stated,
        tallied(() => 30),
      ),
    ).toMatchObject({ usual: 1, offDay: 1, well: 1 });
    const held = statedCounts(CHECKS, { ...rules, frozen: { support: true } });
    expect(
      provedSupport(
        held,
        tallied(() => 30),
      ),
    ).toEqual(asSaid);
  });
  it('moves no stated chance', () => {
    const more = worthOf(stated, { usual: 4, offDay: 2, well: 1, poorly: 0.5 });
    stated.differs.forEach((yes, at) => {
      const chance = yes / (yes + (stated.agrees[at] as number));
      expect((more.differs[at] as number) / ((more.differs[at] as number) + (more.agrees[at] as number))).toBeCloseTo(
        chance,
      );
    });
    expect(more.agrees[0]).toBeCloseTo(4 * (stated.agrees[0] as number));
  });
});
