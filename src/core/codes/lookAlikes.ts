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
];
const TESTS = SCRIPTS.map((script) => [script, new RegExp(`\\p{Script=${script}}`, 'u')] as const);
const IS_LATIN = /[\p{Script=Latin}\p{N}]/u;

const scriptOf = (character: string): string => TESTS.find(([, test]) => test.test(character))?.[0] ?? 'foreign';

/**
 * A text in Latin letters: letters of other scripts that look like Latin ones are replaced, word by word, where the
 * word is a mixture or could be Latin as a whole. Words of another script stay as they are.
 *
 * @returns the text with every letter that was replaced or that no Latin letter looks like
 * @example latinLetters('VК4821').foreign // [{ character: 'К', script: 'Cyrillic', as: 'K' }]
 */
export function latinLetters(raw: string): { text: string; foreign: ForeignLetter[] } {
  // Almost every text is plain, and is read on every keystroke.
  if (!/[\u0250-\uffff]/.test(raw)) return { text: raw, foreign: [] };
  const foreign: ForeignLetter[] = [];
  const text = raw.replace(/[\p{L}\p{N}\p{M}]+/gu, (word) => {
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
  return [...new Map(foreign.map((each) => [each.character, each])).values()]
    .map(
      ({ character, script, as }) =>
        `the ${character} is ${script}${as ? `, read as ${as}` : ', and looks like no Latin letter'}`,
    )
    .join('; ');
}
