import words from './listingWords.json';

/** A pattern for any of some words, longest first, that stands for itself. */
export const anyOf = (some: string[]): string =>
  `(?<![\\p{L}\\p{N}])(?:${[...some].sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}\\p{N}])`;

/** A thing that may come with an item. */
export type Extra = keyof typeof words.extras;

const pattern = (some: string[]): RegExp => new RegExp(anyOf(some), 'giu');
const EXTRAS = Object.entries(words.extras).map(([extra, names]) => [extra as Extra, pattern(names)] as const);
const WITHOUT = pattern(words.without);
const WITH = pattern(words.with);
const UNWORN = pattern(words.unworn);
const WORN = pattern(words.worn);

const lastOf = (text: string, of: RegExp): number => [...text.matchAll(of)].at(-1)?.index ?? -1;

/**
 * What a text says comes with an item: each extra by the nearest word before it, which may deny it.
 *
 * @example extrasSaid('mit Karton, ohne Etikett') // Map { 'packaging' → true, 'tag' → false }
 */
export function extrasSaid(text: string): Map<Extra, boolean> {
  const said = new Map<Extra, boolean>();
  for (const [extra, names] of EXTRAS)
    for (const { index } of text.matchAll(names)) {
      const [before = ''] = text
        .slice(0, index)
        .split(/[.;\n]/)
        .slice(-1);
      said.set(extra, lastOf(before, WITHOUT) <= lastOf(before, WITH));
    }
  return said;
}

/**
 * Whether a text says that an item was never worn, or that it was; null where it says neither, or both.
 *
 * @example conditionSaid('jamais portée') // 'new'
 */
export function conditionSaid(text: string): 'new' | 'worn' | null {
  const [unworn, rest] = [text.search(UNWORN) >= 0, text.replace(UNWORN, ' ')];
  const worn = rest.search(WORN) >= 0;
  if (unworn === worn) return null;
  return unworn ? 'new' : 'worn';
}
