import { create } from 'qrcode';
import type { Point } from './homography';

/** A rectangle on a card, in mm from its upper left corner. */
export interface CardPiece {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Red, green, blue in levels of 255. */
  colour: readonly [number, number, number];
}

/** A patch of known colour. */
export interface CardPatch extends CardPiece {
  name: string;
}

/** A QR mark: what it says, and where it stands. */
export interface CardMark {
  text: string;
  x: number;
  y: number;
  side: number;
}

export interface CardWords {
  text: string;
  x: number;
  /** Of the line on which the letters stand. */
  y: number;
  /** Height of the letters' body, in mm. */
  size: number;
}

/** A sheet that lies beside an item and says how large and of which colour things are. All lengths in mm. */
export interface BenchCard {
  id: string;
  /** As one would ask for it. */
  name: string;
  /** What it is for. */
  use: string;
  width: number;
  height: number;
  marks: CardMark[];
  patches: CardPatch[];
  pieces: CardPiece[];
  words: CardWords[];
}

const BLACK = [26, 26, 26] as const;

/** Greys from light to dark, then the colours of print; in sRGB. */
const GREYS = [243, 200, 160, 122, 85, 52].map((level) => ({ name: `grey ${level}`, rgb: [level, level, level] }));
const COLOURS = [
  { name: 'red', rgb: [188, 58, 52] },
  { name: 'green', rgb: [70, 148, 73] },
  { name: 'blue', rgb: [52, 74, 150] },
  { name: 'yellow', rgb: [231, 199, 31] },
  { name: 'magenta', rgb: [187, 86, 149] },
  { name: 'cyan', rgb: [8, 133, 161] },
  { name: 'tan', rgb: [194, 150, 130] },
  { name: 'cream', rgb: [232, 222, 196] },
];

interface Layout {
  id: string;
  name: string;
  use: string;
  width: number;
  height: number;
  /** Side of a QR mark, and its distance from the card's edge. */
  mark: number;
  margin: number;
  /** Length of the ruler; 0: none. */
  ruler: number;
  patch: number;
  colours: boolean;
  letters: number;
}

const LAYOUTS: Layout[] = [
  {
    id: 'BOX',
    name: 'card for boxes',
    use: 'boxes, shoes, clothing',
    width: 190,
    height: 130,
    mark: 23.1,
    margin: 4,
    ruler: 120,
    patch: 13,
    colours: true,
    letters: 3.2,
  },
  {
    id: 'HAND',
    name: 'card of the size of a bank card',
    use: 'bottles, figures, tags',
    width: 85.6,
    height: 53.98,
    mark: 12.6,
    margin: 2,
    ruler: 50,
    patch: 6.5,
    colours: true,
    letters: 2,
  },
  {
    id: 'COIN',
    name: 'card of the size of a coin',
    use: 'labels, stitches, letters',
    width: 37,
    height: 33,
    mark: 10.5,
    margin: 1.6,
    ruler: 0,
    patch: 3.4,
    colours: false,
    letters: 1.6,
  },
];

/** A row of patches without a gap, centred. */
function patchRow(given: { name: string; rgb: number[] }[], { width }: Layout, y: number, side: number): CardPatch[] {
  const x = (width - given.length * side) / 2;
  return given.map(({ name, rgb }, i) => ({
    name,
    x: x + i * side,
    y,
    width: side,
    height: side,
    colour: [rgb[0] ?? 0, rgb[1] ?? 0, rgb[2] ?? 0] as const,
  }));
}

/** Ticks of a ruler, every mm. */
function ticks({ width, ruler, letters }: Layout, y: number): { pieces: CardPiece[]; words: CardWords[] } {
  const from = (width - ruler) / 2;
  const marks = Array.from({ length: ruler + 1 }, (_, mm) => mm);
  return {
    pieces: marks.map((mm) => {
      const height = letters * (mm % 10 === 0 ? 1.6 : mm % 5 === 0 ? 1.2 : 0.8);
      return { x: from + mm - 0.06, y: y - height, width: 0.12, height, colour: BLACK };
    }),
    words: marks
      .filter((mm) => mm % 10 === 0)
      .map((mm) => ({ text: String(mm), x: from + mm, y: y - 2 * letters, size: letters })),
  };
}

