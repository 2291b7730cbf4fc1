/** How a trait shows on an item. Checks that name a trait show it too, by the answer that was picked. */
export type TraitSource =
  /** The printed text is the state. */
  | { by: 'text'; fact: string; places?: string[] }
  /** Whether it is printed (or there) at all. */
  | { by: 'presence'; fact: string; places: string[]; present: string; absent: string };

/** Something in which the genuine variants of a release differ. */
export interface Trait {
  id: string;
  name: string;
  states: string[];
  seen: TraitSource;
}

/** The traits that every release has. */
export const COMMON_TRAITS: Trait[] = [
  { id: 'factory', name: 'Factory code', states: [], seen: { by: 'text', fact: 'factoryCode' } },
  { id: 'country', name: 'Country', states: [], seen: { by: 'text', fact: 'country' } },
];
