import { type Alignment, align } from './align';
import { cleanText, DASHES } from './clean';
import { confusableKey, confusablesIn } from './confusables';

/**
 * The shape of a maker's style codes: `A` a letter, `9` a digit, `X` either, anything else stands for itself
 * and is ignored when codes are compared. Example: `AA9999-999`.
 */
export type StyleShape = string;

const CLASSES: Record<string, (character: string) => boolean> = {
  A: (character) => character >= 'A' && character <= 'Z',
  9: (character) => character >= '0' && character <= '9',
  X: (character) => /[A-Z0-9]/.test(character),
};

const CLASS_NAMES: Record<string, string> = { A: 'a letter', 9: 'a digit', X: 'a letter or digit' };

/**
 * A style code as it is compared: upper case, without spaces, dashes, dots, slashes or underscores.
 *
 * @example normaliseStyleCode('vk 4821 – 107') // 'VK4821107'
 */
export function normaliseStyleCode(raw: string): string {
  return cleanText(raw)
    .toUpperCase()
    .replace(DASHES, '')
    .replace(/[ ./_]/g, '');
}

/** The key under which a style code is indexed, so that spellings with confusable characters meet. */
export function styleCodeKey(raw: string): string {
  return confusableKey(normaliseStyleCode(raw));
}

/**
 * What is left of a style code's key when any one character is left out, with the key itself. Two codes that differ by
 * one character missing, too many, wrong or swapped have one of these in common.
 */
export function styleSlips(key: string): string[] {
  const slips = new Set([key]);
  for (let i = 0; i < key.length; i++) slips.add(key.slice(0, i) + key.slice(i + 1));
  return [...slips];
}

export interface StyleRepair {
  /** Index in the normal form. */
  at: number;
  from: string;
  to: string;
}

export interface StyleReading {
  normal: string;
  /** The code with the shape's separators, once the repairs are made. */
  display: string;
  /** Confusable characters that had to be read otherwise for the code to fit the shape. */
  repairs: StyleRepair[];
}

export type StyleResult =
  | { reading: StyleReading; failure?: undefined }
  | { reading?: undefined; failure: { at: number; sentence: string } };

/**
 * Read a style code against its maker's shape. Characters of the wrong class are taken for the confusable one
 * of the right class, and each such repair is reported.
 *
 * @param raw what was typed
 * @param shape the maker's shape, see {@link StyleShape}
 * @example readStyleCode('vk48Z1 1O7', 'AA9999-999').reading?.repairs.length // 2
 */
export function readStyleCode(raw: string, shape: StyleShape): StyleResult {
  const found = normaliseStyleCode(raw);
  const slots = [...shape].filter((mark) => mark in CLASSES);
  const repairs: StyleRepair[] = [];
  let normal = '';
  for (let at = 0; at < slots.length; at++) {
    const allowed = CLASSES[slots[at] as string] as (character: string) => boolean;
    const character = found.charAt(at);
    if (character === '') {
      return {
        failure: { at, sentence: `The code ends after ${at} characters; the shape ${shape} has ${slots.length}.` },
      };
    }
    if (allowed(character)) normal += character;
    else {
      const [meant] = confusablesIn(character, allowed);
      if (!meant) {
        const expected = CLASS_NAMES[slots[at] as string];
        return { failure: { at, sentence: `Position ${at + 1} is “${character}” where ${shape} has ${expected}.` } };
      }
      repairs.push({ at, from: character, to: meant });
      normal += meant;
    }
  }
  if (found.length > slots.length) {
    return {
      failure: {
        at: slots.length,
        sentence: `${found.length} characters are too many; the shape ${shape} has ${slots.length}.`,
      },
    };
  }
  return { reading: { normal, display: formatStyleCode(normal, shape), repairs } };
}

/** A normal form with the separators of its shape put back; as it is where it does not fill the shape. */
export function formatStyleCode(normal: string, shape: StyleShape): string {
  if (normal.length !== [...shape].filter((mark) => mark in CLASSES).length) return normal;
  let next = 0;
  return [...shape].map((mark) => (mark in CLASSES ? normal.charAt(next++) : mark)).join('');
}

/**
 * Compare a printed style code with the record's, both in normal form.
 *
 * @returns the alignment; a distance of 0 means that they are the same code
 */
export function compareStyleCodes(expected: string, found: string): Alignment {
  return align(normaliseStyleCode(expected), normaliseStyleCode(found));
}
