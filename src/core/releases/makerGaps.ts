import type { Maker } from './release';

/**
 * The shape of a style code, from one of them: letters and digits as such, whatever stands between them as it is.
 *
 * @example shapeOf('vk4821-107') // 'AA9999-999'
 */
export const shapeOf = (code: string): string => code.trim().toUpperCase().replace(/\p{L}/gu, 'A').replace(/\d/g, '9');

/** What a maker's record still lacks before it can be kept. */
export function makerGaps({ name, gtinPrefixes, styleShape, dateOrders = {}, countries = [] }: Maker): string[] {
  const empty = (text: string) => text.trim() === '';
  const odd = gtinPrefixes.find((prefix) => !/^\d{3,11}$/.test(prefix));
  const lacks: [boolean, string][] = [
    [empty(name), 'It has no name.'],
    [odd !== undefined, `“${odd}” is no barcode prefix: it has 3 to 11 digits.`],
    [!/[A9X]/.test(styleShape), 'It has no shape of style codes; take that of one of its codes.'],
    [Object.keys(dateOrders).some(empty), 'A market has no name.'],
    [countries.some((country) => empty(country.name)), 'A country has no name.'],
  ];
  return lacks.flatMap(([is, sentence]) => (is ? [sentence] : []));
}
