import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitVariants, type Observation, type Variant } from './variantFit';

const see = (trait: string, state: string): Observation => ({ trait, state, label: `${trait} ${state}` });
const east: Variant = {
  id: 'east',
  name: 'East',
  traits: { factory: ['E1'], stamp: ['blue'], tag: ['paper', 'chip'] },
};
const west: Variant = { id: 'west', name: 'West', traits: { factory: ['W1'], stamp: ['violet'], tag: ['paper'] } };

describe('variant fit', () => {
  it('holds where one variant accounts for everything, whatever others lack', () => {
    const fit = fitVariants([east, west], [see('factory', 'W1'), see('stamp', 'violet'), see('lining', 'grey')]);
    expect(fit.holds).toBe(true);
    expect(fit.fits[0]?.variant.id).toBe('west');
    expect(fit.mends).toEqual([]);
  });
  it('breaks on a mixture, and names every smallest set that would mend it', () => {
    const fit = fitVariants([east, west], [see('factory', 'W1'), see('stamp', 'blue')]);
    expect(fit.holds).toBe(false);
    expect(fit.mends.map((set) => set.map(({ label }) => label))).toEqual([['factory W1'], ['stamp blue']]);
  });
  it('says nothing without variants', () => {
    expect(fitVariants([], [see('factory', 'W1')])).toEqual({ holds: true, fits: [], mends: [] });
  });
  it('finds every smallest mending set and no other, as trying all sets does', () => {
    const state = fc.constantFrom('a', 'b', 'c');
    const traits = fc.record({ t1: state, t2: state, t3: state, t4: state });
    fc.assert(
      fc.property(fc.array(traits, { minLength: 1, maxLength: 5 }), traits, (genuine, seen) => {
        const variants = genuine.map((each, i) => ({
          id: `v${i}`,
          name: `v${i}`,
          traits: Object.fromEntries(Object.entries(each).map(([t, s]) => [t, [s]])),
        }));
        const observations = Object.entries(seen).map(([t, s]) => see(t, s));
        const subsets = Array.from({ length: 2 ** observations.length }, (_, bits) =>
          observations.filter((_, i) => bits & (1 << i)),
        );
        const mending = subsets.filter((taken) =>
          variants.some(({ traits: known }) =>
            observations.every(
              (each) => taken.includes(each) || known[each.trait]?.some((state) => state === each.state),
            ),
          ),
        );
        const least = Math.min(...mending.map(({ length }) => length));
        const names = (sets: Observation[][]) =>
          sets
            .map((set) =>
              set
                .map(({ label }) => label)
                .sort()
                .join(),
            )
            .sort();
        const { mends, holds } = fitVariants(variants, observations);
        expect(holds).toBe(least === 0);
        if (!holds) expect(names(mends)).toEqual(names(mending.filter(({ length }) => length === least)));
      }),
      { numRuns: 500 },
    );
  });
  it('lets what was not surely seen break nothing', () => {
    const fit = fitVariants([east], [{ ...see('factory', 'W1'), uncertain: true }]);
    expect(fit.holds).toBe(true);
    expect(fit.fits[0]?.doubted).toHaveLength(1);
  });
});
