import { align } from '../codes/align';

/** A word that the records have, with the number of releases that have it. */
export interface KnownWord {
  word: string;
  count: number;
}

/** A known word that a typed one may stand for, and how well, 0 to 1. */
export interface Meant extends KnownWord {
  score: number;
}

const MOST_MEANT = 12;
const BEGUN = 0.9;

/** So many slips are forgiven in a word of that length. */
const slipsIn = (length: number): number => (length <= 3 ? 0 : length <= 6 ? 1 : 2);

/** One bit for each letter or digit of a word: words that differ in many bits differ by many slips. */
function letters(word: string): number {
  let bits = 0;
  for (let i = 0; i < word.length; i++) bits |= 1 << (word.charCodeAt(i) % 31);
  return bits;
}

function bitsIn(value: number): number {
  let count = 0;
  for (let rest = value; rest !== 0; rest &= rest - 1) count++;
  return count;
}

/** All words of the records, for telling what a typed one may stand for. */
export class Vocabulary {
  private readonly counts: Map<string, number>;
  private readonly sorted: string[];
  private readonly bits: Int32Array;

  constructor(words: KnownWord[]) {
    this.counts = new Map(words.map(({ word, count }) => [word, count]));
    this.sorted = [...this.counts.keys()].sort();
    this.bits = Int32Array.from(this.sorted, letters);
  }

  /** Words that begin with a text, at most so many. */
  private beginning(text: string): string[] {
    let low = 0;
    for (let high = this.sorted.length; low < high; ) {
      const middle = (low + high) >> 1;
      if ((this.sorted[middle] as string) < text) low = middle + 1;
      else high = middle;
    }
    const found: string[] = [];
    for (let i = low; found.length < MOST_MEANT && this.sorted[i]?.startsWith(text); i++)
      found.push(this.sorted[i] as string);
    return found;
  }

  private near(typed: string): Meant[] {
    const allowed = slipsIn(typed.length);
    if (allowed === 0) return [];
    const bits = letters(typed);
    const found: Meant[] = [];
    for (let i = 0; i < this.sorted.length; i++) {
      const word = this.sorted[i] as string;
      if (Math.abs(word.length - typed.length) > allowed) continue;
      // One slip changes at most two letters of the set.
      if (bitsIn((this.bits[i] as number) ^ bits) > 2 * allowed) continue;
      const slips = align(word, typed).distance;
      if (slips <= allowed)
        found.push({ word, count: this.counts.get(word) ?? 0, score: 1 - slips / Math.max(word.length, typed.length) });
    }
    return found.sort((a, b) => b.score - a.score || b.count - a.count).slice(0, MOST_MEANT);
  }

  /**
   * The known words that a typed one may stand for: itself, those that it begins; else those a slip or two away.
   *
   * @param typed in the form in which the words are known
   * @param thorough those a slip away too, where it is known or begins others
   * @returns the best first; none where the records have nothing like it
   */
  meant(typed: string, thorough = false): Meant[] {
    const begun = typed.length >= 2 ? this.beginning(typed) : this.counts.has(typed) ? [typed] : [];
    if (begun.length === 0) return this.near(typed);
    const known = begun
      .map((word) => ({ word, count: this.counts.get(word) ?? 0, score: word === typed ? 1 : BEGUN }))
      .sort((a, b) => b.score - a.score);
    if (!thorough) return known;
    return [...known, ...this.near(typed).filter(({ word }) => !begun.includes(word))].slice(0, 2 * MOST_MEANT);
  }
}
