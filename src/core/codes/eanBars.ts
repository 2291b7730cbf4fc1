/** Bars and gaps of the digits in the left half with odd parity, in modules; the others follow from them. */
const ODD = [
  '0001101',
  '0011001',
  '0010011',
  '0111101',
  '0100011',
  '0110001',
  '0101111',
  '0111011',
  '0110111',
  '0001011',
];
/** Parities of the six digits of the left half, by the first digit of the number; 1 is even. */
const PARITY = ['000000', '001011', '001101', '001110', '010011', '011001', '011100', '010101', '010110', '011010'];

const right = (digit: number): string =>
  [...(ODD[digit] as string)].map((module) => (module === '1' ? '0' : '1')).join('');
const even = (digit: number): string => [...right(digit)].reverse().join('');

/**
 * The bars of an EAN-13, module by module.
 *
 * @param digits 13 of them; a UPC-A is one with a nought in front
 * @returns 95 modules, true where there is a bar
 * @throws RangeError where there are not 13 digits
 * @source GS1 General Specifications, 5.2.1
 */
export function eanBars(digits: string): boolean[] {
  if (!/^\d{13}$/.test(digits)) throw new RangeError(`An EAN-13 has 13 digits; “${digits}” has not.`);
  const [first, ...rest] = [...digits].map(Number) as [number, ...number[]];
  const parity = PARITY[first] as string;
  const left = rest.slice(0, 6).map((digit, i) => (parity[i] === '1' ? even(digit) : (ODD[digit] as string)));
  const modules = `101${left.join('')}01010${rest.slice(6).map(right).join('')}101`;
  return [...modules].map((module) => module === '1');
}
