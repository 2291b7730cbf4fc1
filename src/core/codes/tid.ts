/** The memory that names a chip, written by the maker of the chip and locked. */
export interface TidReading {
  /** Number of the chip's maker in the register of mask designers, hexadecimal. */
  designer: string;
  /** The maker's number of the model, hexadecimal. */
  model: string;
  /** The chip's own number, hexadecimal; null where chips of that model share one memory. */
  serial: string | null;
}

export type TidResult = { reading: TidReading; problem?: undefined } | { reading?: undefined; problem: string };

/** Digits of the serial by the first three bits of the extended header. */
const serialDigits = (code: number): number => (code === 0 ? 0 : 12 + 4 * (code - 1));
/** Readers often send no more than 96 bits; so many digits are a chip's own at least. */
const LEAST_DIGITS = 12;

/**
 * Read the TID memory of an RFID tag.
 *
 * @param text hexadecimal, with or without spaces, colons, dashes and `0x`
 * @source GS1 EPC Tag Data Standard, chapter on tag identification: class E2h with extended header
 * @example readTid('E28011602000 6ABC00001234').reading?.serial
 */
export function readTid(text: string): TidResult {
  const hex = text
    .trim()
    .replace(/^0x/i, '')
    .replace(/[\s:_-]/g, '')
    .toUpperCase();
  if (!/^[0-9A-F]{8,}$/.test(hex)) return { problem: 'The memory of a chip is 8 hexadecimal digits or more.' };
  if (/^0+$/.test(hex)) return { problem: 'The chip’s own memory is blank, which no maker of chips leaves it.' };
  if (!hex.startsWith('E2'))
    return { problem: `The memory of a chip begins with E2; this begins with ${hex.slice(0, 2)}.` };
  const head = Number.parseInt(hex.slice(2, 8), 16);
  const extended = (head >> 23) & 1;
  const designer = ((head >> 12) & 0x1ff).toString(16).toUpperCase().padStart(3, '0');
  const model = (head & 0xfff).toString(16).toUpperCase().padStart(3, '0');
  const stated = extended && hex.length >= 12 ? serialDigits(Number.parseInt(hex.slice(8, 12), 16) >> 13) : 0;
  const serial = hex.slice(12, 12 + stated);
  if (stated > 0 && serial.length < LEAST_DIGITS)
    return {
      problem: `The chip has a number of ${stated} digits and ${serial.length} were read. Read it again.`,
    };
  return { reading: { designer, model, serial: stated > 0 ? serial : null } };
}
