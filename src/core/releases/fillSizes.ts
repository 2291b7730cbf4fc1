import { gtinCheckDigit, readGtin } from '../codes/gtin';
import { prefixOf } from '../codes/makerOfGtin';
import type { SizeChart } from '../sizes/sizeChart';
import type { ReleaseSize } from './release';

/** The digits before the check digit of the first number of a row, or why there are none. */
export type FirstNumber = { body: string; sentence?: undefined } | { body?: undefined; sentence: string };

/** Lengths of a trade item number without its check digit. */
const BODIES = [7, 11, 12];

/**
 * Read the number that a run of sizes begins with: a whole barcode number, one without its check digit, or an item
 * number that goes behind the maker's prefix.
 *
 * @param typed as it was entered, with or without spaces
 * @param prefixes company prefixes of the maker, as they stand at the front of a GTIN-13
 * @example readFirstNumber('9 521204 100064', []) // { body: '952120410006' }
 */
export function readFirstNumber(typed: string, prefixes: string[]): FirstNumber {
  const digits = typed.replace(/[\s-]+/g, '');
  if (!/^\d+$/.test(digits)) return { sentence: 'A number has digits only.' };
  const ours = (body: string) => prefixes.some((prefix) => body.padStart(12, '0').startsWith(prefix));
  const [whole] = readGtin(digits).readings;
  const asWhole = whole?.valid && whole.form !== 'UPC-E' ? digits.slice(0, -1) : null;
  const asBody = BODIES.includes(digits.length) ? digits : null;
  if (asWhole && (asBody === null || ours(asWhole) || !ours(asBody))) return { body: asWhole };
  if (asBody) return { body: asBody };
  if (whole && whole.form !== 'UPC-E' && !whole.valid)
    return {
      sentence: `${digits} ends in ${whole.checkDigit} and should end in ${whole.expectedCheckDigit}: one of its digits is wrong.`,
    };
  const [prefix] = prefixes;
  if (prefix && digits.length <= 12 - prefix.length) return { body: prefix + digits.padStart(12 - prefix.length, '0') };
  return {
    sentence: prefix
      ? `${digits.length} digits are no barcode number, and too many to go behind ${prefix}.`
      : `${digits.length} digits are no barcode number; enter the whole number of the first size.`,
  };
}

export interface FilledSizes {
  sizes: ReleaseSize[];
  /** Why it is not more, or none. */
  sentence: string | null;
}

/**
 * Sizes with barcode numbers that run on one by one, check digits computed.
 *
 * @param keys of the sizes, in the order of the chart
 * @param first the number of the first of them, without its check digit
 */
export function fillSizes(keys: string[], first: string): FilledSizes {
  const sizes = keys.flatMap((key, i): ReleaseSize[] => {
    const body = String(BigInt(first) + BigInt(i)).padStart(first.length, '0');
    return body.length > first.length ? [] : [{ key, gtin: `${body}${gtinCheckDigit(body)}` }];
  });
  const missing = keys.slice(sizes.length);
  const sentence =
    missing.length > 0 ? `There is no number left for ${missing.join(', ')}: ${first} runs over its last digit.` : null;
  return { sizes, sentence };
}

/** Says which sizes their chart does not have. */
export function strangerRemark(sizes: ReleaseSize[], { name, rows }: SizeChart): string[] {
  const known = new Set(rows.map(({ key }) => key));
  const strangers = sizes.filter(({ key }) => !known.has(key)).map(({ key }) => key);
  if (strangers.length === 0) return [];
  return [`${name} has no size ${strangers.join(', ')}, so nothing printed can be held against it.`];
}

/** What is odd about the sizes of a release and their numbers; each is possible, none is usual. */
export function sizeRemarks(sizes: ReleaseSize[], chart: SizeChart | null, prefixes: string[]): string[] {
  const remarks: string[] = [];
  if (chart) {
    const order = chart.rows.map(({ key }) => key);
    remarks.push(...strangerRemark(sizes, chart));
    const at = order.flatMap((key, i) => (sizes.some((size) => size.key === key) ? [i] : []));
    const gaps = order
      .slice(at[0] ?? 0, (at.at(-1) ?? -1) + 1)
      .filter((key) => !sizes.some((size) => size.key === key));
    if (gaps.length > 0) remarks.push(`Between its first and last size there is no ${gaps.join(', ')}.`);
  }
  const numbered = sizes.filter(({ gtin }) => gtin !== '');
  const unknown = sizes.filter(({ gtin }) => gtin === '').map(({ key }) => key);
  if (unknown.length > 0)
    remarks.push(
      `No barcode number is known of ${numbered.length === 0 ? 'any size' : unknown.join(', ')}: one that is printed is held against nothing, and no scan leads here.`,
    );
  const foreign = numbered.filter(({ gtin }) => {
    const [reading] = readGtin(gtin).readings;
    return reading && prefixes.length > 0 && prefixOf(reading.gtin14, prefixes) === undefined;
  });
  if (foreign.length > 0)
    remarks.push(
      `${foreign.length === numbered.length ? 'No number begins' : `The numbers of ${foreign.map(({ key }) => key).join(', ')} do not begin`} with the maker’s prefix (${prefixes.join(', ')}).`,
    );
  const jumps = numbered.slice(1).filter(({ gtin }, i) => {
    const [a, b] = [numbered[i]?.gtin ?? '', gtin].map((each) => each.slice(0, -1)) as [string, string];
    return /^\d+$/.test(a + b) && a.length === b.length && BigInt(b) - BigInt(a) !== 1n;
  });
  if (jumps.length > 0 && jumps.length < Math.max(2, numbered.length / 3))
    remarks.push(`The numbers run on one by one but before ${jumps.map(({ key }) => key).join(', ')}.`);
  return remarks;
}
