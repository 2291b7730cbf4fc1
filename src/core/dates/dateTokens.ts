import { DASHES, plainText } from '../codes/clean';
import words from './dateWords.json';

/** A piece of a printed date that means something. */
export type DateToken =
  | { kind: 'number'; text: string }
  | { kind: 'month'; month: number; text: string }
  /** First and last month; those above 12 lie in the next year. */
  /** Monday is 0. */
  | { kind: 'weekday'; weekday: number; text: string }
  | { kind: 'season'; months: [number, number]; text: string }
  | { kind: 'week' | 'quarter' | 'half' | 'made' | 'expires' | 'order'; text: string };

/** A token with what stood before it: nothing, white space, a dash, a slash … */
export type PlacedToken = DateToken & { gap: string };

const list = (names: string): string[] => names.split(' ');

/** What each word of dateWords.json means. */
const WORDS = new Map<string, DateToken>();
for (const kind of ['week', 'quarter', 'half', 'made', 'expires'] as const)
  for (const text of list(words[kind])) WORDS.set(text, { kind, text });
for (const { months, names } of words.seasons)
  for (const text of list(names)) WORDS.set(text, { kind: 'season', months: months as [number, number], text });
for (const [weekday, names] of words.weekdays.entries())
  for (const text of list(names)) WORDS.set(text, { kind: 'weekday', weekday, text });
for (const months of Object.values(words.months))
  for (const [i, names] of months.entries())
    for (const text of list(names)) WORDS.set(text, { kind: 'month', month: i + 1, text });
for (const text of ['DMY', 'MDY', 'YMD']) WORDS.set(text, { kind: 'order', text });

/** Legends of an order, `DD/MM/YY` in the letters of several languages, to the order they say. */
const LEGENDS = Object.entries(words.orders).flatMap(([order, legends]) =>
  legends.map((letters) => {
    const [a, b, c] = [...letters].map((letter) => `${letter}{1,4}`);
    return { order, pattern: new RegExp(`\\(?(?<!\\p{L})${a}[ ./-]?${b}[ ./-]?${c}(?!\\p{L})\\)?`, 'gu') };
  }),
);
const PHRASES = Object.entries(words.phrases).flatMap(([word, phrases]) => phrases.map((phrase) => ({ word, phrase })));
/** A time of day behind a date says nothing of the day. */
const TIME = /(?<=\d)(?:T|\s+)(?:[01]?\d|2[0-3]):[0-5]\d(?::[0-5]\d)?(?:Z|\s?[AP]M)?(?![\d:])/gu;

/** Slashes of mathematics and of other scripts, which labels use for the same thing. */
const SLASHES = /[\u2044\u2215\u29F8\uFF0F]/gu;

const FILLERS = new Set(list(words.fillers));
const UNTIL = new Set(list(words.until));
const ORDINALS = new Set(list(words.ordinals));
/** What may follow a label such as “best”, and adds nothing to it. */
const LABEL_TAILS = new Set(['BEFORE', 'BY', 'END', 'BIS']);

/**
 * The numbers and known words of a printed date, in their order.
 *
 * @returns null, with the word, where something in it has no meaning in a date
 * @example dateTokens('11AUG19') // 11, August, 19
 */
export function dateTokens(
  raw: string,
): { tokens: PlacedToken[]; unknown?: undefined } | { tokens?: undefined; unknown: string } {
  const printed = plainText(raw).normalize('NFC').toUpperCase().replace(DASHES, '-').replace(SLASHES, '/');
  // A print that breaks off at a slash has lost a part: what is left could be read as another date.
  if (/^\/|\/$/.test(printed)) return { unknown: '/' };
  const worded = PHRASES.reduce((text, { word, phrase }) => text.replace(phrase, ` ${word} `), printed);
  const text = LEGENDS.reduce((before, { order, pattern }) => before.replace(pattern, ` ${order} `), worded)
    .replace(TIME, ' ')
    // Day, month and year that name themselves stand in the order of ISO dates from here on.
    .replace(/(\d{1,2})\s*[月월]\s*(\d{1,2})\s*[日일]\s*(\d{4})\s*[年년]/gu, '$3-$1-$2')
    .replace(/[年月년월]/gu, '-')
    .replace(/[日일]/gu, ' ')
    .replace(/['’`´]/gu, ' ');
  const tokens: PlacedToken[] = [];
  let gap = '';
  for (const [part] of text.matchAll(/\d+|\p{L}+|[^\d\p{L}]+/gu)) {
    if (/^\d/.test(part)) tokens.push({ kind: 'number', text: part, gap });
    else if (UNTIL.has(part) && tokens.at(-1)?.kind !== 'expires') {
      gap = ' – ';
      continue;
    } else if (/^\p{L}/u.test(part)) {
      const afterNumber = gap === '' && tokens.at(-1)?.kind === 'number';
      const afterLabel = tokens.at(-1)?.kind === 'expires';
      if (!FILLERS.has(part) && !(afterNumber && ORDINALS.has(part)) && !(afterLabel && LABEL_TAILS.has(part))) {
        const known = WORDS.get(part);
        if (!known) return { unknown: part };
        tokens.push({ ...known, gap });
      }
    } else {
      if (!/^[\s./\\|,:;~–→()_-]*$/u.test(part)) return { unknown: part.trim() };
      if (!gap.includes('–')) gap = part;
      continue;
    }
    gap = '';
  }
  return { tokens };
}
