import type { CheckMethod, Segment } from './codeScheme';

type CheckSegment = Extract<Segment, { type: 'check' }>;

const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** Characters that a check has where it is not one. */
export const CHECK_WIDTHS: Partial<Record<CheckMethod, number>> = { 'mod97-10': 2 };

/** 0 to 9, then A = 10 to Z = 35; other characters do not count. */
const valuesOf = (code: string): number[] =>
  [...code.toUpperCase()].map((each) => ALPHABET.indexOf(each)).filter((v) => v >= 0);

/** Letters as two digits, for systems that know digits only. */
const digitsOf = (code: string): number[] => valuesOf(code).flatMap((value) => [...String(value)].map(Number));

/** Weighted sum from the right, the weights beginning again when they are used up. */
function weightedSum(values: number[], weights: number[]): number {
  return values.reverse().reduce((sum, value, i) => sum + value * (weights[i % weights.length] as number), 0);
}

/** A hybrid system of ISO 7064 with moduli M + 1 and M. */
function hybrid(values: number[], modulus: number): string {
  let product = modulus;
  for (const value of values) product = (((product + value) % modulus || modulus) * 2) % (modulus + 1);
  return ALPHABET.charAt((modulus + 1 - product) % modulus);
}

/** A pure system of ISO 7064 with radix 2 and one check character; the last character of its set stands for the highest. */
function pure(values: number[], modulus: number, last: string): string {
  const rest = values.reduce((sum, value) => ((sum + value) * 2) % modulus, 0);
  const check = (modulus + 1 - rest) % modulus;
  return check === modulus - 1 ? last : ALPHABET.charAt(check);
}

/** Every second digit from the right doubled, the digits of what comes out added up. */
function luhn(digits: number[]): string {
  const sum = digits.reverse().reduce((total, digit, i) => {
    const doubled = i % 2 === 0 ? 2 * digit : digit;
    return total + (doubled > 9 ? doubled - 9 : doubled);
  }, 0);
  return String((10 - (sum % 10)) % 10);
}

function mod97(digits: number[]): string {
  const rest = [...digits, 0, 0].reduce((sum, digit) => (sum * 10 + digit) % 97, 0);
  return String(98 - rest).padStart(2, '0');
}

/**
 * The check character (or two digits, for mod 97,10) that belongs to a text.
 *
 * @param body what it is computed over; only letters and digits count
 * @returns `X` stands for ten in mod 11 and mod 11,2; `*` for 36 in mod 37,2
 * @source ISO 7064 for mod 97,10, 11,2, 37,2, 11,10 and 37,36; ISO/IEC 7812-1 for Luhn; weighted sums as in the GS1
 *   General Specifications, section 7.9
 * @example checkCharacter({ name: 'check', type: 'check', method: 'mod37-36' }, 'A12425GABC1234002') // 'M'
 */
export function checkCharacter(segment: CheckSegment, body: string): string {
  switch (segment.method) {
    case 'mod37-36':
      return hybrid(valuesOf(body), 36);
    case 'mod11-10':
      return hybrid(digitsOf(body), 10);
    case 'mod11-2':
      return pure(digitsOf(body), 11, 'X');
    case 'mod37-2':
      return pure(valuesOf(body), 37, '*');
    case 'mod97-10':
      return mod97(digitsOf(body));
    case 'luhn':
      return luhn(digitsOf(body));
    default: {
      const modulus = segment.method === 'mod10' ? 10 : 11;
      const check = (modulus - (weightedSum(valuesOf(body), segment.weights) % modulus)) % modulus;
      return check === 10 ? 'X' : String(check);
    }
  }
}
