import { GROUP_SEPARATOR } from './elementString';
import { readEpc } from './epc';
import { unprefixed } from './unprefixed';

/** What a scanner or RFID reader sent, by its form. */
export type ScannedFact = 'gtin' | 'symbol' | 'epc';

/**
 * Tell a barcode number from the text of a two-dimensional symbol and from the memory of a tag.
 *
 * @example scannedFact('(01)09521204100064(21)A7') // 'symbol'
 */
export function scannedFact(raw: string): ScannedFact {
  const text = unprefixed(raw);
  if (/^\]|^\(\d{2,4}\)|^https?:\/\//i.test(text) || text.includes(GROUP_SEPARATOR) || /^01\d{14}\S/.test(text))
    return 'symbol';
  const isTag = /^urn:epc:/i.test(text) || (text.length >= 24 && readEpc(text).failure?.kind !== 'malformed');
  return isTag ? 'epc' : 'gtin';
}
