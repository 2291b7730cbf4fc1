import { cleanText, plainText } from '../codes/clean';
import abbreviations from './abbreviations.json';

const ABBREVIATIONS: Record<string, string> = abbreviations;

/** Words that join without adding meaning. */
const FILLERS = new Set(['AND', 'THE']);

/** What labels add to a name or leave out: whom it is for, and what sort of thing it is. */
const ADDED = new Set([
  'MEN',
  'MENS',
  'W',
  'WOMEN',
  'WOMENS',
  'LADIES',
  'UNISEX',
  // Grade school, pre-school, toddlers.
  'GS',
  'PS',
  'TD',
  'SHOE',
  'SHOES',
]);

/** Upper-case words without accents or punctuation, in their order. */
function tokens(text: string): string[] {
  const plain = plainText(text)
    .toUpperCase()
    .replace(/(\p{L})['’](?=S\b)/gu, '$1')
    .replace(/[^\p{L}\p{N}%]+/gu, ' ')
    .trim();
  return plain.split(' ').filter(Boolean);
}

const meaning = (words: string[]): string[] =>
  words.flatMap((word) => (ABBREVIATIONS[word] ?? word).split(' ')).filter((word) => !FILLERS.has(word));

/**
 * The words by which a text is searched for: upper case, without accents and signs, abbreviations written out.
 *
 * @example searchWords('Fog/Älder BLK') // ['FOG', 'ALDER', 'BLACK']
 */
export const searchWords = (raw: string): string[] => meaning(tokens(raw));

/**
 * The form in which printed words are compared. Forgiven: case, accents, punctuation, “and”, the order of the
 * words, whom it is said to be for, and the abbreviations in abbreviations.json.
 *
 * @example wordsKey('Fog / Älder') === wordsKey('ALDER & FOG') // true
 */
export function wordsKey(raw: string): string {
  return said(tokens(raw)).sort().join(' ');
}

/** The words that tell a thing from others; all of them where nothing else is said. */
function said(words: string[]): string[] {
  const all = meaning(words);
  const own = all.filter((word) => !ADDED.has(word));
  return own.length > 0 ? own : all;
}

/** The letters and figures of a text in their order, whatever stands between them. */
const run = (text: string): string => tokens(text).join('');

/** True where two names differ in nothing but the spaces and signs between their letters: `TARNCOURTLOW`. */
export function sameRun(a: string, b: string): boolean {
  const letters = run(a);
  return letters !== '' && letters === run(b);
}

/**
 * What had to be forgiven to take two texts for the same.
 *
 * @returns null where they are not the same; else the reasons, empty where they are equal letter by letter
 * @example forgiven('FOG / ALDR', 'Fog / Alder') // null
 */
export function forgiven(a: string, b: string): string[] | null {
  if (a === b) return [];
  if (wordsKey(a) !== wordsKey(b)) return sameRun(a, b) ? ['spaces'] : null;
  const [x, y] = [cleanText(a), cleanText(b)];
  if (x === y) return [];
  const reasons: string[] = [];
  const [s, t] = [tokens(a), tokens(b)];
  for (const word of [...s, ...t]) {
    const full = ABBREVIATIONS[word];
    if (full && s.includes(word) !== t.includes(word)) reasons.push(`${word} for ${full}`);
  }
  if (meaning(s).some((word) => ADDED.has(word)) !== meaning(t).some((word) => ADDED.has(word)))
    reasons.push('whom it is for');
  if (said(s).join(' ') !== said(t).join(' ')) reasons.push('order');
  const accents = /\p{M}/u;
  if (accents.test(x.normalize('NFD')) !== accents.test(y.normalize('NFD'))) reasons.push('accents');
  const letters = (text: string) => plainText(text).replace(/[^\p{L}]/gu, '');
  const sorted = (text: string) => [...letters(text)].sort().join('');
  if (reasons.length === 0 && sorted(x) !== sorted(y)) reasons.push('case');
  if (reasons.length === 0) reasons.push('punctuation');
  return [...new Set(reasons)];
}
