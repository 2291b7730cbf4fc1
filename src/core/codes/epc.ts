import { gtinCheckDigit } from './gtin';

export type EpcScheme = 'sgtin-96' | 'sgtin-198';

/** The fields of an SGTIN, as an RFID tag's EPC memory holds them. */
export interface Sgtin {
  scheme: EpcScheme;
  /** 0 all others, 1 point of sale item, 2 full case, 4 inner pack, 6 unit load, 7 component; 3 and 5 are reserved. */
  filter: number;
  /** 0 to 6: how the 13 digits are split between company prefix and item reference. */
  partition: number;
  companyPrefix: string;
  /** Indicator digit and item number. */
  itemReference: string;
  serial: string;
}

export interface EpcReading extends Sgtin {
  gtin14: string;
  /** `urn:epc:tag:sgtin-96:3.0614141.812345.6789` */
  tagUri: string;
  /** `urn:epc:id:sgtin:0614141.812345.6789` */
  pureUri: string;
  /** What is odd about it without making it unreadable. */
  problems: string[];
}

export type EpcResult =
  | { reading: EpcReading; failure?: undefined }
  | { reading?: undefined; failure: { kind: 'blank' | 'malformed' | 'foreign'; sentence: string } };

const HEADERS: Record<string, { scheme: EpcScheme; bits: number }> = {
  '00110000': { scheme: 'sgtin-96', bits: 96 },
  '00110110': { scheme: 'sgtin-198', bits: 198 },
};

/** By partition: bits and digits of the company prefix; the item reference takes what is left of 44 bits and 13 digits. */
const PARTITIONS = [
  [40, 12],
  [37, 11],
  [34, 10],
  [30, 9],
  [27, 8],
  [24, 7],
  [20, 6],
] as const;

const FIELD_BITS = 44;
const FIELD_DIGITS = 13;
const START = 14;
const SERIAL_96_BITS = 38;
const SERIAL_CHARACTERS = 20;
const RESERVED_FILTERS = [3, 5];

const fail = (kind: 'blank' | 'malformed' | 'foreign', sentence: string): EpcResult => ({
  failure: { kind, sentence },
});

