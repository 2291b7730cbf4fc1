import bwipjs from 'bwip-js/node';
import { inked, type LetterStyle, layLetters } from './letters';
import type { Box, PrintedCode } from './specimen';

interface Linear {
  sbs: number[];
}
interface Matrix {
  pixs: number[];
  pixx: number;
  pixy: number;
}

const rect = (x: number, y: number, width: number, height: number): string =>
  `M${x.toFixed(4)} ${y.toFixed(4)}h${width.toFixed(4)}v${height.toFixed(4)}h${(-width).toFixed(4)}z`;

const encoded = (symbology: PrintedCode['symbology'], text: string) =>
  bwipjs.raw(symbology === 'code128' && text.startsWith('(') ? 'gs1-128' : symbology, text, {})[0] as unknown;

/** The numbers under the bars, in the groups in which they stand there. */
function digitsUnder(text: string, x: number, y: number, module: number): { text: string; x: number }[] {
  if (text.length !== 13) return [{ text, x: x + (module * 95) / 2 }];
  return [
    { text: text.slice(0, 1), x: x - 5 * module },
    { text: text.slice(1, 7), x: x + 24 * module },
    { text: text.slice(7), x: x + 71 * module },
  ].map((each) => ({ ...each, y }));
}

/**
 * A barcode or 2D code as it is printed: its modules of one width, its number under it where one stands there.
 *
 * @param at upper left corner, in mm
 * @param module width of the narrowest bar or of one cell, in mm
 * @param spread how far ink runs out over the edge of a bar, in mm
 */
export function printSymbol(
  symbology: PrintedCode['symbology'],
  text: string,
  at: { x: number; y: number; height?: number },
  module: number,
  { spread = 0, colour = '#16181a', digits = true } = {},
): { paint: string; code: PrintedCode; textBox: Box | null } {
  const drawn = encoded(symbology, text);
  if ('pixs' in (drawn as object)) {
    const { pixs, pixx, pixy } = drawn as Matrix;
    const path = pixs
      .flatMap((dark, i) =>
        dark
          ? [
              rect(
                at.x + (i % pixx) * module - spread,
                at.y + Math.floor(i / pixx) * module - spread,
                module + 2 * spread,
                module + 2 * spread,
              ),
            ]
          : [],
      )
      .join('');
    const box = { x: at.x, y: at.y, width: pixx * module, height: pixy * module };
    return { paint: `<path d="${path}" fill="${colour}"/>`, code: { symbology, text, module, box }, textBox: null };
  }
  const { sbs } = drawn as Linear;
  const height = at.height ?? 12;
  const total = sbs.reduce((sum, each) => sum + each, 0);
  let x = 0;
  let path = '';
  for (const [i, width] of sbs.entries()) {
    if (i % 2 === 0) path += rect(at.x + x * module - spread, at.y, width * module + 2 * spread, height);
    x += width;
  }
  const box = { x: at.x, y: at.y, width: total * module, height };
  const code: PrintedCode = { symbology, text, module, box };
  const bars = `<path d="${path}" fill="${colour}"/>`;
  if (!digits) return { paint: bars, code, textBox: null };
  const style: LetterStyle = { face: 'plain', capHeight: Math.max(1.1, 7 * module) };
  const lines = digitsUnder(text, at.x, 0, module).map((group) =>
    layLetters(group.text, style, {
      x: group.x,
      y: at.y + height + style.capHeight + 3 * module,
      anchor: 'middle',
    }),
  );
  const boxes = lines.map((line) => line.box);
  const left = Math.min(...boxes.map((each) => each.x));
  const textBox = {
    x: left,
    y: Math.min(...boxes.map((each) => each.y)),
    width: Math.max(...boxes.map((each) => each.x + each.width)) - left,
    height: Math.max(...boxes.map((each) => each.height)),
  };
  return { paint: bars + lines.map((line) => inked(line, colour)).join(''), code, textBox };
}
