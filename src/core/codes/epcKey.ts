import { readEpc } from './epc';

const DIGITAL_LINK = /^https?:\/\/[^/]+(?:\/[^?#]*)?\/01\/(\d{8,14})\/21\/([^/?#]+)/i;

/**
 * By what EPCs are told apart, however they are written: hexadecimal, tag or pure identity, Digital Link.
 *
 * @returns null for what is none
 * @example epcKey('urn:epc:id:sgtin:0614141.812345.6789') === epcKey('3074257BF7194E4000001A85') // true
 */
export function epcKey(text: string): string | null {
  const trimmed = text.trim();
  const link = DIGITAL_LINK.exec(trimmed);
  if (link) {
    try {
      return `${(link[1] as string).padStart(14, '0')}/${decodeURIComponent(link[2] as string)}`;
    } catch {
      return null;
    }
  }
  const { reading } = readEpc(trimmed);
  if (reading) return `${reading.gtin14}/${reading.serial}`;
  const hex = trimmed
    .replace(/^0x/i, '')
    .replace(/[\s:_-]/g, '')
    .toUpperCase();
  if (/^[0-9A-F]{8,}$/.test(hex)) return hex;
  return /^urn:epc:id:/i.test(trimmed) ? trimmed : null;
}