/** Characters that a URI writes as a percent sign and two hexadecimal digits. */
const escapeSerial = (serial: string): string =>
  serial.replace(/["%&/<>?]/g, (character) => `%${character.charCodeAt(0).toString(16).toUpperCase()}`);

/** The GTIN of an SGTIN: indicator, company prefix, the rest of the item reference, check digit. */
function gtinOf({ companyPrefix, itemReference }: Sgtin): string {
  const body = `${itemReference.charAt(0)}${companyPrefix}${itemReference.slice(1)}`;
  return `${body}${gtinCheckDigit(body)}`;
}

function described(sgtin: Sgtin, problems: string[]): EpcReading {
  const { scheme, filter, companyPrefix, itemReference, serial } = sgtin;
  const pure = `${companyPrefix}.${itemReference}.${escapeSerial(serial)}`;
  return {
    ...sgtin,
    gtin14: gtinOf(sgtin),
    tagUri: `urn:epc:tag:${scheme}:${filter}.${pure}`,
    pureUri: `urn:epc:id:sgtin:${pure}`,
    problems,
  };
}

/** Seven-bit characters up to the first that is zero; null where something follows after that. */
function readSerial198(bits: string): string | null {
  let serial = '';
  for (let i = 0; i < SERIAL_CHARACTERS; i++) {
    const code = Number.parseInt(bits.slice(7 * i, 7 * i + 7), 2);
    if (code === 0) return bits.slice(7 * i).includes('1') ? null : serial;
    serial += String.fromCharCode(code);
  }
  return serial;
}

/**
 * Decode the EPC memory of an RFID tag.
 *
 * @param hex its contents in hexadecimal, spaces allowed; unused bits after the EPC must be zero
 * @returns the fields with their URIs and GTIN; or why not: `blank` memory, `malformed`, or a `foreign` scheme
 * @source GS1 EPC Tag Data Standard, SGTIN-96 and SGTIN-198 coding tables
 * @example readEpc('3074257BF7194E4000001A85').reading?.tagUri // 'urn:epc:tag:sgtin-96:3.0614141.812345.6789'
 */
export function readEpc(hex: string): EpcResult {
  const digits = hex.replace(/\s/g, '');
  if (!/^[0-9a-fA-F]+$/.test(digits))
    return fail('malformed', 'An EPC is written in hexadecimal digits, 0 to 9 and A to F.');
  if (digits.length > 128)
    return fail('malformed', `${digits.length} hexadecimal digits are more than any EPC memory holds.`);
  if (digits.length % 2 === 1)
    return fail('malformed', `${digits.length} hexadecimal digits are an odd number; a digit is missing or too many.`);
  if (/^0*$/.test(digits)) return fail('blank', 'The chip’s memory is blank: it was never written.');
  const bits = [...digits].map((digit) => Number.parseInt(digit, 16).toString(2).padStart(4, '0')).join('');
  const header = HEADERS[bits.slice(0, 8)];
  if (!header)
    return fail(
      'foreign',
      `Header ${digits.slice(0, 2).toUpperCase()} is no SGTIN; the tag does not name a trade item.`,
    );
  if (bits.length < header.bits) {
    return fail(
      'malformed',
      `${header.scheme.toUpperCase()} has ${header.bits} bits; ${bits.length} were read. Read the tag again.`,
    );
  }
  const number = (from: number, length: number) => BigInt(`0b${bits.slice(from, from + length)}`);
  const filter = Number(number(8, 3));
  const partition = Number(number(11, 3));
  const split = PARTITIONS[partition];
  if (!split) return fail('malformed', 'Partition 7 is not used; no maker’s encoder writes it.');
  const [companyBits, companyDigits] = split;
  const itemDigits = FIELD_DIGITS - companyDigits;
  const companyPrefix = String(number(START, companyBits)).padStart(companyDigits, '0');
  const itemReference = String(number(START + companyBits, FIELD_BITS - companyBits)).padStart(itemDigits, '0');
  if (companyPrefix.length > companyDigits || itemReference.length > itemDigits) {
    return fail(
      'malformed',
      `Partition ${partition} has ${companyDigits} and ${itemDigits} digits; the numbers in it are larger than that.`,
    );
  }
  const serialAt = START + FIELD_BITS;
  const serial =
    header.scheme === 'sgtin-96'
      ? String(number(serialAt, SERIAL_96_BITS))
      : readSerial198(bits.slice(serialAt, header.bits));
  if (serial === null)
    return fail('malformed', 'Something stands behind the end of the serial, where only zeros belong.');
  if (serial === '') return fail('malformed', 'The serial is empty.');
  const problems: string[] = [];
  if (bits.slice(header.bits).includes('1')) problems.push('The bits after the EPC are not zero.');
  if (RESERVED_FILTERS.includes(filter)) problems.push(`Filter ${filter} is reserved.`);
  return {
    reading: described({ scheme: header.scheme, filter, partition, companyPrefix, itemReference, serial }, problems),
  };
}

/**
 * Encode an SGTIN as a tag holds it, padded with zeros to whole 16-bit words.
 *
 * @param sgtin fields as `readEpc` gives them; the partition follows from the company prefix
 * @returns upper-case hexadecimal
 * @throws RangeError where a field does not fit its scheme
 */
export function writeEpc({ scheme, filter, companyPrefix, itemReference, serial }: Omit<Sgtin, 'partition'>): string {
  const partition = PARTITIONS.findIndex(([, digits]) => digits === companyPrefix.length);
  const split = PARTITIONS[partition];
  if (!split || companyPrefix.length + itemReference.length !== FIELD_DIGITS) {
    throw new RangeError('Company prefix and item reference have 13 digits together, the prefix 6 to 12 of them.');
  }
  const binary = (value: bigint, width: number): string => {
    const text = value.toString(2).padStart(width, '0');
    if (text.length > width) throw new RangeError(`${value} does not fit into ${width} bits.`);
    return text;
  };
  const head = Object.entries(HEADERS).find(([, header]) => header.scheme === scheme)?.[0] as string;
  const [companyBits] = split;
  const fields = [
    binary(BigInt(filter), 3),
    binary(BigInt(partition), 3),
    binary(BigInt(companyPrefix), companyBits),
    binary(BigInt(itemReference), FIELD_BITS - companyBits),
  ].join('');
  let tail: string;
  if (scheme === 'sgtin-96') {
    if (!/^(0|[1-9]\d*)$/.test(serial))
      throw new RangeError('The serial of an SGTIN-96 is a number without leading zeros.');
    tail = binary(BigInt(serial), SERIAL_96_BITS);
  } else {
    if (!/^[!"%-?A-Z_a-z]{1,20}$/.test(serial))
      throw new RangeError('The serial of an SGTIN-198 has 1 to 20 characters of the GS1 set.');
    tail = [...serial]
      .map((character) => binary(BigInt(character.charCodeAt(0)), 7))
      .join('')
      .padEnd(7 * SERIAL_CHARACTERS, '0');
  }
  const bits = `${head}${fields}${tail}`;
  const padded = bits.padEnd(Math.ceil(bits.length / 16) * 16, '0');
  return (padded.match(/.{4}/g) as string[])
    .map((four) => Number.parseInt(four, 2).toString(16).toUpperCase())
    .join('');
}
