import type { FlatWord } from './eyes';

/** What words say one after another. */
export const textOf = (words: FlatWord[]): string => words.map(({ text }) => text).join(' ');

/** How sure the least sure of them is. */
export const trustOf = (words: FlatWord[]): number => Math.min(1, ...words.map(({ confidence }) => confidence));

/** Several words as one that says a text. */
export function asOne(words: FlatWord[], text: string): FlatWord[] {
  const [first, last] = [words[0], words.at(-1)];
  if (!first || !last) return [];
  return [{ ...first, text, confidence: trustOf(words), width: last.x + last.width - first.x }];
}
