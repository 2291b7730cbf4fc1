import type { Condition } from '../checks/check';
import type { Release } from '../releases/release';
import type { ShelfItem } from '../releases/shelfItem';

/** What an exemplar is compared with. */
export interface Suspect {
  sizeKey: string | null;
  size: number | null;
  condition: Condition;
  /** The traits that were seen on it. */
  traits: Record<string, string>;
}

/** A known genuine item to hold beside the suspect, and in what it is like it or not. */
export interface Proposed {
  item: ShelfItem;
  alike: string[];
  unlike: string[];
}

/** Sizes apart, at most so many are worth one trait. */
const SIZES_A_TRAIT = 3;

function propose(item: ShelfItem, suspect: Suspect): Proposed & { distance: number } {
  const alike: string[] = [];
  const unlike: string[] = [];
  let distance = 0;
  if (suspect.sizeKey !== null && item.sizeKey !== null) {
    if (item.sizeKey === suspect.sizeKey) alike.push('the same size');
    else {
      unlike.push(`size ${item.sizeKey}`);
      distance += item.size !== null && suspect.size !== null ? Math.abs(item.size - suspect.size) / SIZES_A_TRAIT : 1;
    }
  }
  for (const [trait, state] of Object.entries(suspect.traits)) {
    const own = item.traits?.[trait];
    if (own === undefined) continue;
    const words = `${trait.replaceAll('-', ' ')} ${own}`;
    if (own === state) alike.push(words);
    else {
      unlike.push(words);
      distance += 1;
    }
  }
  if (item.condition !== suspect.condition) {
    unlike.push(item.condition);
    distance += 0.5;
  }
  return { item, alike, unlike, distance };
}

/** The items of the shelf, those most like a suspect first: same size and variant before all. */
export function proposedExemplars({ shelf = [] }: Pick<Release, 'shelf'>, suspect: Suspect): Proposed[] {
  return shelf
    .map((item) => propose(item, suspect))
    .sort((a, b) => a.distance - b.distance)
    .map(({ item, alike, unlike }) => ({ item, alike, unlike }));
}

/** The item of the shelf that is most like a suspect; null where the shelf is empty. */
export const nearestExemplar = (release: Pick<Release, 'shelf'>, suspect: Suspect): Proposed | null =>
  proposedExemplars(release, suspect)[0] ?? null;
