import type { Maker } from '../releases/release';

/** The prefix of a maker under which a barcode number was given out; undefined where none of them is. */
export const prefixOf = (gtin14: string, prefixes: readonly string[]): string | undefined =>
  prefixes.find((prefix) => gtin14.slice(1).startsWith(prefix));

/** The maker under whose prefix a barcode number was given out; undefined where no known one has it. */
export const makerOfGtin = (gtin14: string, makers: Maker[]): Maker | undefined =>
  makers.find(({ gtinPrefixes }) => prefixOf(gtin14, gtinPrefixes) !== undefined);
