import { layLetters, strokeOf } from '../letters';
import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  capHeightMm: number;
  strokeMm: number;
  swellMm: number;
  letterGapMm: number;
  /** The smallest distance between two letters' edges, in per cent of the letter height: worked out from the drawing. */
  smallestGapPercent: number;
}

const style = (p: Pick<Figures, 'capHeightMm' | 'swellMm' | 'letterGapMm'>) => ({
  face: 'bold' as const,
  capHeight: p.capHeightMm,
  swell: p.swellMm,
  gap: p.letterGapMm,
});

function figures(capHeightMm: number, swellMm: number, letterGapMm: number, word = 'VESKARN'): Figures {
  const p = { capHeightMm, swellMm, letterGapMm };
  const { letters } = layLetters(word, style(p), { x: 0, y: 0 });
  const gaps = letters.slice(1).map(({ box }, i) => {
    const before = letters[i]?.box;
    return before ? box.x - before.x - before.width : Number.POSITIVE_INFINITY;
  });
  return { ...p, strokeMm: strokeOf(style(p)), smallestGapPercent: (100 * Math.min(...gaps)) / capHeightMm };
}

/** Raised letters on a rubber sole. */
export const soleLetters: SpecimenKind<Figures> = {
  id: 'sole-letters',
  name: 'letters on a sole',
  place: null,
  genuine: (random) => figures(about(random, 9, 0.08), about(random, 0.12, 0.02), about(random, 0.9, 0.05)),
  faults: [
    {
      id: 'touching',
      says: 'letters closer by 1 mm',
      alter: (p) => figures(p.capHeightMm, p.swellMm, p.letterGapMm - 1),
    },
    {
      id: 'heavy',
      says: 'strokes wider by 0.3 mm',
      alter: (p) => figures(p.capHeightMm, p.swellMm + 0.15, p.letterGapMm),
    },
    { id: 'low', says: 'lower by 0.8 mm', alter: (p) => figures(p.capHeightMm - 0.8, p.swellMm, p.letterGapMm) },
  ],
  draw: (p) => {
    const line = layLetters('VESKARN', style(p), { x: 50, y: 34, anchor: 'middle' });
    const bars = Array.from(
      { length: 14 },
      (_, i) => `<path d="M${-4 + i * 8} 58l6-10h3l-6 10z"/><path d="M${-4 + i * 8} 2l6 10h3l-6-10z"/>`,
    ).join('');
    const letters = (fill: string) =>
      `<path d="${line.path}" fill="${fill}" stroke="${fill}" stroke-width="${2 * p.swellMm}" stroke-linejoin="round"/>`;
    return {
      width: 100,
      height: 60,
      slabs: [
        {
          outline: roundRect(-4, -4, 108, 68),
          material: 'rubber',
          lift: 3,
          paint: `${flood(100, 60, '#cfc8b4')}<g fill="#c4bda8">${bars}</g>${letters('#bdb59f')}`,
          relief: `<g fill="#d0d0d0">${bars}</g>${letters('#f0f0f0')}`,
        },
      ],
      marks: { word: line.box },
    };
  },
};
