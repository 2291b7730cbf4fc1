import type { Segment } from './codeScheme';

type CheckSegment = Extract<Segment, { type: 'check' }>;

const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** 0 to 9, then A = 10 to Z = 35; other characters do not count. */
const valuesOf = (code: string): number[] => [...code].map((each) => ALPHABET.indexOf(each)).filter((v) => v >= 0);

/** Weighted sum from the right, the weights beginning again when they are used up. */
function weightedSum(values: number[], weights: number[]): number {
  return values.reverse().reduce((sum, value, i) => sum + value * (weights[i % weights.length] as number), 0);
}

/** Hybrid system of ISO 7064 with moduli 37 and 36. */
function mod37(values: number[]): string {
  let product = 36;
  for (const value of values) {
    const sum = (product + value) % 36 || 36;
    product = (sum * 2) % 37;
  }
  return ALPHABET.charAt((37 - product) % 36);
}

/**
 * The check character that belongs behind a code.
 *
 * @param body all that stands before it, upper case; only letters and digits count
 * @returns one character; `X` stands for ten in mod 11
 * @source ISO 7064 for mod 37,36; weighted sums as in the GS1 General Specifications, section 7.9
 * @example checkCharacter({ name: 'check', type: 'check', method: 'mod37-36' }, 'A12425GABC1234002') // 'M'
 */
export function checkCharacter(segment: CheckSegment, body: string): string {
  const values = valuesOf(body);
  if (segment.method === 'mod37-36') return mod37(values);
  const modulus = segment.method === 'mod10' ? 10 : 11;
  const check = (modulus - (weightedSum(values, segment.weights) % modulus)) % modulus;
  return check === 10 ? 'X' : String(check);
}
