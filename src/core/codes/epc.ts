import { EPC_SCHEMES, type EpcField, type OtherScheme } from './epcSchemes';
import { gtinCheckDigit } from './gtin';
import { readTid } from './tid';

export type EpcScheme = 'sgtin-96' | 'sgtin-198' | 'sgtin+' | 'dsgtin+';

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

export interface EpcReading extends Omit<Sgtin, 'filter' | 'partition' | 'companyPrefix' | 'itemReference'> {
  /** Null where the text is a pure identity. */
  filter: number | null;
  /** Null where the scheme holds the whole GTIN and does not say how it is split. */
  partition: number | null;
  companyPrefix: string | null;
  itemReference: string | null;
  gtin14: string;
  /** `urn:epc:tag:sgtin-96:3.0614141.812345.6789` */
  tagUri: string;
  /** `urn:epc:id:sgtin:0614141.812345.6789` */
  pureUri: string;
  /** A date that stands before the GTIN, as `yymmdd` with the identifier that it is of. */
  date?: { ai: string; value: string };
  /** What is odd about it without making it unreadable. */
  problems: string[];
}

/**
 * Why there is no trade item: `blank` memory; `foreign`, another scheme of the standard; `otherBank`, another memory
 * of the tag; `malformed`, nothing that can be read.
 */
export type EpcFailure = { kind: 'blank' | 'malformed' | 'foreign' | 'otherBank'; sentence: string };

export type EpcResult = { reading: EpcReading; failure?: undefined } | { reading?: undefined; failure: EpcFailure };

