import { cleanText, DASHES } from './clean';
import { CONFUSABLE_GROUPS } from './confusables';
import ranges from './numberRanges.json';
import { unprefixed } from './unprefixed';

export type GtinForm = 'GTIN-8' | 'GTIN-12' | 'GTIN-13' | 'GTIN-14' | 'UPC-E';

/** One way to read a run of digits as a trade item number. */
export interface GtinReading {
  form: GtinForm;
  /** The digits as printed, without spacing. */
  digits: string;
  /** The number every form is compared by: expanded and padded to 14 digits. */
  gtin14: string;
  /** The check digit that is printed, or null where the form was printed without one. */
  checkDigit: number | null;
  /** The check digit that the other digits call for. */
  expectedCheckDigit: number;
  valid: boolean;
}

export interface GtinFailure {
  sentence: string;
  /** Index in the cleaned text of the first character that cannot stand in a number, if that is what failed. */
  at?: number;
}

export type GtinResult = { readings: GtinReading[]; failure?: undefined } | { readings: []; failure: GtinFailure };

const ZERO = '0'.charCodeAt(0);

const FORM_BY_LENGTH: Record<number, GtinForm> = {
  8: 'GTIN-8',
  12: 'GTIN-12',
  13: 'GTIN-13',
  14: 'GTIN-14',
};

/**
 * The modulo-10 check digit of a trade item number: weights 3, 1, 3 ... from the right.
 *
 * @param body the digits before the check digit, any length
 * @returns 0 to 9
 * @source GS1 General Specifications, section on check digit calculation
 * @example gtinCheckDigit('952123456789') // 1
 */
export function gtinCheckDigit(body: string): number {
  let sum = 0;
  for (let i = 0; i < body.length; i++) {
    const weight = (body.length - i) % 2 === 1 ? 3 : 1;
    sum += weight * (body.charCodeAt(i) - ZERO);
  }
  return (10 - (sum % 10)) % 10;
}

/**
 * The GTIN-12 body (11 digits, no check digit) that a UPC-E symbol stands for.
 *
 * @param system number system, '0' or '1'
 * @param six the six digits of the symbol
 * @source GS1 General Specifications, UPC-E zero suppression
 * @example expandUpcE('0', '425261') // '04210000526'
 */
export function expandUpcE(system: string, six: string): string {
  const [a, b, c, d, e, last] = six as unknown as [string, string, string, string, string, string];
  if (last <= '2') return `${system}${a}${b}${last}0000${c}${d}${e}`;
  if (last === '3') return `${system}${a}${b}${c}00000${d}${e}`;
  if (last === '4') return `${system}${a}${b}${c}${d}00000${e}`;
  return `${system}${a}${b}${c}${d}${e}0000${last}`;
}

function upcEReading(digits: string): GtinReading | null {
  const system = digits.length === 6 ? '0' : digits.slice(0, 1);
  if (system !== '0' && system !== '1') return null;
  const six = digits.length === 6 ? digits : digits.slice(1, 7);
  const body = expandUpcE(system, six);
  const expected = gtinCheckDigit(body);
  const printed = digits.length === 8 ? Number(digits[7]) : null;
  return {
    form: 'UPC-E',
    digits,
    gtin14: `00${body}${printed ?? expected}`,
    checkDigit: printed,
    expectedCheckDigit: expected,
    valid: printed === null || printed === expected,
  };
}

function plainReading(digits: string): GtinReading | null {
  const form = FORM_BY_LENGTH[digits.length];
  if (!form) return null;
  const checkDigit = Number(digits.at(-1));
  const expectedCheckDigit = gtinCheckDigit(digits.slice(0, -1));
  return {
    form,
    digits,
    gtin14: digits.padStart(14, '0'),
    checkDigit,
    expectedCheckDigit,
    valid: checkDigit === expectedCheckDigit,
  };
}

/** A number as records hold it. */
const PLAIN = /^\d{12,14}$/;

/** The number alone where the two or five digits of an add-on symbol stand behind it. */
function withoutAddOn(text: string): string {
  const [, front = ''] = /^(.*\d) ?> ?(?:\d{2}|\d{5})$|^(.*\d) (?:\d{2}|\d{5})$/.exec(text)?.filter(Boolean) ?? [];
  const digits = front.replace(/[ .-]/g, '');
  // Behind twelve digits two more might be of a number of fourteen.
  const whole = digits.length === 13 || (digits.length === 12 && text.replace(/\D/g, '').length === 17);
  return whole && plainReading(digits)?.valid ? front : text;
}

