import { cleanText } from '../codes/clean';
import { otherNames } from '../codes/otherNames';
import words from './sizeWords.json';

/** A dimension in which units are converted: lengths, volumes, weights. */
export type Dimension = 'mm' | 'ml' | 'g';

/** An amount with its unit, as printed. */
export interface Amount {
  value: number;
  unit: string;
  dimension: Dimension;
  /** In the dimension's own unit. */
  inBase: number;
}

/** A printed size taken apart. */
export interface PrintedSize {
  /** The form in which sizes are compared: without system words, halves and thirds as decimals, one unit a dimension. */
  normal: string;
  /** The size as a plain number, where it is one. */
  number: number | null;
  /** The system that the text names itself: US, UK, EU … */
  system: string | null;
  wearer: 'men' | 'women' | null;
  /** C a child's, Y a youth's, T a toddler's size. */
  child: string | null;
  /** Everything that has a unit; the first is the one that counts. */
  amounts: Amount[];
}

const SYSTEMS = otherNames(words.systems);
const WEARERS = otherNames(words.wearers);
const CHILDREN = otherNames(words.children);
const LETTERS = otherNames(words.letters);
/** Without accents, as words are looked up. */
const plain = (word: string): string => word.normalize('NFD').replace(/\p{M}/gu, '');

/** What stands before a size and is none: “Size”, “Pointure”. */
const LABELS = new Set(words.labels.split(' '));
const UNITS = new Map(
  Object.entries(words.units).flatMap(([unit, { is, words: names }]) =>
    names.split(' ').map((name) => [name, { unit, dimension: is[0] as Dimension, factor: is[1] as number }] as const),
  ),
);

const COUNTED = new Set(words.counted.split(' '));

/** True where a text names pieces that are counted: cigarettes, sticks, pieces. */
export const namesCounted = (text: string): boolean =>
  plain(text.toUpperCase())
    .split(/[^\p{L}]+/u)
    .some((word) => COUNTED.has(word));

/** True for what a size of letters is called: `XL`, `MEDIUM`. */
export const isLetterSize = (text: string): boolean =>
  Object.hasOwn(words.letters, text.toUpperCase()) || LETTERS.has(text.toUpperCase());

/** True for a word that stands beside a size and says whose or in which system it is: `US`, `W`, `EUR`. */
export const isBesideSize = (word: string): boolean =>
  [SYSTEMS, WEARERS, CHILDREN].some((list) => list.has(word.toUpperCase())) || LABELS.has(word.toUpperCase());

/** Every word by which labels name a system: `EUR` for `EU`. */
export const systemWords = (system: string): string[] =>
  (words.systems as Record<string, string>)[system]?.split(' ') ?? [];

const FRACTIONS: Record<string, number> = { '1/2': 0.5, '1/3': 0.33, '2/3': 0.67, '1/4': 0.25, '3/4': 0.75 };

