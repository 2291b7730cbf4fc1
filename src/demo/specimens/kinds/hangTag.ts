import { circle, flood, roundRect, sizesOf, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  cornerRadiusMm: number;
  /** Of the hole, from the tag's left edge. */
  holeMm: number;
  /** Turns of the coil of the chip that shows through; 0 where only its square was printed. */
  coilTurns: number;
  letterGapMm: number;
}

const TAG = { x: 16, y: 14, width: 52, height: 92 };

/** The coil of a chip under the paper, turn by turn. */
const coil = (turns: number): string =>
  Array.from({ length: turns }, (_, i) => {
    const inset = i * 1.5;
    return `<path d="${roundRect(25 + inset, 76 + inset, 34 - 2 * inset, 22 - 2 * inset, 2.4)}" fill="none" stroke-width=".7"/>`;
  }).join('');

/** A tag on a cord, with a chip under its paper. */
export const hangTag: SpecimenKind<Figures> = {
  id: 'hang-tag',
  name: 'hang tag',
  place: 'hangTag',
  genuine: (random) => ({
    cornerRadiusMm: about(random, 4, 0.1),
    holeMm: about(random, 26, 0.3),
    coilTurns: 4,
    letterGapMm: about(random, 0.03, 0.01),
  }),
  faults: [
    { id: 'paper-look-alike', says: 'a printed square in place of a chip', alter: (p) => ({ ...p, coilTurns: 0 }) },
    {
      id: 'squarer',
      says: 'corners rounder by 1 mm less',
      alter: (p) => ({ ...p, cornerRadiusMm: p.cornerRadiusMm - 1 }),
    },
    { id: 'hole-aside', says: 'hole 2 mm aside', alter: (p) => ({ ...p, holeMm: p.holeMm + 2 }) },
  ],
  draw: (p, { printed, maker }) => {
    const print = startPrint('hangTag');
    const style = (capHeight: number, face: 'plain' | 'bold' | 'serif' = 'plain') => ({
      face,
      capHeight,
      gap: p.letterGapMm,
    });
    print.write(maker, style(5, 'serif'), { x: 42, y: 38, anchor: 'middle' });
    print.write(printed.model, style(2.3, 'bold'), { x: 22, y: 46 }, { fact: 'model' });
    print.write(printed.colourName, style(2), { x: 22, y: 50.2 }, { fact: 'colourName' });
    print.write(printed.styleCode, style(2.4, 'bold'), { x: 62, y: 50.2, anchor: 'end' }, { fact: 'styleCode' });
    for (const [i, { fact, head, text }] of sizesOf(printed).slice(0, 4).entries()) {
      print.write(head, style(1.5), { x: 22 + i * 11, y: 55 });
      print.write(text, style(2.3, 'bold'), { x: 22 + i * 11, y: 58.6 }, { fact });
    }
    print.symbol('ean13', printed.gtin, { x: 27, y: 60.4, height: 9 }, 0.3, { fact: 'gtin' });
    print.write(printed.price, style(2.4, 'bold'), { x: 62, y: 104, anchor: 'end' }, { fact: 'price' });
    const hole = circle(TAG.x + p.holeMm, TAG.y + 8, 2);
    const square = roundRect(25, 76, 34, 22, 2.4);
    const shows =
      p.coilTurns > 0
        ? `<g stroke="#e2e0d8" opacity=".7">${coil(p.coilTurns)}</g>`
        : `<path d="${square}" fill="none" stroke="#d8d5cb" stroke-width=".3"/>`;
    const hx = TAG.x + p.holeMm;
    const cord = `<path d="M${hx} 22C${hx - 2} 14 ${hx - 6} 8 ${hx - 4} -4M${hx} 22C${hx + 2} 15 ${hx + 5} 9 ${hx + 7} -4" fill="none" stroke="#3a3d42" stroke-width="1.1"/>`;
    return {
      width: 84,
      height: 120,
      slabs: [
        {
          outline: roundRect(TAG.x, TAG.y, TAG.width, TAG.height, p.cornerRadiusMm),
          material: 'card',
          lift: 1,
          paint: `${flood(84, 120, '#f0eee6')}${shows}${print.paint()}<path d="${hole}" fill="#55605a"/>${cord}`,
          ...(p.coilTurns > 0 ? { relief: `<g stroke="#8f8f8f">${coil(p.coilTurns)}</g>` } : {}),
        },
        { outline: roundRect(hx - 9, -6, 20, 20.2), material: 'thread', lift: 1, paint: cord },
      ],
      facts: print.facts,
      codes: print.codes,
      marks: { tag: TAG, chip: { x: 25, y: 76, width: 34, height: 22 } },
    };
  },
};