/**
 * Every way to read a text as a trade item number, whatever its spacing. Eight digits that begin with 0 or 1
 * may be a GTIN-8 or a UPC-E, so both come back; readings whose check digit passes come first.
 *
 * @param raw what was typed or scanned
 * @returns one or more readings, or a failure with a sentence
 * @example readGtin('9 521234 567891').readings[0].form // 'GTIN-13'
 */
export function readGtin(raw: string): GtinResult {
  const plain = PLAIN.test(raw) ? plainReading(raw) : null;
  if (plain) return { readings: [plain] };
  // A scanner may say of which symbology it read the number; beside the bars a sign may keep the room that they need.
  const text = withoutAddOn(unprefixed(cleanText(raw)).replace(/^< ?(?=\d)|(?<=\d) ?>$/g, ''));
  const digits = text.replace(DASHES, '').replace(/[ .]/g, '');
  if (digits.length === 0) return { readings: [], failure: { sentence: 'The barcode number is empty.' } };
  const stray = /[^0-9]/u.exec(digits);
  if (stray) {
    const at = text.indexOf(stray[0]);
    return {
      readings: [],
      failure: {
        sentence: `A barcode number has digits only; “${[...text.slice(at)][0]}” at position ${at + 1} is not one.`,
        at,
      },
    };
  }
  const [, front = ''] = /^(.*\d) \d$/.exec(text) ?? [];
  const frontDigits = front.replace(/\D/g, '');
  if (frontDigits.length === 13 && plainReading(frontDigits)?.valid && !plainReading(digits)?.valid)
    return {
      readings: [],
      failure: { sentence: `“${digits.at(-1)}” stands behind ${front}, which is whole without it; enter it alone.` },
    };
  const upcE = [6, 7, 8].includes(digits.length) ? upcEReading(digits) : null;
  const readings = [plainReading(digits), upcE].filter((reading) => reading !== null);
  if (readings.length === 0) {
    return {
      readings: [],
      failure: {
        sentence: `${digits.length} digits make no barcode number; it has 8, 12, 13 or 14 digits, or 6 to 8 when it is a UPC-E.`,
      },
    };
  }
  readings.sort((a, b) => Number(b.valid) - Number(a.valid));
  return { readings };
}

/**
 * What a number stands for where it is no maker's trade item number: a range for use within a shop, a coupon, a book.
 *
 * @source GS1 General Specifications, section on restricted circulation numbers and prefixes
 * @returns a clause, or null for an ordinary number
 */
export function numberRange({ form, digits }: GtinReading): string | null {
  if (form === 'UPC-E') return null;
  const [own, body] = form === 'GTIN-14' ? (['GTIN-13', digits.slice(1)] as const) : ([form, digits] as const);
  const found = ranges[own].find(([prefix = '']) => new RegExp(`^(?:${prefix})`).test(body));
  return found?.[1] ?? null;
}

/** True where two texts hold the same trade item, in whatever forms they are printed. */
export function sameGtin(a: string, b: string): boolean {
  const numbers = new Set(readGtin(a).readings.map((reading) => reading.gtin14));
  return readGtin(b).readings.some((reading) => numbers.has(reading.gtin14));
}

/** How a number that was typed differs from one that was meant. */
export type GtinSlip = 'digit' | 'swap' | 'missing' | 'extra';

export interface GtinCorrection {
  gtin14: string;
  digits: string;
  kind: GtinSlip;
  /** Index of the (first) digit concerned: in `digits`, and for `extra` in the number as it was typed. */
  at: number;
  /** 0 to 1: how often hands and eyes make this slip, beside the others. */
  likely: number;
}

/** Digits that look alike in print. */
const ALIKE = ['38', '17', '56', '08', '69', '35', '89', '06'];
/** Keys that lie beside each other on a number pad. */
const BESIDE = ['12', '23', '45', '56', '78', '89', '14', '47', '25', '58', '36', '69', '01', '02'];
const paired = (pairs: string[], a: string, b: string): boolean =>
  pairs.some((pair) => pair.includes(a) && pair.includes(b));

function digitLikely(from: string, to: string): number {
  if (paired(ALIKE, from, to)) return 0.75;
  return paired(BESIDE, from, to) ? 0.7 : 0.6;
}

const LENGTHS = [8, 12, 13, 14];

