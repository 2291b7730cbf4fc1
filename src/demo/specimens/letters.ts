import { join } from 'node:path';
import { type Font, openSync } from 'fontkit';
import type { Box } from './specimen';

const FOLDER = join(process.cwd(), 'node_modules', '@fontsource');
const file = (family: string, weight: number) => join(FOLDER, family, 'files', `${family}-latin-${weight}-normal.woff`);

/** The faces that made-up makers print with, by what they look like. */
const FACES = {
  plain: file('archivo-narrow', 400),
  bold: file('archivo-narrow', 700),
  tall: file('barlow-condensed', 600),
  typed: file('courier-prime', 400),
  serif: file('lora', 400),
};

export type Face = keyof typeof FACES;

const opened = new Map<Face, Font>();

function fontOf(face: Face): Font {
  const known = opened.get(face) ?? (openSync(FACES[face]) as Font);
  opened.set(face, known);
  return known;
}

/** How letters are printed. All lengths in mm. */
export interface LetterStyle {
  face: Face;
  /** Height of capitals. */
  capHeight: number;
  /** Ink that runs out over every edge of a letter. */
  swell?: number;
  /** What stands between letters beyond the face's own distances. */
  gap?: number;
}

/** A line of letters, laid out. */
export interface LetterLine {
  /** Outlines as an SVG path, in mm. */
  path: string;
  swell: number;
  /** What the ink covers. */
  box: Box;
  /** Each letter that leaves ink, with what it covers. */
  letters: { letter: string; box: Box }[];
}

const union = (boxes: Box[]): Box => {
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  return {
    x,
    y,
    width: Math.max(...boxes.map((box) => box.x + box.width)) - x,
    height: Math.max(...boxes.map((box) => box.y + box.height)) - y,
  };
};

/**
 * Lay out one line of letters as outlines, so that a picture of it needs no installed font and every stroke is known.
 *
 * @param at the point on the base line at which it starts, ends or has its middle, in mm
 * @example layLetters('VK4821-107', { face: 'bold', capHeight: 3 }, { x: 10, y: 20 })
 */
export function layLetters(
  text: string,
  { face, capHeight, swell = 0, gap = 0 }: LetterStyle,
  at: { x: number; y: number; anchor?: 'start' | 'middle' | 'end' },
): LetterLine {
  const font = fontOf(face);
  const scale = capHeight / font.capHeight;
  const run = font.layout(text, { kern: true, liga: false });
  const advances = run.positions.map(({ xAdvance }) => xAdvance * scale + gap);
  const width = advances.reduce((sum, each) => sum + each, -gap);
  let x = at.x - (at.anchor === 'end' ? width : at.anchor === 'middle' ? width / 2 : 0);
  const letters: LetterLine['letters'] = [];
  let path = '';
  for (const [i, glyph] of run.glyphs.entries()) {
    const { minX, minY, maxX, maxY } = glyph.bbox;
    if (maxX > minX) {
      path += glyph.path
        .scale(scale, -scale)
        .translate(x, at.y)
        .toSVG()
        .replace(/\d+\.\d+/g, (figure) => Number(figure).toFixed(3));
      letters.push({
        letter: String.fromCodePoint(...glyph.codePoints),
        box: {
          x: x + minX * scale - swell,
          y: at.y - maxY * scale - swell,
          width: (maxX - minX) * scale + 2 * swell,
          height: (maxY - minY) * scale + 2 * swell,
        },
      });
    }
    x += advances[i] ?? 0;
  }
  const box = letters.length > 0 ? union(letters.map((each) => each.box)) : { x: at.x, y: at.y, width: 0, height: 0 };
  return { path, swell, box, letters };
}

/** The width of an upright stroke in such letters, in mm: that of the capital I. */
export function strokeOf({ face, capHeight, swell = 0 }: LetterStyle): number {
  const font = fontOf(face);
  const { minX, maxX } = (font.layout('I').glyphs[0] as { bbox: { minX: number; maxX: number } }).bbox;
  return ((maxX - minX) * capHeight) / font.capHeight + 2 * swell;
}

/** Letters in ink of one colour. */
export const inked = ({ path, swell }: LetterLine, colour: string): string =>
  `<path d="${path}" fill="${colour}"${swell > 0 ? ` stroke="${colour}" stroke-width="${2 * swell}" stroke-linejoin="round"` : ''}/>`;
