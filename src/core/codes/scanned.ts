import { GROUP_SEPARATOR } from './elementString';

/** What a scanner or RFID reader sent, by its form. */
export type ScannedFact = 'gtin' | 'symbol' | 'epc';

/**
 * Tell a barcode number from the text of a two-dimensional symbol and from the memory of a tag.
 *
 * @example scannedFact('(01)09521204100064(21)A7') // 'symbol'
 */
export function scannedFact(raw: string): ScannedFact {
  const text = raw.trim();
  if (/^\]|^\(\d{2,4}\)|^https?:\/\//i.test(text) || text.includes(GROUP_SEPARATOR) || /^01\d{14}\S/.test(text))
    return 'symbol';
  return /^[0-9a-f]{24}([0-9a-f]{28})?$/i.test(text) ? 'epc' : 'gtin';
}
