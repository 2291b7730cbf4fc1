import { plainText } from '../../codes/clean';
import { systemWords } from '../../sizes/printedSize';
import type { SizeChart } from '../../sizes/sizeChart';
import words from './labelWords.json';

/** Upper-case words with single spaces, without accents or dots: `Art. No.` and `ART NO` meet. */
export const worded = (text: string): string =>
  plainText(text).toUpperCase().replace(/[.]/g, ' ').replace(/\s+/g, ' ').trim();

/** `EAN 13`, `EAN-13` and `EAN13` are one name. */
const nameKey = (text: string): string => worded(text).replace(/[ -]/g, '');

const NAMES = new Map<string, string | null>([
  ...Object.entries(words.names).flatMap(([fact, names]) => names.map((name) => [nameKey(name), fact] as const)),
  ...words.ignored.map((name) => [nameKey(name), null] as const),
]);

/** Letters as labels print them with their marks: a text is cut where it stands, so its accents cannot be taken off. */
const MARKED: Record<string, string> = {
  A: 'AÀÁÂÃÄÅ',
  C: 'CÇĆČ',
  E: 'EÈÉÊËĘ',
  I: 'IÌÍÎÏ',
  L: 'LŁ',
  N: 'NÑŃ',
  O: 'OÒÓÔÕÖØ',
  S: 'SŚŠ',
  U: 'UÙÚÛÜ',
};
const escaped = (text: string): string =>
  text
    .replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')
    .replace(/SS|[A-Z]/g, (letter) => (letter === 'SS' ? '(?:SS|ß)' : `[${MARKED[letter] ?? letter}]`))
    .replace(/ /g, '[ .-]*');
const longestFirst = (a: string, b: string) => b.length - a.length;
const ALL = [...Object.values(words.names).flat(), ...words.ignored]
  .map(worded)
  .sort(longestFirst)
  .map(escaped)
  .join('|');

/** What a label calls a fact: its id, null for a name of something that is none; undefined for no name. */
export const namedFact = (text: string): string | null | undefined =>
  NAMES.get(nameKey(text.replace(/[\s:.#=]+$/u, '')));

/** The same name in other languages beside it: `SIZE/TAILLE/GRÖSSE`. */
const BESIDE = `(?:[ ]*/[ ]*(?:${ALL})(?![\\p{L}\\p{N}]))*`;
const IN_FRONT = new RegExp(`^(${ALL})(?![\\p{L}\\p{N}])${BESIDE}([ .]*[:#=]+[ ]*|[ .]+|$)`, 'iu');

/** A name at the beginning of a text, with what follows it. */
export function nameInFront(text: string): { fact: string | null; marked: boolean; rest: string } | null {
  const match = IN_FRONT.exec(text);
  if (!match) return null;
  const fact = NAMES.get(nameKey(match[1] as string));
  return fact === undefined
    ? null
    : { fact, marked: /[:#=]/.test(match[2] as string), rest: text.slice(match[0].length) };
}

/**
 * A text without the words in front of it, where what follows them can be told for what it is; else as it stands. Labels
 * name their facts in every language, and no list has all of them.
 *
 * @param marked true where only a sign such as a colon ends a name: what a product is called may begin with any word
 */
export function behindWords(text: string, isRight: (rest: string) => boolean, marked: boolean): string {
  for (const gap of text.matchAll(marked ? /\s*[:#=]+\s*/g : /[\s.:#=]+/g)) {
    const front = text.slice(0, gap.index);
    if (!/^[\p{L}\s./:#=-]{1,24}$/u.test(front)) break;
    const rest = text.slice(gap.index + gap[0].length);
    if (isRight(rest)) return rest;
  }
  return text;
}

/** Where a text of several named facts may be cut: before each name that a colon or the like follows. */
export function cutAtNames(text: string): string[] {
  const marked = new RegExp(`(?<![\\p{L}\\p{N}/])(?=(?:${ALL})${BESIDE}[ .]*[:#=])`, 'giu');
  const parts = text.split(marked).map((part) => part.replace(/^[\s,;/-]+|[\s,;/-]+$/gu, ''));
  return parts.filter((part) => part !== '');
}

/** The names of a size column on labels: its own, its other ones, the words of its system. */
export function columnNames(chart: SizeChart, columnId: string): string[] {
  const column = chart.columns.find(({ id }) => id === columnId);
  if (!column) return [];
  // One letter beside a figure is too often something else where nobody says that a size stands there.
  const aliases = (column.aliases ?? []).filter((alias) => alias.length > 1);
  const own = [column.name, ...aliases].map(worded);
  const alone = chart.columns.filter(({ name }) => worded(name).split(' ')[0] === own[0]?.split(' ')[0]).length === 1;
  const system = alone ? systemWords(own[0]?.split(' ')[0] ?? '') : [];
  const who: Record<string, string[]> = { MEN: ['M', 'MENS'], WOMEN: ['W', 'WOMENS', 'WMNS', 'WMN'] };
  const [first, second] = (own[0] ?? '').split(' ');
  const wearers = second
    ? (who[second] ?? []).flatMap((each) => [`${first} ${each}`, `${each} ${first}`, `${first}${each}`])
    : [];
  return [...new Set([...own, ...system, ...wearers])].sort(longestFirst);
}

/** Words that are none of a product's name. */
export const NO_NAME = new Set(words.noName.split(' '));
export const COLOURS = new Set(words.colours.split(' '));
