import { type LetterStyle, strokeOf } from '../letters';
import { flood, INK, type Print, roundRect, sizesOf, startPrint, turnedAbout, turnedPoint } from '../print';
import type { Box } from '../specimen';
import { about, type SpecimenKind, type Subject } from '../specimenKind';

const WIDTH = 150;
const HEIGHT = 104;
const LABEL = { width: 104, height: 58 };

/** Sizes as cells side by side, each under its system. */
function sizeCells(print: Print, subject: Subject, p: Figures, x: number, y: number, cell: number): void {
  for (const [i, { fact, head, text }] of sizesOf(subject.printed).entries()) {
    const middle = x + (i + 0.5) * cell;
    print.write(head, { face: 'plain', capHeight: 1.5 }, { x: middle, y: y + 2.6, anchor: 'middle' });
    const value = { face: 'bold' as const, capHeight: 3, swell: p.swellMm, gap: p.letterGapMm };
    print.write(text, value, { x: middle, y: y + 7.6, anchor: 'middle' }, { fact });
    if (i > 0) print.draw(`<path d="M${x + i * cell} ${y}v9" stroke="${INK}" stroke-width=".18"/>`);
  }
}

/** How that label's maker prints its letters. */
const lettersOf =
  (p: Figures) =>
  (face: 'plain' | 'bold' | 'tall', capHeight: number): LetterStyle => ({
    face,
    capHeight,
    swell: p.swellMm,
    gap: p.letterGapMm,
  });

/** Name above, sizes in a band, barcode below. */
function banded(print: Print, subject: Subject, p: Figures): void {
  const { printed } = subject;
  const style = lettersOf(p);
  print.write(subject.maker.toUpperCase(), style('tall', 3.6), { x: 5, y: 8 });
  print.write(printed.labelSuffix, style('bold', 2.6), { x: 99, y: 7.4, anchor: 'end' }, { fact: 'labelSuffix' });
  print.write(printed.model, style('bold', 3.1), { x: 5, y: 15.4 }, { fact: 'model' });
  print.write(printed.colourName, style('plain', 2.3), { x: 5, y: 20.2 }, { fact: 'colourName' });
  print.write(printed.styleCode, style('bold', 3.1), { x: 99, y: 15.4, anchor: 'end' }, { fact: 'styleCode' });
  print.draw(`<path d="M5 23h94M5 32.4h94" stroke="${INK}" stroke-width=".22"/>`);
  const sizes = sizesOf(printed).length;
  sizeCells(print, subject, p, 5, 23.2, 94 / Math.max(1, sizes));
  print.symbol('ean13', printed.gtin, { x: 12, y: 36.4, height: 14 }, p.moduleMm, {
    fact: 'gtin',
    spread: p.barSpreadMm,
  });
  const made = printed.country ? `MADE IN ${printed.country.toUpperCase()}` : undefined;
  print.write(made, style('plain', 1.9), { x: 99, y: 42, anchor: 'end' }, { fact: 'country', says: printed.country });
  print.write(printed.price, style('bold', 2.6), { x: 99, y: 53.4, anchor: 'end' }, { fact: 'price' });
  print.write(printed.dimensions, style('plain', 1.7), { x: 99, y: 47.2, anchor: 'end' }, { fact: 'dimensions' });
}

/** Barcode at the left, everything else beside it. */
function beside(print: Print, subject: Subject, p: Figures): void {
  const { printed } = subject;
  const style = lettersOf(p);
  print.write(printed.styleCode, style('bold', 3.6), { x: 50, y: 9 }, { fact: 'styleCode' });
  print.write(printed.labelSuffix, style('bold', 2.4), { x: 99, y: 8.4, anchor: 'end' }, { fact: 'labelSuffix' });
  print.write(printed.model, style('plain', 2.7), { x: 50, y: 15.2 }, { fact: 'model' });
  print.write(printed.colourName, style('plain', 2.2), { x: 50, y: 20 }, { fact: 'colourName' });
  print.symbol('ean13', printed.gtin, { x: 9, y: 6, height: 18 }, p.moduleMm, { fact: 'gtin', spread: p.barSpreadMm });
  sizeCells(print, subject, p, 5, 33, 94 / Math.max(1, sizesOf(printed).length));
  print.draw(`<path d="M5 32.6h94v10h-94z" fill="none" stroke="${INK}" stroke-width=".3"/>`);
  const made = printed.country ? `Made in ${printed.country}` : undefined;
  print.write(made, style('plain', 2), { x: 5, y: 53 }, { fact: 'country', says: printed.country });
  print.write(printed.dimensions, style('plain', 1.8), { x: 5, y: 48.4 }, { fact: 'dimensions' });
  print.write(printed.price, style('bold', 2.8), { x: 99, y: 49.6, anchor: 'end' }, { fact: 'price' });
  print.write(subject.maker, style('tall', 3), { x: 99, y: 54.6, anchor: 'end' });
}

