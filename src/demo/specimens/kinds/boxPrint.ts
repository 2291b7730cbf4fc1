import { strokeOf } from '../letters';
import { flood, roundRect, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  digitHeightMm: number;
  strokeMm: number;
  letterGapMm: number;
  baseLineMm: number;
}

/** The dimension code that is printed on the bottom of a carton. */
export const boxPrint: SpecimenKind<Figures> = {
  id: 'box-print',
  name: 'box dimension print',
  place: 'box',
  genuine: (random) => {
    const digitHeightMm = about(random, 5.2, 0.06);
    return {
      digitHeightMm,
      strokeMm: strokeOf({ face: 'bold', capHeight: digitHeightMm, swell: 0.05 }),
      letterGapMm: about(random, 0.3, 0.04),
      baseLineMm: about(random, 27, 0.4),
    };
  },
  faults: [
    {
      id: 'small',
      says: 'digits lower by 0.5 mm',
      alter: (p) => ({
        ...p,
        digitHeightMm: p.digitHeightMm - 0.5,
        strokeMm: p.strokeMm * (1 - 0.5 / p.digitHeightMm),
      }),
    },
    { id: 'tight', says: 'letters closer by 0.2 mm', alter: (p) => ({ ...p, letterGapMm: p.letterGapMm - 0.2 }) },
  ],
  draw: (p, { printed, random }) => {
    const print = startPrint('box');
    const colour = '#3b3026';
    const style = { face: 'bold' as const, capHeight: p.digitHeightMm, swell: 0.05, gap: p.letterGapMm };
    print.write(
      printed.dimensions ?? 'B2 330x210x125',
      style,
      { x: 12, y: p.baseLineMm },
      { fact: 'dimensions', colour },
    );
    // Ink on raw board leaves out single fibres.
    const specks = Array.from({ length: 260 }, () => {
      const [x, y] = [120 * random(), 18 + 14 * random()];
      return `<path d="M${x.toFixed(2)} ${y.toFixed(2)}l${(0.5 * random()).toFixed(2)} ${(0.16 * random()).toFixed(2)}"/>`;
    }).join('');
    return {
      width: 120,
      height: 60,
      slabs: [
        {
          outline: roundRect(-4, -4, 128, 60, 1),
          material: 'kraft',
          lift: 3,
          paint: `${flood(120, 60, '#b08d63')}${print.paint()}<g stroke="#b08d63" stroke-width=".1">${specks}</g>`,
        },
      ],
      facts: print.facts,
    };
  },
};
