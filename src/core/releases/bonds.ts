import type { Variant } from './variantFit';

/** What one state of a trait leaves of another trait, over all variants that may show it. */
export interface Bond {
  trait: string;
  state: string;
  /** The other trait. */
  other: string;
  allows: string[];
  forbids: string[];
}

/** Trait id to every state that some variant has, in the order of the variants. */
export function statesOf(variants: Variant[]): Map<string, string[]> {
  const states = new Map<string, string[]>();
  for (const { traits } of variants)
    for (const [trait, own] of Object.entries(traits))
      states.set(trait, [...new Set([...(states.get(trait) ?? []), ...own])]);
  return states;
}

/**
 * What the variants of a release forbid: for each state of a trait, the states of the others that no variant shows
 * together with it. A variant that does not list a trait may show any state of it.
 */
export function bondsOf(variants: Variant[]): Bond[] {
  const all = statesOf(variants);
  const showing = (trait: string, state: string) =>
    variants.filter(({ traits }) => traits[trait] === undefined || traits[trait].includes(state));
  const bonds: Bond[] = [];
  for (const [trait, states] of all) {
    for (const state of states) {
      const holders = showing(trait, state);
      for (const [other, others] of all) {
        if (other === trait) continue;
        const allowed = new Set(holders.flatMap(({ traits }) => traits[other] ?? others));
        const forbids = others.filter((each) => !allowed.has(each));
        if (forbids.length > 0)
          bonds.push({ trait, state, other, allows: others.filter((each) => allowed.has(each)), forbids });
      }
    }
  }
  return bonds;
}

/** A variant that can never be told from another: whatever it shows, the other may show too. */
export interface Indistinct {
  variant: Variant;
  from: Variant;
  /** Neither can be told from the other. */
  alike: boolean;
}

/** Every state that `a` may show, `b` may show as well. */
function within(a: Variant, b: Variant): boolean {
  return Object.entries(b.traits).every(([trait, states]) => {
    const own = a.traits[trait];
    return own?.every((state) => states.includes(state)) ?? false;
  });
}

/** Pairs of variants of which nothing tells the one from the other, each once. */
export function indistinctVariants(variants: Variant[]): Indistinct[] {
  return variants.flatMap((variant, i) =>
    variants.flatMap((from, j) => {
      if (i === j || !within(variant, from)) return [];
      const alike = within(from, variant);
      return alike && i > j ? [] : [{ variant, from, alike }];
    }),
  );
}