interface Figures {
  [name: string]: number;
  /** Ink beyond the edge of letters. */
  swellMm: number;
  letterGapMm: number;
  strokeMm: number;
  moduleMm: number;
  barSpreadMm: number;
  /** Of the label on the box. */
  turnDegrees: number;
  leftMm: number;
  topMm: number;
  /** 0: names above the sizes; 1: the barcode beside them. */
  layout: number;
}

const stroke = (swellMm: number) => strokeOf({ face: 'bold', capHeight: 3.1, swell: swellMm });
const swollen = (p: Figures, by: number): Figures => ({
  ...p,
  swellMm: p.swellMm + by,
  strokeMm: stroke(p.swellMm + by),
});

/** The label on the end of a box. */
export const boxLabel: SpecimenKind<Figures> = {
  id: 'box-label',
  name: 'box label',
  place: 'boxLabel',
  genuine: (random) => {
    const swellMm = about(random, 0.02, 0.008);
    return {
      swellMm,
      strokeMm: stroke(swellMm),
      letterGapMm: about(random, 0.02, 0.01),
      moduleMm: 0.33,
      barSpreadMm: about(random, 0.01, 0.01),
      turnDegrees: about(random, 0, 0.35),
      leftMm: about(random, 23, 0.8),
      topMm: about(random, 30, 0.6),
      layout: random() < 0.5 ? 0 : 1,
    };
  },
  faults: [
    { id: 'heavy', says: 'print heavier by 0.08 mm a stroke', alter: (p) => swollen(p, 0.04) },
    { id: 'tight', says: 'letters closer by 0.12 mm', alter: (p) => ({ ...p, letterGapMm: p.letterGapMm - 0.12 }) },
    { id: 'crooked', says: 'label crooked by 2 degrees', alter: (p) => ({ ...p, turnDegrees: p.turnDegrees + 2 }) },
    { id: 'off-centre', says: 'label 5 mm to the left', alter: (p) => ({ ...p, leftMm: p.leftMm - 5 }) },
    {
      id: 'fat-bars',
      says: 'bars wider by a fifth of a module',
      alter: (p) => ({ ...p, barSpreadMm: p.barSpreadMm + p.moduleMm / 10 }),
    },
  ],
  draw: (p, subject) => {
    const print = startPrint('boxLabel');
    (p.layout === 0 ? banded : beside)(print, subject, p);
    const centre = `${LABEL.width / 2} ${LABEL.height / 2}`;
    const placed = (svg: string) =>
      `<g transform="translate(${p.leftMm} ${p.topMm}) rotate(${p.turnDegrees} ${centre})">${svg}</g>`;
    const middle = { x: LABEL.width / 2, y: LABEL.height / 2 };
    const moved = <T extends { box: Box }>(items: T[]): T[] =>
      turnedAbout(items, p.turnDegrees, middle, { x: p.leftMm, y: p.topMm });
    const corners = [
      { x: 0, y: 0 },
      { x: LABEL.width, y: 0 },
      { x: LABEL.width, y: LABEL.height },
      { x: 0, y: LABEL.height },
    ].map((corner) => turnedPoint(corner, p.turnDegrees, middle, { x: p.leftMm, y: p.topMm }));
    return {
      width: WIDTH,
      height: HEIGHT,
      slabs: [
        {
          outline: roundRect(-20, 4, WIDTH + 40, HEIGHT - 12, 0.8),
          material: 'board',
          lift: 6,
          paint: `${flood(WIDTH, HEIGHT, '#8f9aa0')}<rect y="${HEIGHT - 9}" width="${WIDTH}" height="1.2" fill="#7d878d"/>`,
        },
        {
          outline: roundRect(-20, -6, WIDTH + 40, 28, 0.4),
          material: 'board',
          lift: 8,
          paint: `${flood(WIDTH, HEIGHT, '#97a2a8')}<rect y="21.4" width="${WIDTH}" height=".6" fill="#a9b3b8"/>`,
        },
        {
          outline: `M${corners.map(({ x, y }) => `${x.toFixed(3)} ${y.toFixed(3)}`).join('L')}z`,
          material: 'paper',
          lift: 6.2,
          paint: flood(WIDTH, HEIGHT, '#f2f2ee') + placed(print.paint()),
        },
      ],
      facts: moved(print.facts),
      codes: moved(print.codes),
      marks: { label: { x: p.leftMm, y: p.topMm, ...LABEL } },
    };
  },
};