/**
 * The numbers that pass their check digit and lie one slip away: two neighbours swapped, one digit misread, left out,
 * or typed twice. For each place exactly one other digit passes, since 1 and 3 are invertible modulo 10. Of a number
 * that passes, only swaps of digits that differ by five are left of the first kind.
 *
 * @param digits as typed, of any length that a slip can give
 * @param form taken for UPC-E only where that is said
 * @param sought true where a number is looked for: then one that passes its check digit may lack a digit too
 * @returns at most some 60 corrections, the likeliest slips first; which of them exist is for the records to say
 */
export function gtinCorrections(
  { digits, form }: Pick<GtinReading, 'digits'> & { form?: GtinForm },
  sought = false,
): GtinCorrection[] {
  const passes = (candidate: string): string | null => {
    const again = form === 'UPC-E' ? upcEReading(candidate) : plainReading(candidate);
    return again?.valid ? again.gtin14 : null;
  };
  const corrections = new Map<string, GtinCorrection>();
  const consider = (candidate: string, kind: GtinSlip, at: number, likely: number) => {
    const gtin14 = passes(candidate);
    if (gtin14 && (corrections.get(gtin14)?.likely ?? 0) < likely)
      corrections.set(gtin14, { gtin14, digits: candidate, kind, at, likely });
  };
  for (let i = 0; i + 1 < digits.length; i++) {
    if (digits[i] === digits[i + 1]) continue;
    consider(`${digits.slice(0, i)}${digits[i + 1]}${digits[i]}${digits.slice(i + 2)}`, 'swap', i, 0.8);
  }
  for (let i = 0; i < digits.length; i++) {
    const here = digits.charAt(i);
    for (const digit of '0123456789')
      if (digit !== here)
        consider(`${digits.slice(0, i)}${digit}${digits.slice(i + 1)}`, 'digit', i, digitLikely(here, digit));
  }
  if (form === 'UPC-E' || (!sought && passes(digits))) return [...corrections.values()];
  if (LENGTHS.includes(digits.length - 1))
    for (let i = 0; i < digits.length; i++)
      consider(
        digits.slice(0, i) + digits.slice(i + 1),
        'extra',
        i,
        digits[i] === digits[i + 1] || digits[i] === digits[i - 1] ? 0.85 : 0.6,
      );
  if (LENGTHS.includes(digits.length + 1))
    for (let i = 0; i <= digits.length; i++)
      for (const digit of '0123456789') {
        const double = digit === digits[i] || digit === digits[i - 1];
        consider(`${digits.slice(0, i)}${digit}${digits.slice(i)}`, 'missing', i, double ? 0.85 : 0.7);
      }
  return [...corrections.values()].sort((a, b) => b.likely - a.likely);
}

/**
 * Digits in place of the letters that eyes and programs take for them: O for 0, I for 1, S for 5 …
 *
 * @returns null where it is no number with such letters: too few digits, or other letters
 */
export function digitsForLetters(raw: string): string | null {
  const text = cleanText(raw).toUpperCase().replace(DASHES, '').replace(/[ .]/g, '');
  if (!/[A-Z]/.test(text) || text.length < 7 || text.length > 15 || text.replace(/\D/g, '').length < 5) return null;
  const digits = [...text].map((each) => LETTER_DIGITS[each] ?? each).join('');
  return /^\d+$/.test(digits) ? digits : null;
}

/** Letters that are taken for digits: the confusable ones, and a few that only OCR takes for one. */
const LETTER_DIGITS: Record<string, string> = {
  ...Object.fromEntries(
    CONFUSABLE_GROUPS.flatMap((group) => [...group.slice(1)].map((each) => [each, group.charAt(0)])),
  ),
  T: '7',
  A: '4',
  E: '3',
  '|': '1',
};

const GROUPING: Record<GtinForm, number[]> = {
  'GTIN-8': [4, 4],
  'GTIN-12': [1, 5, 5, 1],
  'GTIN-13': [1, 6, 6],
  'GTIN-14': [1, 2, 5, 5, 1],
  'UPC-E': [1, 6, 1],
};

/** The digits in the grouping in which that form is printed under its bars. */
export function groupGtin(reading: GtinReading): string {
  const groups: string[] = [];
  let rest = reading.digits;
  for (const width of GROUPING[reading.form]) {
    if (rest === '') break;
    groups.push(rest.slice(0, width));
    rest = rest.slice(width);
  }
  return groups.join(' ');
}
