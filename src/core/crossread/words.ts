import { cleanText, plainText } from '../codes/clean';
import { otherNames } from '../codes/otherNames';
import abbreviations from './abbreviations.json';
import besideNames from './besideNames.json';
import colourWords from './colourWords.json';

const ABBREVIATIONS: Record<string, string> = abbreviations;

/** Words that join without adding meaning. */
const FILLERS = new Set(['AND', 'THE']);

/** What labels add to a name or leave out: whom it is for, and what sort of thing it is. */
const ADDED = new Set(besideNames.added.split(' '));
/** What labels print beside a name, in the name's own line, and is none of it. */
const GOODS = new Set(besideNames.goods.split(' '));

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
function sameRun(a: string, b: string): boolean {
  const letters = run(a);
  return letters !== '' && letters === run(b);
}

/** The plain colours in the languages of the markets. */
const COLOURS = otherNames(colourWords);

/**
 * One word in the ways in which makers and labels write it: `8` for `EIGHT`, `HARBOR`, `SCHWARZ` for `BLACK`, `LOWS`, and
 * `PRK` without its vowels.
 */
function sameWord(printed: string, meant: string): boolean {
  const spelt = (word: string) =>
    besideNames.numbers[Number(word)] ??
    COLOURS.get(word) ??
    word.replace(/(?<=.{3})OUR/, 'OR').replace(/(?<=.{3})RE$/, 'ER');
  return (
    spelt(printed) === spelt(meant) ||
    printed === `${meant}S` ||
    (printed.length > 1 && printed === `${meant.charAt(0)}${meant.slice(1).replace(/[AEIOU]/g, '')}`)
  );
}

/** A word that ends before its time, as where the line was too short for it. */
const cutShort = (printed: string, meant: string): boolean =>
  meant.startsWith(printed) && meant.length - printed.length > 1;

/** True where a name stands among known words without any spaces: `SALTMEADOWEDP`. */
function isRunTogether(printed: string, meant: string, others: Set<string>): boolean {
  const at = meant === '' ? -1 : printed.indexOf(meant);
  if (at < 0) return false;
  const known = [...others].filter((word) => word.length > 1).join('|');
  const onlyKnown = new RegExp(`^(?:${known})*$`, 'u');
  return onlyKnown.test(printed.slice(0, at)) && onlyKnown.test(printed.slice(at + meant.length));
}

/** How a printed name stands to the one that is meant. */
export type NameFit =
  /** It says the name, with words in short; the words beside it say what else is known of the item. */
  | { fits: 'whole'; beside: string[]; short: string[] }
  /** Words stand beside it that nobody knows. */
  | { fits: 'more'; beside: string[] }
  /** Words of it are missing or cut short, and nothing that is unknown stands there. */
  | { fits: 'part' }
  | { fits: 'not' };

/**
 * Look for a name in what is printed where it stands.
 *
 * @param known other texts that are said of the item, whose words may stand beside its name
 * @example nameIn('TARN COURT LOW 107', 'Tarn Court Low', ['VK4821-107']) // { fits: 'whole', beside: ['107'], short: [] }
 */
export function nameIn(printed: string, meant: string, known: string[]): NameFit {
  if (sameRun(printed, meant)) return { fits: 'whole', beside: [], short: [] };
  const others = new Set([...known.flatMap(searchWords), ...GOODS]);
  const missing = said(tokens(meant));
  const name = new Set(missing);
  const letters = missing.join('');
  const beside: string[] = [];
  const unknown: string[] = [];
  const short: string[] = [];
  const words = said(tokens(printed));
  for (const word of words) {
    const at = missing.findIndex((each) => sameWord(word, each));
    if (at >= 0) {
      const [full] = missing.splice(at, 1);
      if (word !== full) short.push(`${word} for ${full}`);
    } else if (!missing.some((each) => cutShort(word, each))) (others.has(word) ? beside : unknown).push(word);
  }
  const own = words.filter((word) => name.has(word) || !others.has(word)).join('');
  if (own === letters || isRunTogether(run(printed), run(meant), others)) return { fits: 'whole', beside, short };
  if (missing.length === 0)
    return unknown.length > 0 ? { fits: 'more', beside: unknown } : { fits: 'whole', beside, short };
  return { fits: unknown.length === 0 ? 'part' : 'not' };
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