/** By partition: bits and digits of the company prefix; the item reference takes what is left of 44 bits and 13 digits. */
export const PARTITIONS = [
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
/** What a serial may be made of: character set 82 of the GS1 General Specifications. */
const SERIAL = /^[!"%-?A-Z_a-z]{1,20}$/;

const fail = (kind: EpcFailure['kind'], sentence: string): EpcResult => ({ failure: { kind, sentence } });

const bitsOf = (hex: string): string =>
  [...hex].map((digit) => Number.parseInt(digit, 16).toString(2).padStart(4, '0')).join('');
const numberAt = (bits: string, from: number, length: number): bigint =>
  BigInt(`0b${bits.slice(from, from + length) || '0'}`);

/** Characters that a URI writes as a percent sign and two hexadecimal digits. */
const escapeSerial = (serial: string): string =>
  serial.replace(/["%&/<>?]/g, (character) => `%${character.charCodeAt(0).toString(16).toUpperCase()}`);

/** The GTIN of an SGTIN: indicator, company prefix, the rest of the item reference, check digit. */
function gtinOf(companyPrefix: string, itemReference: string): string {
  const body = `${itemReference.charAt(0)}${companyPrefix}${itemReference.slice(1)}`;
  return `${body}${gtinCheckDigit(body)}`;
}

function described(sgtin: Sgtin, problems: string[]): EpcReading {
  const { scheme, filter, companyPrefix, itemReference, serial } = sgtin;
  const pure = `${companyPrefix}.${itemReference}.${escapeSerial(serial)}`;
  return {
    ...sgtin,
    gtin14: gtinOf(companyPrefix, itemReference),
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

/** SGTIN-96 and SGTIN-198: filter, partition, company prefix, item reference, serial. */
function readSgtin(bits: string, scheme: 'sgtin-96' | 'sgtin-198'): EpcResult {
  const length = scheme === 'sgtin-96' ? 96 : 198;
  if (bits.length < length)
    return fail(
      'malformed',
      `${scheme.toUpperCase()} has ${length} bits; ${bits.length} were read. Read the tag again.`,
    );
  const filter = Number(numberAt(bits, 8, 3));
  const partition = Number(numberAt(bits, 11, 3));
  const split = PARTITIONS[partition];
  if (!split) return fail('malformed', 'Partition 7 is not used; no maker’s encoder writes it.');
  const [companyBits, companyDigits] = split;
  const itemDigits = FIELD_DIGITS - companyDigits;
  const companyPrefix = String(numberAt(bits, START, companyBits)).padStart(companyDigits, '0');
  const itemReference = String(numberAt(bits, START + companyBits, FIELD_BITS - companyBits)).padStart(itemDigits, '0');
  if (companyPrefix.length > companyDigits || itemReference.length > itemDigits) {
    return fail(
      'malformed',
      `Partition ${partition} has ${companyDigits} and ${itemDigits} digits; the numbers in it are larger than that.`,
    );
  }
  const serialAt = START + FIELD_BITS;
  const serial =
    scheme === 'sgtin-96'
      ? String(numberAt(bits, serialAt, SERIAL_96_BITS))
      : readSerial198(bits.slice(serialAt, length));
  if (serial === null)
    return fail('malformed', 'Something stands behind the end of the serial, where only zeros belong.');
  if (serial === '') return fail('malformed', 'The serial is empty.');
  if (!SERIAL.test(serial))
    return fail('malformed', 'The serial has a character outside of the set that the standard allows.');
  const problems: string[] = [];
  if (bits.slice(length).includes('1')) problems.push('The bits after the EPC are not zero.');
  if (RESERVED_FILTERS.includes(filter)) problems.push(`Filter ${filter} is reserved.`);
  return { reading: described({ scheme, filter, partition, companyPrefix, itemReference, serial }, problems) };
}

const BASE64 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_';
const CODE_40 = ' ABCDEFGHIJKLMNOPQRSTUVWXYZ-.:0123456789';

/** How the variable serials of SGTIN+ are written, by their encoding indicator: bits for so many characters, and back. */
const ENCODINGS: { bits(length: number): number; read(bits: string, length: number): string }[] = [
  {
    bits: (length) => Math.ceil(length * Math.log2(10)),
    read: (bits, length) => String(numberAt(bits, 0, bits.length)).padStart(length, '0'),
  },
  { bits: (length) => 4 * length, read: (bits) => everyBits(bits, 4, (value) => value.toString(16).toUpperCase()) },
  { bits: (length) => 4 * length, read: (bits) => everyBits(bits, 4, (value) => value.toString(16)) },
  { bits: (length) => 6 * length, read: (bits) => everyBits(bits, 6, (value) => BASE64.charAt(value)) },
  { bits: (length) => 7 * length, read: (bits) => everyBits(bits, 7, (value) => String.fromCharCode(value)) },
  {
    bits: (length) => 16 * Math.ceil(length / 3),
    read: (bits, length) =>
      everyBits(bits, 16, (value) => {
        const three = value - 1;
        return [Math.floor(three / 1600), Math.floor(three / 40) % 40, three % 40]
          .map((each) => CODE_40.charAt(each))
          .join('');
      }).slice(0, length),
  },
];

function everyBits(bits: string, width: number, say: (value: number) => string): string {
  let text = '';
  for (let at = 0; at + width <= bits.length; at += width) text += say(Number.parseInt(bits.slice(at, at + width), 2));
  return text;
}

const PLUS_DATES = ['11', '13', '15', '16', '17', '7006', '7007'];

/** SGTIN+ and DSGTIN+: the GTIN as fourteen decimal digits, a serial that says how it is written. */
function readSgtinPlus(bits: string, scheme: 'sgtin+' | 'dsgtin+'): EpcResult {
  const filter = Number(numberAt(bits, 9, 3));
  let at = 12;
  let date: EpcReading['date'];
  if (scheme === 'dsgtin+') {
    const ai = PLUS_DATES[Number(numberAt(bits, at, 4))];
    const two = (from: number, length: number) => String(numberAt(bits, from, length)).padStart(2, '0');
    if (ai) date = { ai, value: two(at + 4, 7) + two(at + 11, 4) + two(at + 15, 5) };
    at += 20;
  }
  const gtin14 = everyBits(bits.slice(at, at + 56), 4, (value) => (value < 10 ? String(value) : '?'));
  at += 56;
  if (!/^\d{14}$/.test(gtin14)) return fail('malformed', 'The digits of the GTIN are no digits. Read the tag again.');
  const encoding = ENCODINGS[Number(numberAt(bits, at, 3))];
  const length = Number(numberAt(bits, at + 3, 5));
  if (!encoding || length === 0 || length > SERIAL_CHARACTERS)
    return fail('malformed', 'The serial is written in a way that the standard does not know.');
  const serialBits = bits.slice(at + 8, at + 8 + encoding.bits(length));
  if (serialBits.length < encoding.bits(length)) return fail('malformed', 'The tag was read in part; read it again.');
  const serial = encoding.read(serialBits, length);
  if (!SERIAL.test(serial))
    return fail('malformed', 'The serial has a character outside of the set that the standard allows.');
  const problems =
    gtinCheckDigit(gtin14.slice(0, 13)) === Number(gtin14[13]) ? [] : ['The GTIN in it fails its check digit.'];
  const link = `01/${gtin14}/21/${escapeSerial(serial)}`;
  return {
    reading: {
      scheme,
      filter,
      partition: null,
      companyPrefix: null,
      itemReference: null,
      serial,
      gtin14,
      tagUri: `${scheme}:${filter}:${link}`,
      pureUri: link,
      ...(date ? { date } : {}),
      problems,
    },
  };
}

/** The fields of a scheme that names no trade item, in words. */
function fieldsOf(bits: string, { fields, start }: OtherScheme): string {
  let at = start;
  const partition = Number(numberAt(bits, 11, 3));
  return fields
    .flatMap(({ name, width, text }: EpcField): string[] => {
      const length = typeof width === 'number' ? width : (width[partition] ?? 0);
      const part = bits.slice(at, at + length);
      at += length;
      if (length === 0 || part.length < length) return [];
      const digits = name === 'company prefix' ? (PARTITIONS[partition]?.[1] ?? 0) : 0;
      const value = text
        ? everyBits(part, text, (code) =>
            code === 0 ? '' : String.fromCharCode(text === 6 && code < 32 ? code + 64 : code),
          )
        : String(numberAt(part, 0, length)).padStart(digits, '0');
      return [`${name} ${value}`];
    })
    .join(', ');
}

/** The TID memory says which chip it is, never which item. */
function otherMemory(hex: string): EpcResult {
  const { reading } = readTid(hex);
  const chip = reading
    ? `its maker is number ${reading.designer}h, its model ${reading.model}h`
    : `its maker is number ${hex.slice(2, 4)}h`;
  return fail('otherBank', `This is the TID memory of a chip (${chip}), which names no item. Read the EPC memory.`);
}

/** CRC-16 of the air interface: polynomial 1021h, preset FFFFh, inverted. */
function crc16(hex: string): string {
  let crc = 0xffff;
  for (let i = 0; i < hex.length; i += 2) {
    crc ^= Number.parseInt(hex.slice(i, i + 2), 16) << 8;
    for (let bit = 0; bit < 8; bit++) crc = crc & 0x8000 ? ((crc << 1) ^ 0x1021) & 0xffff : (crc << 1) & 0xffff;
  }
  return (~crc & 0xffff).toString(16).toUpperCase().padStart(4, '0');
}

/** The EPC itself, where a reader sends the protocol control word, and perhaps the check sum, around it. */
function stripped(hex: string): { hex: string; note?: string } | { wrongSum: true } {
  const words = (pc: string) => 4 * (Number.parseInt(pc, 16) >> 11);
  const [first, second] = [hex.slice(0, 4), hex.slice(4, 8)];
  const behind = hex.length - 4;
  if (behind >= 24 && words(first) === behind) return { hex: hex.slice(4), note: 'sent with its control word' };
  if (behind - 4 >= 24 && words(first) === behind - 4) {
    // Control word, EPC, check sum.
    return crc16(hex.slice(0, -4)) === hex.slice(-4)
      ? { hex: hex.slice(4, -4), note: 'sent with control word and check sum' }
      : { wrongSum: true };
  }
  if (behind - 4 >= 24 && words(second) === behind - 4) {
    return crc16(hex.slice(4)) === first
      ? { hex: hex.slice(8), note: 'sent with check sum and control word' }
      : { wrongSum: true };
  }
  return { hex };
}

function readBits(hex: string): EpcResult {
  if (/^0*$/.test(hex)) return fail('blank', 'The chip’s memory is blank: it was never written.');
  const bits = bitsOf(hex);
  const header = hex.slice(0, 2);
  switch (header) {
    case '30':
      return readSgtin(bits, 'sgtin-96');
    case '36':
      return readSgtin(bits, 'sgtin-198');
    case 'F7':
      return readSgtinPlus(bits, 'sgtin+');
    case 'FB':
      return readSgtinPlus(bits, 'dsgtin+');
  }
  if (/^E[02]/.test(header)) return otherMemory(hex);
  const other = EPC_SCHEMES[header];
  if (!other)
    return fail('malformed', `Header ${header} is none of the EPC standard; what it says is known to its maker alone.`);
  const fields = fieldsOf(bits, other);
  return fail(
    'foreign',
    `This is a ${other.name}${fields ? ` (${fields})` : ''}; it names ${other.names}, and no trade item.`,
  );
}

/** `urn:epc:tag:sgtin-96:3.0614141.812345.6789` and `urn:epc:id:sgtin:0614141.812345.6789`. */
function readUri(uri: string): EpcResult {
  const raw = /^urn:epc:raw:\d+\.x([0-9a-f]+)$/i.exec(uri);
  if (raw) return readEpc(raw[1] as string);
  const [, kind = '', scheme = '', rest = ''] = /^urn:epc:(tag|id):([a-z]+(?:-\d+|-var)?):(.+)$/i.exec(uri) ?? [];
  if (!kind) return fail('malformed', 'This is no whole EPC address.');
  if (!/^sgtin/i.test(scheme)) return fail('foreign', `This is a ${scheme.toUpperCase()}; it names no trade item.`);
  const parts = rest.split('.');
  const filter = kind.toLowerCase() === 'tag' ? Number(parts.shift()) : null;
  const [companyPrefix = '', itemReference = '', ...tail] = parts;
  let serial = tail.join('.');
  try {
    serial = decodeURIComponent(serial);
  } catch {
    return fail('malformed', 'The address has a percent sign that stands for nothing.');
  }
  const digits =
    /^\d+$/.test(companyPrefix) && /^\d+$/.test(itemReference) ? companyPrefix.length + itemReference.length : 0;
  const partition = PARTITIONS.findIndex(([, each]) => each === companyPrefix.length);
  if (digits !== FIELD_DIGITS || partition < 0)
    return fail('malformed', 'Company prefix and item reference have 13 digits together, the prefix 6 to 12 of them.');
  if (!SERIAL.test(serial))
    return fail('malformed', 'The serial has a character outside of the set that the standard allows.');
  if (filter !== null && !(filter >= 0 && filter <= 7)) return fail('malformed', 'A filter is a number from 0 to 7.');
  const long = /-198$/.test(scheme) || !/^(0|[1-9]\d*)$/.test(serial);
  const reading = described(
    { scheme: long ? 'sgtin-198' : 'sgtin-96', filter: filter ?? 0, partition, companyPrefix, itemReference, serial },
    [],
  );
  return { reading: { ...reading, filter } };
}

/**
 * Decode the EPC memory of an RFID tag, as any reader shows it.
 *
 * @param text hexadecimal with or without `0x`, spaces, colons, dashes, control word and check sum; or a tag or pure
 *   identity address. Unused bits after the EPC must be zero.
 * @returns the fields with their URIs and GTIN; or why there is no trade item in it
 * @source GS1 EPC Tag Data Standard, coding tables; 2.0 for SGTIN+ and DSGTIN+
 * @example readEpc('3074257BF7194E4000001A85').reading?.tagUri // 'urn:epc:tag:sgtin-96:3.0614141.812345.6789'
 */
export function readEpc(text: string): EpcResult {
  const trimmed = text.trim();
  if (/^urn:epc:/i.test(trimmed)) return readUri(trimmed);
  const hex = trimmed
    .replace(/^EPC\s*[:=]?\s*/i, '')
    .replace(/^0x|h$/gi, '')
    .replace(/(?:\s|:|_|-)(?:0x)?/gi, '')
    .toUpperCase();
  if (!/^[0-9A-F]+$/.test(hex)) return fail('malformed', 'An EPC is written in hexadecimal digits, 0 to 9 and A to F.');
  if (hex.length > 136)
    return fail('malformed', `${hex.length} hexadecimal digits are more than any EPC memory holds.`);
  if (hex.length % 2 === 1)
    return fail('malformed', `${hex.length} hexadecimal digits are an odd number; a digit is missing or too many.`);
  const known = hex.slice(0, 2) in { 30: 1, 36: 1, F7: 1, FB: 1 } || hex.slice(0, 2) in EPC_SCHEMES;
  const plain = readBits(hex);
  // A control word can look like a header; what decodes whole as an EPC is one.
  if (known && plain.reading && [24, 52, 56].includes(hex.length)) return plain;
  const inner = stripped(hex);
  if ('wrongSum' in inner)
    return fail('malformed', 'The check sum that the reader sent does not fit; read the tag again.');
  if (inner.hex === hex) return plain;
  const result = readBits(inner.hex);
  return result.reading || result.failure.kind !== 'malformed' ? result : plain;
}

/**
 * Encode an SGTIN as a tag holds it, padded with zeros to whole 16-bit words.
 *
 * @param sgtin fields as `readEpc` gives them; the partition follows from the company prefix
 * @returns upper-case hexadecimal
 * @throws RangeError where a field does not fit its scheme
 */
export function writeEpc({
  scheme,
  filter,
  companyPrefix,
  itemReference,
  serial,
}: Omit<Sgtin, 'partition' | 'scheme'> & { scheme: 'sgtin-96' | 'sgtin-198' }): string {
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
  const head = scheme === 'sgtin-96' ? '00110000' : '00110110';
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
