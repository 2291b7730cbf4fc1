import { readGtin } from './gtin';

/**
 * The digits of a number that a spreadsheet took for a figure or a formula.
 *
 * @example withoutFormat('="9,521,518,300,006"') // '9521518300006'
 */
export const withoutFormat = (cell: string): string =>
  cell
    .replace(/^="(.*)"$/, '$1')
    .replace(/^'(?=\d)/, '')
    .replace(/^(\d{8,14})[.,]0{1,2}\.?$/, '$1')
    .replace(/^\d{1,3}(?:([.,'])\d{3})(?:\1\d{3})+$/, (grouped) => grouped.replace(/\D/g, ''));

const SHORTENED = /^\d[.,]?\d*e\+?\d+$/i;

/**
 * The barcode number of a cell of a spreadsheet, with the zeros in front of it that were lost where it is one with them.
 *
 * @returns null where digits of it are gone
 */
export function cellNumber(cell: string): string | null {
  const text = withoutFormat(cell.trim()).replace(/[\s-]+/g, '');
  if (SHORTENED.test(text)) return null;
  if (!/^\d{7,11}$/.test(text) || text.length === 8) return text;
  const whole = text.padStart(text.length === 7 ? 8 : 12, '0');
  return readGtin(whole).readings?.some(({ valid }) => valid) ? whole : text;
}
