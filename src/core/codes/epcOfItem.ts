import { writeEpc } from './epc';

/**
 * The EPC that a maker writes into the tag of one piece, as SGTIN-96.
 *
 * @param gtin 13 digits of a number that begins with the company prefix
 * @param serial a number without leading zeros
 * @returns null where the number is not of that prefix
 */
export function epcOfItem(gtin: string, companyPrefix: string, serial: string): string | null {
  if (gtin.length !== 13 || !gtin.startsWith(companyPrefix)) return null;
  const itemReference = `0${gtin.slice(companyPrefix.length, 12)}`;
  return writeEpc({ scheme: 'sgtin-96', filter: 1, companyPrefix, itemReference, serial });
}