function laidOut(layout: Layout): BenchCard {
  const { id, width, height, mark, margin, patch, ruler, letters } = layout;
  const far = { x: width - margin - mark, y: height - margin - mark };
  const places = [
    { x: margin, y: margin },
    { x: far.x, y: margin },
    { x: far.x, y: far.y },
    { x: margin, y: far.y },
  ];
  // Where there is no room between the upper marks, between the upper and the lower ones; the words beside.
  const top = layout.colours ? margin + 0.6 : (height - patch) / 2;
  const small = layout.colours ? GREYS : GREYS.filter((_, i) => i % 2 === 0);
  const scale = ruler > 0 ? ticks(layout, height - margin) : { pieces: [], words: [] };
  const [first, second] = layout.colours
    ? [
        { x: width / 2, y: height / 2 + 1.2 * letters },
        { x: width / 2, y: height / 2 + 2.6 * letters },
      ]
    : [
        { x: 0.18 * width, y: height / 2 + 0.35 * letters },
        { x: 0.82 * width, y: height / 2 + 0.35 * letters },
      ];
  const said = [
    { ...first, size: letters, text: 'Pinprick' },
    { ...second, size: letters, text: layout.colours ? `bench card ${id}` : `card ${id}` },
  ];
  return {
    id,
    name: layout.name,
    use: layout.use,
    width,
    height,
    marks: places.map((place, i) => ({ ...place, side: mark, text: `PPC:${id}:${i}` })),
    patches: [
      ...patchRow(small, layout, top, patch),
      ...(layout.colours ? patchRow(COLOURS, layout, top + patch, patch * 0.75) : []),
    ],
    pieces: scale.pieces,
    words: [...scale.words, ...said],
  };
}

/** Every size of card. */
export const BENCH_CARDS: BenchCard[] = LAYOUTS.map(laidOut);

/** Modules along a side of a mark: version 1 (ISO/IEC 18004). */
export const MODULES = 21;

/** The dark modules of a mark, row by row. */
export function modulesOf({ text }: CardMark): boolean[] {
  const { modules } = create(text, { errorCorrectionLevel: 'M', version: 1 });
  return Array.from(modules.data, Boolean);
}

/** The dark modules of a mark as pieces of the card, those beside each other in one. */
export function darkPieces(mark: CardMark): CardPiece[] {
  const dark = modulesOf(mark);
  const module = mark.side / MODULES;
  const pieces: CardPiece[] = [];
  for (let row = 0; row < MODULES; row++) {
    for (let column = 0; column < MODULES; column++) {
      let end = column;
      while (end < MODULES && dark[row * MODULES + end]) end++;
      if (end === column) continue;
      pieces.push({
        x: mark.x + column * module,
        y: mark.y + row * module,
        width: (end - column) * module,
        height: module,
        colour: BLACK,
      });
      column = end;
    }
  }
  return pieces;
}

/** Corners of the three large squares by which a mark is found, each clockwise from its upper left, in mm on the card. */
export function squaresOf({ x, y, side }: CardMark): [Point, Point, Point, Point][] {
  const square = (7 / MODULES) * side;
  const far = side - square;
  return [
    { x, y },
    { x: x + far, y },
    { x, y: y + far },
  ].map((at) => [
    at,
    { x: at.x + square, y: at.y },
    { x: at.x + square, y: at.y + square },
    { x: at.x, y: at.y + square },
  ]);
}

/** The card and the mark that a decoded text names; null where it is none of ours. */
export function cardMark(text: string): { card: BenchCard; mark: CardMark } | null {
  for (const card of BENCH_CARDS) {
    const mark = card.marks.find((each) => each.text === text);
    if (mark) return { card, mark };
  }
  return null;
}

/** A card as SVG, in mm, without the words, which are set by whoever draws it. */
export function cardSvg(card: BenchCard): string {
  const rect = ({ x, y, width, height, colour }: CardPiece) =>
    `<rect x="${x.toFixed(3)}" y="${y.toFixed(3)}" width="${width.toFixed(3)}" height="${height.toFixed(3)}" fill="rgb(${colour.join(',')})"/>`;
  return [...card.marks.flatMap(darkPieces), ...card.patches, ...card.pieces].map(rect).join('');
}
