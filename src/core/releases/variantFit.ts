/** One genuine form of a release: by market, factory or packaging era. Trait id to the states it may show. */
export interface Variant {
  id: string;
  name: string;
  traits: Record<string, string[]>;
}

/** A trait as it was seen on the item. */
export interface Observation {
  trait: string;
  state: string;
  /** What the person saw, for sentences: `country on the inner label`. */
  label: string;
  /** Seen, but not surely: it speaks against a variant without breaking it. */
  uncertain?: boolean;
}

export interface VariantFit {
  variant: Variant;
  /** The observations that this variant cannot account for; empty where it holds. */
  broken: Observation[];
  /** Uncertain observations that it cannot account for. */
  doubted: Observation[];
}

export interface ChainFit {
  holds: boolean;
  /** Every variant with what breaks it, nearest first. */
  fits: VariantFit[];
  /** Where nothing holds: all smallest sets of observations whose removal mends some variant. */
  mends: Observation[][];
}

/** A variant says nothing about traits that it does not list. */
function accountsFor(variant: Variant, seen: Observation): boolean {
  const states = variant.traits[seen.trait];
  return states === undefined || states.includes(seen.state);
}

/**
 * Whether some single genuine variant accounts for everything seen. A variant is mended exactly by taking away
 * the observations that break it, so the smallest mending sets are the smallest of those.
 *
 * @param variants the release's variants; without any, nothing can be said and the chain holds
 */
export function fitVariants(variants: Variant[], observations: Observation[]): ChainFit {
  const fits = variants
    .map((variant): VariantFit => {
      const against = observations.filter((seen) => !accountsFor(variant, seen));
      return {
        variant,
        broken: against.filter(({ uncertain }) => !uncertain),
        doubted: against.filter(({ uncertain }) => uncertain),
      };
    })
    .sort((a, b) => a.broken.length - b.broken.length || a.doubted.length - b.doubted.length);
  const fewest = fits[0]?.broken.length ?? 0;
  const mends = new Map<string, Observation[]>();
  if (fewest > 0) {
    for (const { broken } of fits) {
      if (broken.length === fewest)
        mends.set(
          broken
            .map((seen) => `${seen.trait}=${seen.state}`)
            .sort()
            .join(),
          broken,
        );
    }
  }
  return { holds: fewest === 0, fits, mends: [...mends.values()] };
}
