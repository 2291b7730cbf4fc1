import { randomLcg } from 'd3-random';
import type { PrintedCode, PrintedFact, Slab, Specimen, Truth } from './specimen';

/** The figures that a drawing follows; the unit stands in the name. */
export type Parameters = Record<string, number>;

/** What a drawing leaves behind: all of a specimen but what is said of it as a whole. */
export interface Drawn {
  width: number;
  height: number;
  slabs: Slab[];
  facts?: PrintedFact[];
  codes?: PrintedCode[];
  marks?: Truth['marks'];
}

/** The item that a specimen is of. */
export interface Subject {
  /** The maker's name as it is printed. */
  maker: string;
  /** Facts of the place, by fact id. */
  printed: Record<string, string>;
  random: () => number;
}

/** A kind of specimen: what a genuine one is like, how copies stray, and how either is drawn. */
export interface SpecimenKind<P extends Parameters = Parameters> {
  id: string;
  /** As one would name it. */
  name: string;
  /** The place whose facts it prints; null where it prints none. */
  place: string | null;
  /** The figures of one genuine item: those of the release with the scatter of the workshop. */
  genuine(random: () => number): P;
  faults: { id: string; says: string; alter: (genuine: P) => P }[];
  draw(parameters: P, subject: Subject): Drawn;
}

/** Around a middle, evenly spread. */
export const about = (random: () => number, middle: number, spread: number): number =>
  middle + (2 * random() - 1) * spread;

/** Numbers from 0 to 1 that belong to a seed; the first draws of such a generator, which follow it closely, are passed over. */
export function seeded(seed: number): () => number {
  const random = randomLcg(seed);
  for (let i = 0; i < 8; i++) random();
  return random;
}

/**
 * Make one specimen.
 *
 * @param faults ids of the faults that it has
 * @throws RangeError where the kind knows no such fault
 * @returns the same specimen for the same words and seed
 */
export function makeSpecimen<P extends Parameters>(
  kind: SpecimenKind<P>,
  {
    maker,
    printed,
    seed,
    faults = [],
  }: { maker: string; printed: Record<string, string>; seed: number; faults?: string[] },
): Specimen {
  const random = seeded(seed);
  const parameters = faults.reduce((figures, id) => {
    const fault = kind.faults.find((each) => each.id === id);
    if (!fault)
      throw new RangeError(
        `A ${kind.name} has no fault “${id}”; it has ${kind.faults.map((each) => each.id).join(', ')}.`,
      );
    return fault.alter(figures);
  }, kind.genuine(random));
  const {
    width,
    height,
    slabs,
    facts = [],
    codes = [],
    marks = {},
  } = kind.draw(parameters, { maker, printed, random });
  return { width, height, slabs, truth: { kind: kind.id, seed, faults, parameters, facts, codes, marks } };
}
