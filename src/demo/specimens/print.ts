import { inked, type LetterStyle, layLetters } from './letters';
import type { Box, PrintedCode, PrintedFact } from './specimen';
import { printSymbol } from './symbols';

/** Ink that is not quite black. */
export const INK = '#1b1d20';

/** What is printed on one piece, gathered while it is laid out. */
export interface Print {
  /** A line of letters; it stands for a fact where one is named. */
  write(
    text: string | undefined,
    style: LetterStyle,
    at: { x: number; y: number; anchor?: 'start' | 'middle' | 'end' },
    also?: { fact?: string; colour?: string; says?: string },
  ): Box | null;
  symbol(
    symbology: PrintedCode['symbology'],
    text: string | undefined,
    at: { x: number; y: number; height?: number },
    module: number,
    also?: { fact?: string; spread?: number; colour?: string; digits?: boolean },
  ): Box | null;
  draw(svg: string): void;
  paint(): string;
  facts: PrintedFact[];
  codes: PrintedCode[];
}

/**
 * Begin to print on a piece.
 *
 * @param place of the facts that stand on it
 */
export function startPrint(place: string): Print {
  const layers: string[] = [];
  const facts: PrintedFact[] = [];
  const codes: PrintedCode[] = [];
  return {
    facts,
    codes,
    write: (text, style, at, { fact, colour = INK, says } = {}) => {
      if (!text) return null;
      const line = layLetters(text, style, at);
      layers.push(inked(line, colour));
      if (fact) facts.push({ place, fact, text: says ?? text, box: line.box });
      return line.box;
    },
    symbol: (symbology, text, at, module, { fact, ...how } = {}) => {
      if (!text) return null;
      const { paint, code, textBox } = printSymbol(symbology, text, at, module, how);
      layers.push(paint);
      codes.push(code);
      if (fact) facts.push({ place, fact, text, box: textBox ?? code.box });
      return code.box;
    },
    draw: (svg) => layers.push(svg),
    paint: () => layers.join(''),
  };
}

/** The path of a rectangle with round corners. */
export function roundRect(x: number, y: number, width: number, height: number, radius = 0): string {
  const r = Math.min(radius, width / 2, height / 2);
  if (r <= 0) return `M${x} ${y}h${width}v${height}h${-width}z`;
  return `M${x + r} ${y}h${width - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${height - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${-(width - 2 * r)}a${r} ${r} 0 0 1 ${-r} ${-r}v${-(height - 2 * r)}a${r} ${r} 0 0 1 ${r} ${-r}z`;
}

/** The path of a circle. */
export const circle = (x: number, y: number, radius: number): string =>
  `M${x - radius} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0z`;

/** A rectangle that covers a piece whole. */
export const flood = (width: number, height: number, colour: string): string =>
  `<rect width="${width}" height="${height}" fill="${colour}"/>`;

/** How a size system is headed on labels. */
const SIZE_HEADS: Record<string, string> = {
  usMen: 'US M',
  usWomen: 'US W',
  us: 'US',
  uk: 'UK',
  eu: 'EU',
  cm: 'CM',
  mm: 'MM',
  jp: 'JP',
};

/** The sizes among printed facts, in their order, with their heads. */
export const sizesOf = (printed: Record<string, string>): { fact: string; head: string; text: string }[] =>
  Object.entries(printed)
    .filter(([fact]) => fact.startsWith('size.'))
    .map(([fact, text]) => ({ fact, text, head: SIZE_HEADS[fact.slice(5)] ?? fact.slice(5).toUpperCase() }));

interface Point {
  x: number;
  y: number;
}

/** A point turned about a middle, then shifted. */
export function turnedPoint({ x, y }: Point, degrees: number, middle: Point, shift: Point = { x: 0, y: 0 }): Point {
  const angle = (degrees * Math.PI) / 180;
  const [dx, dy] = [x - middle.x, y - middle.y];
  return {
    x: shift.x + middle.x + dx * Math.cos(angle) - dy * Math.sin(angle),
    y: shift.y + middle.y + dx * Math.sin(angle) + dy * Math.cos(angle),
  };
}

/** Where things stand once what they are printed on is turned: their middles go round, their boxes stay upright. */
export function turnedAbout<T extends { box: Box }>(items: T[], degrees: number, middle: Point, shift?: Point): T[] {
  return items.map((each) => {
    const { x, y, width, height } = each.box;
    const at = turnedPoint({ x: x + width / 2, y: y + height / 2 }, degrees, middle, shift);
    return { ...each, box: { x: at.x - width / 2, y: at.y - height / 2, width, height } };
  });
}
