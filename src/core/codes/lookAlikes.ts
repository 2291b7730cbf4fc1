import lookAlikes from './lookAlikes.json';

/** A letter of another script, with the Latin letter or digit that it passes for. */
export interface ForeignLetter {
  character: string;
  script: string;
  /** Null where it looks like none. */
  as: string | null;
}

const TABLE = new Map(
  Object.entries(lookAlikes).flatMap(([script, letters]) =>
    Object.entries(letters).map(([character, as]) => [character, { character, script, as }] as const),
  ),
);
const SCRIPTS = [
  'Cyrillic',
  'Greek',
  'Armenian',
  'Cherokee',
  'Hebrew',
  'Arabic',
  'Thai',
  'Hangul',
  'Hiragana',
  'Katakana',
  'Han',
  'Devanagari',
  'Bengali',
  'Tamil',
  'Khmer',
  'Lao',
  'Myanmar',
];
const TESTS = SCRIPTS.map((script) => [script, new RegExp(`\\p{Script_Extensions=${script}}`, 'u')] as const);
const IS_LATIN = /[\p{Script=Latin}\p{N}]/u;

const scriptOf = (character: string): string => TESTS.find(([, test]) => test.test(character))?.[0] ?? 'foreign';

const IS_DIGIT = /^\p{Nd}$/u;

/** What a digit of another script stands for: Unicode keeps the ten of each script side by side, from zero. */
function digitOf(character: string): string {
  const at = character.codePointAt(0) as number;
  let before = 0;
  while (IS_DIGIT.test(String.fromCodePoint(at - before - 1))) before += 1;
  return String(before % 10);
}

/** Digits of other scripts; wide ones are Latin. */
const isForeignDigit = (character: string): boolean =>
  IS_DIGIT.test(character) && IS_DIGIT.test(character.normalize('NFKC')) && !/[0-9]/.test(character.normalize('NFKC'));

/**
 * A text in Latin letters: digits of other scripts are replaced, and letters of other scripts that look like Latin ones are replaced, word by word, where the
 * word is a mixture or could be Latin as a whole. Words of another script stay as they are.
 *
 * @returns the text with every letter that was replaced or that no Latin letter looks like
 * @example latinLetters('VК4821').foreign // [{ character: 'К', script: 'Cyrillic', as: 'K' }]
 */
export function latinLetters(raw: string): { text: string; foreign: ForeignLetter[] } {
  // Almost every text is plain, and is read on every keystroke.
  if (!/[\u0250-\uffff]/.test(raw)) return { text: raw, foreign: [] };
  const foreign: ForeignLetter[] = [];
  const inDigits = raw.replace(/[^\P{Nd}0-9]/gu, (each) => {
    if (!isForeignDigit(each)) return each;
    foreign.push({ character: each, script: scriptOf(each), as: digitOf(each) });
    return digitOf(each);
  });
  const text = inDigits.replace(/[\p{L}\p{N}\p{M}]+/gu, (word) => {
    const letters = [...word];
    const others = letters.filter((each) => !IS_LATIN.test(each) && /\p{L}/u.test(each));
    const whole = others.length === letters.length && !others.every((each) => TABLE.has(each));
    if (others.length === 0 || whole) return word;
    return letters
      .map((each) => {
        if (!others.includes(each)) return each;
        const known = TABLE.get(each) ?? { character: each, script: scriptOf(each), as: null };
        foreign.push(known);
        return known.as ?? each;
      })
      .join('');
  });
  return { text, foreign };
}

/** For people: `the К is Cyrillic, read as K`. */
export function foreignSaid(foreign: ForeignLetter[]): string {
  const letters = foreign.filter(({ character }) => !isForeignDigit(character));
  const digits = new Set(foreign.filter(({ character }) => isForeignDigit(character)).map(({ script }) => script));
  return [
    ...[...digits].map((script) => `its digits are ${script}`),
    ...[...new Map(letters.map((each) => [each.character, each])).values()].map(
      ({ character, script, as }) =>
        `the ${character} is ${script}${as ? `, read as ${as}` : ', and looks like no Latin letter'}`,
    ),
  ].join('; ');
}
