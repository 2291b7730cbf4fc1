import bwip from 'bwip-js/node';
import { describe, expect, it } from 'vitest';
import { eanBars } from './eanBars';
import { gtinCheckDigit } from './gtin';

/** The modules as a library for drawing barcodes has them: widths of bars and gaps by turns, bars first. */
function drawn(digits: string): boolean[] {
  const [{ sbs }] = bwip.raw({ bcid: 'ean13', text: digits }) as unknown as [{ sbs: number[] }];
  return sbs.flatMap((width, i) => Array.from({ length: width }, () => i % 2 === 0));
}

describe('the bars of an EAN-13', () => {
  it.each(Array.from({ length: 10 }, (_, first) => `${first}21204${first}05${9 - first}37`))('%s…', (body) => {
    const digits = `${body}${gtinCheckDigit(body)}`;
    expect(eanBars(digits)).toEqual(drawn(digits));
  });

  it('are none of other lengths', () => {
    expect(() => eanBars('952120410006')).toThrow(/13 digits/);
  });
});
