/** The longest text that any single printed field can hold; longer input is a mistake, not a code. */
export const FIELD_LIMIT = 400;

/** Printed ASCII with single spaces between: there is nothing to clean, and most of what is read is so. */
const PLAIN = /^(?:[!-~]+(?: [!-~]+)*)?$/;

/**
 * What a person or a scanner sent, made comparable: compatibility forms folded (full-width digits become
 * plain ones, `8½` becomes `8 1/2`), control and invisible formatting characters dropped, runs of white space made one space.
 *
 * @param raw any text
 * @returns the text as it would look when printed plainly
 * @example cleanText('９５２\u200b 01 ') // '952 01'
 */
export function cleanText(raw: string): string {
  if (PLAIN.test(raw)) return raw;
  return (
    raw
      .replace(/(?<=\d)(?=[¼½¾⅐-⅞])/gu, ' ')
      .replace(/№\s*/gu, 'No. ')
      // A mark behind a name is no letter of it.
      .replace(/[™®©℠]/gu, '')
      .normalize('NFKC')
      .replace(/⁄/gu, '/')
      .replace(/\s+/gu, ' ')
      .replace(/[\p{Cc}\p{Cf}]/gu, '')
      .trim()
  );
}

/** The same without accents, so that `Février` and `FEVRIER` meet; case is kept. */
export const plainText = (raw: string): string => cleanText(raw).normalize('NFD').replace(/\p{M}/gu, '');

const FRAME = String.raw`[\s"'“”„‘’«».,;:=|•·✓✔()\[\]{}<>*#_\p{Pd}]+`;
const FRAMES = new RegExp(`^${FRAME}|${FRAME}$`, 'gu');

/** A short code without the quotes, bullets, brackets and points that people put around it. */
export const unframed = (text: string): string => text.replace(FRAMES, '');

const PAIRS: Record<string, string> = {
  '"': '"',
  "'": "'",
  '“': '”',
  '„': '“',
  '‘': '’',
  '«': '»',
  '(': ')',
  '[': ']',
  '<': '>',
  '*': '*',
};

/**
 * A print without what a copyist put around the whole of it: quotes and brackets in pairs, a bullet, a tick, a bar or a
 * colon in front, a bar, a tick or a comma behind.
 *
 * @example unwrapped('| (VM7) ✓') // 'VM7'
 */
export function unwrapped(text: string): string {
  const bare = text.replace(/^[\s:=|•·✓✔]+|[\s|•·✓✔,;]+$/gu, '');
  const inner = bare.slice(1, -1);
  const [first = '', last = ''] = [bare.charAt(0), bare.slice(1).slice(-1)];
  const isPair = PAIRS[first] === last && last !== '' && !inner.includes(first) && !inner.includes(last);
  return isPair && inner.trim() !== '' ? unwrapped(inner) : bare;
}

/** Hyphens, dashes, minus signs and the non-breaking ones, all of which labels use for the same thing. */
export const DASHES = /[-\u2010-\u2015\u2212\uFE58\uFE63\uFF0D]/gu;
