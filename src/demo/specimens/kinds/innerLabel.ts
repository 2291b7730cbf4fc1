import { layLetters, strokeOf } from '../letters';
import { flood, roundRect, sizesOf, startPrint, turnedAbout } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  swellMm: number;
  letterGapMm: number;
  strokeMm: number;
  turnDegrees: number;
  /** Stitches that hold it, on a cm. */
  stitchesPerCm: number;
}

const WIDTH = 64;
const HEIGHT = 78;
const INK = '#23262b';
/** Between these stands what is printed, in mm. */
const [LEFT, RIGHT] = [14, 51];

/** What does not fit on one line goes on with the next, from a comma on. */
const wrapped = (text = ''): string[] => (text.length > 24 ? text.split(/(?<=,) /) : text ? [text] : []);

/** The textile label inside the goods. */
export const innerLabel: SpecimenKind<Figures> = {
  id: 'inner-label',
  name: 'inner label',
  place: 'innerLabel',
  genuine: (random) => {
    const swellMm = about(random, 0.025, 0.008);
    return {
      swellMm,
      strokeMm: strokeOf({ face: 'plain', capHeight: 2.2, swell: swellMm }),
      letterGapMm: about(random, 0.06, 0.015),
      turnDegrees: about(random, 0, 0.8),
      stitchesPerCm: about(random, 4, 0.1),
    };
  },
  faults: [
    {
      id: 'heavy',
      says: 'print heavier by 0.1 mm a stroke',
      alter: (p) => ({ ...p, swellMm: p.swellMm + 0.05, strokeMm: p.strokeMm + 0.1 }),
    },
    {
      id: 'wide',
      says: 'letters further apart by 0.15 mm',
      alter: (p) => ({ ...p, letterGapMm: p.letterGapMm + 0.15 }),
    },
    { id: 'coarse', says: 'sewn with fewer stitches', alter: (p) => ({ ...p, stitchesPerCm: p.stitchesPerCm - 0.8 }) },
  ],
  draw: (p, { printed, maker, random }) => {
    const print = startPrint('innerLabel');
    const style = (capHeight: number, face: 'plain' | 'bold' = 'plain') => ({
      face,
      capHeight,
      swell: p.swellMm,
      gap: p.letterGapMm,
    });
    const lines: [fact: string | null, text: string | undefined, says?: string][] = [
      ['styleCode', printed.styleCode],
      ['productionWindow', printed.productionWindow],
      ['factoryCode', printed.factoryCode],
      ['serial', printed.serial],
      ['batchCode', printed.batchCode],
      ...wrapped(printed.materials).map((text, i): (typeof lines)[number] => [
        i === 0 ? 'materials' : null,
        text,
        printed.materials,
      ]),
      ['country', printed.country && `MADE IN ${printed.country.toUpperCase()}`, printed.country],
    ];
    print.write(
      maker.toUpperCase(),
      { face: 'tall', capHeight: 3.4 },
      { x: 32, y: 17, anchor: 'middle' },
      { colour: INK },
    );
    let [x, y] = [LEFT, 23.4];
    const sizes = sizesOf(printed);
    for (const { fact, head, text } of sizes) {
      const named = layLetters(head, style(1.5), { x: 0, y: 0 }).box.width + 1.1;
      const wide = named + layLetters(text, style(2.4, 'bold'), { x: 0, y: 0 }).box.width;
      if (x > LEFT && x + wide > RIGHT) [x, y] = [LEFT, y + 4.8];
      print.write(head, style(1.5), { x, y }, { colour: INK });
      print.write(text, style(2.4, 'bold'), { x: x + named, y: y + 0.3 }, { fact, colour: INK });
      x += wide + 2.4;
    }
    if (sizes.length > 0) y += 4.8;
    for (const [fact, text, says] of lines) {
      if (!text) continue;
      print.write(
        text,
        style(2.1),
        { x: LEFT, y: y + 1.2 },
        { ...(fact ? { fact } : {}), colour: INK, ...(says ? { says } : {}) },
      );
      y += 4.4;
    }
    if (printed.gtin)
      print.symbol('ean13', printed.gtin, { x: 18, y: y + 0.4, height: 7 }, 0.28, { fact: 'gtin', colour: INK });
    const pitch = 10 / p.stitchesPerCm;
    const stitches = Array.from({ length: Math.floor(40 / pitch) }, (_, i) => {
      const x = 12.4 + i * pitch + about(random, 0, 0.05);
      const top = 9.4 + about(random, 0, 0.08);
      return `<path d="M${x.toFixed(3)} ${top.toFixed(3)}h${(pitch * 0.66).toFixed(3)}" stroke-width=".55" stroke-linecap="round"/>`;
    }).join('');
    const middle = { x: WIDTH / 2, y: HEIGHT / 2 };
    const turned = `rotate(${p.turnDegrees} ${middle.x} ${middle.y})`;
    return {
      width: WIDTH,
      height: HEIGHT,
      slabs: [
        {
          outline: roundRect(0, 0, WIDTH, HEIGHT),
          material: 'canvas',
          lift: 1,
          paint: flood(WIDTH, HEIGHT, '#59636b'),
        },
        {
          outline: roundRect(10, 7, 44, HEIGHT - 15, 0.5),
          material: 'satin',
          lift: 1.5,
          paint: `${flood(WIDTH, HEIGHT, '#e9e8e2')}<g transform="${turned}">${print.paint()}</g><g stroke="#c9c8c0">${stitches}</g>`,
          relief: `<g stroke="#fff">${stitches}</g>`,
          glow: flood(WIDTH, HEIGHT, '#3d4b9c'),
        },
      ],
      facts: turnedAbout(print.facts, p.turnDegrees, middle),
      codes: turnedAbout(print.codes, p.turnDegrees, middle),
      marks: { label: { x: 10, y: 7, width: 44, height: HEIGHT - 15 } },
    };
  },
};