/** Capitals with fractions set apart from the whole number, which compatibility folding would run together. */
const prepared = (raw: string): string =>
  cleanText(raw.replace(/℮/gu, ' '))
    .replace(/cm3/gi, 'ml')
    .replace(/[”″]/gu, '"')
    .replace(/’/gu, "'")
    .replace(/(?<=\d)·(?=\d)/gu, '.')
    // Thirds are counted from none.
    .replace(/(?<=\d) 0\/3(?!\d)/g, '')
    .replace(/(?<!\p{L})(\p{L})\.(\p{L})\.(?!\p{L})/gu, '$1$2')
    .replace(/(?<=\d)'(?=5(?!\d))/g, '.')
    .toUpperCase()
    .replace(/(?<![\d/.,]|\d )(?:1\/2|[13]\/4|[12]\/3)(?= *\p{L})/gu, (part) => String(FRACTIONS[part]))
    .replace(/(?<!\p{L})E(?=\d)/gu, '')
    .replace(/(?:U\.?S\.? *)?FL\.?\s*OZ\b\.?/g, 'FLOZ');

const NUMBER = String.raw`(\d{1,5}(?:[.,]\d{1,2})?)(?:\s*-?\s*(1\/2|1\/3|2\/3|1\/4|3\/4)(?!\d))?`;

const sizeValue = (whole: string, fraction?: string): number => {
  const value = Number(whole.replace(',', '.')) + (fraction ? (FRACTIONS[fraction] as number) : 0);
  // Two thirds are printed as .66 and as .67.
  return Math.round(value * 100) % 100 === 66 ? Math.round(value * 100 + 1) / 100 : value;
};

/** Spaces and points between figures part them: `8.5/42` is not `85/42`. */
const asItStands = (text: string): string =>
  text
    .replace(/(?<=\d) (?=\d)/g, '_')
    .replace(/(?<=\d),(?=\d)/g, '.')
    .replace(/ |(?<!\d)\.|\.(?!\d)/g, '');

/** Units that some print in front: `CM 27.5`. One letter there says something else. */
const UNIT_IN_FRONT = /^(MM|CM|ML|CL|DL|KG)[ .:]*(\d[^A-Z]*)$/;

/** The words before or behind a number, each understood or not. */
function understood(texts: string[], size: PrintedSize): boolean {
  for (const text of texts.map(plain)) {
    if (LABELS.has(text)) continue;
    const [system, wearer, child] = [SYSTEMS.get(text), WEARERS.get(text), CHILDREN.get(text)];
    if (system) size.system = system;
    else if (wearer) size.wearer = wearer as 'men' | 'women';
    else if (child) size.child = child;
    else return false;
  }
  return true;
}

const wordsIn = (text: string): string[] => text.split(/[^\p{L}"]+/u).filter(Boolean);

function amountsIn(text: string): Amount[] | null {
  const pattern = new RegExp(String.raw`\s*${NUMBER}\s*(\p{L}+|")\.?[\s,;/()=E-]*`, 'uy');
  const amounts: Amount[] = [];
  while (pattern.lastIndex < text.length) {
    const [, whole = '', fraction, word = ''] = pattern.exec(text) ?? [];
    const unit = UNITS.get(word);
    if (!unit || whole === '') return null;
    const value = sizeValue(whole, fraction);
    amounts.push({ value, unit: unit.unit, dimension: unit.dimension, inBase: value * unit.factor });
  }
  // Ounces beside a volume are fluid ones, however they are written.
  return amounts.some(({ dimension }) => dimension === 'ml') ? amounts.map((each) => inVolume(each) ?? each) : amounts;
}

const AMOUNT_WITHIN = new RegExp(String.raw`(?<![\p{L}\d.,])${NUMBER}\s*(\p{L}+)(?!\p{L})`, 'gu');

/**
 * The size within a print that says more than that: its amounts; strengths and words are passed over.
 *
 * @returns null where there is no amount in it
 * @example amountsWithin('700 ml 40 % vol')?.normal // '700ml'
 */
export function amountsWithin(raw: string): PrintedSize | null {
  const found = [...prepared(raw).matchAll(AMOUNT_WITHIN)].filter(([, , , word = '']) => UNITS.has(word));
  return sizeOfAmounts(amountsIn(found.map(([text]) => text).join(' ')));
}

const FLUID_OUNCE = UNITS.get('FLOZ') as { unit: string; dimension: Dimension; factor: number };

/** An amount as a volume: ounces are fluid ones where a volume is meant. Null for what is none. */
function inVolume(amount: Amount): Amount | null {
  if (amount.dimension === 'ml') return amount;
  const { unit, dimension, factor } = FLUID_OUNCE;
  return amount.unit === 'oz' ? { value: amount.value, unit, dimension, inBase: amount.value * factor } : null;
}

/** Rounded for another market: 3.4 fl oz stand for 100 ml. */
const isRounded = ({ unit }: Amount): boolean => unit === 'fl oz' || unit === 'oz';

/**
 * True where an amount in ounces stands for another in its market's rounding.
 *
 * @example standsFor({ value: 3.4, unit: 'fl oz' … }, { value: 100, unit: 'ml' … }) // true
 */
export function standsFor(printed: Amount, meant: Amount): boolean {
  const as = meant.dimension === 'ml' ? inVolume(printed) : printed;
  if (!as || !isRounded(as) || as.dimension !== meant.dimension) return false;
  return isNear(as, meant);
}

const tidy = (value: number): string => String(Number(value.toFixed(2)));

const UNREAD: PrintedSize = { normal: '', number: null, system: null, wearer: null, child: null, amounts: [] };

/** A size that is given in amounts; null where there are none. */
function sizeOfAmounts(amounts: Amount[] | null): PrintedSize | null {
  // What is exact counts, wherever it stands.
  const first = amounts?.find((each) => !isRounded(each)) ?? amounts?.[0];
  return amounts && first ? { ...UNREAD, amounts, normal: `${tidy(first.inBase)}${first.dimension}` } : null;
}

/**
 * Take a printed size apart: `EU 42 2/3`, `8½`, `US W 9.5`, `10C`, `XXL`, `10 cl`, `100 ml ℮ 3.4 FL. OZ.`
 *
 * @returns never fails: a text that is none of these is compared as it stands
 * @example readPrintedSize('EUR 42 2/3').normal // '42.67'
 * @example readPrintedSize('10 cl').normal // '100ml'
 */
export function readPrintedSize(raw: string): PrintedSize {
  const text = prepared(raw);
  const named = { ...UNREAD };
  const numbered = new RegExp(String.raw`^([\p{L} .:=/(°-]*?)\s*${NUMBER}\s*([\p{L} .'()]*)$`, 'u').exec(text);
  if (numbered) {
    const [, before = '', whole = '', fraction, after = ''] = numbered;
    // `085` is how some print 8.5, and others 85: it is left as it stands. With its point there is one reading.
    const openForm = /^0\d+$/.test(whole);
    if (!openForm && understood([...wordsIn(before), ...wordsIn(after)], named)) {
      const number = sizeValue(whole, fraction);
      return { ...named, number, normal: `${tidy(number)}${named.child ?? ''}` };
    }
  }
  const unlabelled = text.replace(/^(?:SIZE|VOL|CONTENTS?|NET)[.: ]+/, '').replace(UNIT_IN_FRONT, '$2 $1');
  const inAmounts = sizeOfAmounts(amountsIn(unlabelled));
  if (inAmounts) return inAmounts;
  // A short word with its point can be nothing but what the size is called: `T. M`.
  const unnamed = text
    .replace(/^(\p{L}+)[ .:]+/u, (all, word: string) => (LABELS.has(plain(word)) ? '' : all))
    .replace(/^\p{L}{1,4}\. (?=\p{L})/u, '');
  const letters = unnamed.replace(/[^\p{L}\d]/gu, '');
  const lettersOf = (part: string) => LETTERS.get(part) ?? (part in words.letters ? part : undefined);
  // `3XL/XXXL` says one thing twice.
  const said = new Set(text.split('/').map((part) => lettersOf(part.replace(/[^\p{L}\d]/gu, ''))));
  const letter = lettersOf(letters) ?? (said.size === 1 ? [...said][0] : undefined);
  if (letter) return { ...UNREAD, normal: letter };
  const [system, ...rest] = text.split(/[ .:]+/);
  const known = SYSTEMS.get(system as string);
  if (known && rest.length > 0) return { ...readPrintedSize(rest.join(' ')), system: known };
  return { ...UNREAD, normal: asItStands(text) };
}

/** Where a system of two letters or more follows a figure without a space: `EU39UK6`. */
const NEXT_TIGHT = new RegExp(
  String.raw`(?<=\d)(?=(?:${[...SYSTEMS.keys()].filter((name) => name.length > 1).join('|')})[ .:]*\d)`,
  'gi',
);

const FRACTION_BEHIND = /(?<=\d)[ -]?(1\/[234]|2\/3|3\/4)(?!\d)/g;

/** Between sizes that stand one behind the other: a word follows a figure there, or a figure a word, not both. */
const NEXT_SIZE = { worded: /(?<=\d)\s+(?=\p{L})/u, figured: /(?<=\p{L})\s+(?=\d)/u };

/**
 * A print that gives one size in several systems or for several wearers, in its parts: `42 EUR / 8 UK`, `M 8.5 / W 10`,
 * `US 8.5 UK 7.5 EU 42`. Empty where it is no such print.
 */
export function sizesBeside(raw: string): { text: string; size: PrintedSize }[] {
  // The slash of a fraction parts nothing.
  const text = cleanText(raw)
    .replace(FRACTION_BEHIND, (_, fraction: string) => ` ${fraction.replace('/', '⁄')}`)
    .replace(NEXT_TIGHT, ' ');
  const divided = text.split(/\s*[/|;]\s*(?=\D*\d)/);
  const parts = divided.length > 1 ? divided : text.split(/^\d/.test(text) ? NEXT_SIZE.figured : NEXT_SIZE.worded);
  const read = parts.map((text) => ({ text, size: readPrintedSize(text) }));
  const marked = read.every(
    ({ size: { number, system, wearer, amounts } }) =>
      amounts.length === 1 || (number !== null && (system !== null || wearer !== null)),
  );
  return parts.length > 1 && marked ? read : [];
}

/** A printed size as it is compared, see {@link readPrintedSize}. */
export const normaliseSize = (raw: string): string => readPrintedSize(raw).normal;

/** A size as a plain number, NaN where it is none. */
export const sizeNumber = (raw: string): number => readPrintedSize(raw).number ?? Number.NaN;

/** What two amounts on one label may differ by: each is rounded for its own market. */
const ROUNDING = 0.04;

/** True where two amounts are one, as each is rounded; one that is cut off after its tenths is up to a tenth too small. */
function isNear(a: Amount, b: Amount): boolean {
  const cut = [a, b].map(({ value, inBase }) => (/\.\d$/.test(String(value)) ? (inBase / value) * 0.1 : 0));
  return Math.abs(a.inBase - b.inBase) <= Math.max(ROUNDING * Math.max(a.inBase, b.inBase), ...cut);
}

/** The amounts of one print that do not mean the same; null where they do. */
export function contradiction({ amounts }: PrintedSize): [Amount, Amount] | null {
  const [first, ...others] = amounts;
  if (!first) return null;
  const far = others.find((each) => each.dimension !== first.dimension || !isNear(each, first));
  return far ? [first, far] : null;
}

/** A bare number in each unit of a dimension, as normal forms. */
export const inUnits = (number: number, dimension: Dimension): { unit: string; normal: string }[] =>
  Object.entries(words.units)
    .filter(([, { is }]) => is[0] === dimension)
    .map(([unit, { is }]) => ({ unit, normal: `${tidy(number * (is[1] as number))}${dimension}` }));

/** An amount in another unit of its dimension. */
export const convert = (amount: Amount, unit: string): number | null => {
  const entry = (words.units as unknown as Record<string, { is: [Dimension, number] }>)[unit.toLowerCase()];
  return entry && entry.is[0] === amount.dimension ? amount.inBase / entry.is[1] : null;
};
