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
  it('mends exactly: taking a mending set away makes it hold, taking less away does not', () => {
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
        for (const mend of fitVariants(variants, observations).mends) {
          const rest = observations.filter((each) => !mend.includes(each));
          expect(fitVariants(variants, rest).holds).toBe(true);
          for (const kept of mend) expect(fitVariants(variants, [...rest, kept]).holds).toBe(false);
        }
      }),
    );
  });
});
