import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  pitchMm: number;
  /** Width of a dot at the full end, and where it has faded to nothing. */
  fullMm: number;
  endMm: number;
  hueDegrees: number;
}

const START = 10;

/** The face of a box on which a field of dots fades out. */
export const dotFade: SpecimenKind<Figures> = {
  id: 'dot-fade',
  name: 'dot fade',
  place: null,
  genuine: (random) => ({
    pitchMm: about(random, 2, 0.01),
    fullMm: about(random, 1.7, 0.02),
    endMm: about(random, 84, 0.6),
    hueDegrees: about(random, 196, 1.5),
  }),
  faults: [
    { id: 'early', says: 'gone 8 mm too early', alter: (p) => ({ ...p, endMm: p.endMm - 8 }) },
    { id: 'small', says: 'dots smaller by 0.3 mm', alter: (p) => ({ ...p, fullMm: p.fullMm - 0.3 }) },
    { id: 'coarse', says: 'dots further apart by 0.3 mm', alter: (p) => ({ ...p, pitchMm: p.pitchMm + 0.3 }) },
  ],
  draw: (p) => {
    const columns = Math.floor(96 / p.pitchMm);
    const rows = Math.floor(60 / p.pitchMm);
    const dots = Array.from({ length: columns * rows }, (_, i) => {
      const row = Math.floor(i / columns);
      const x = START + (i % columns) * p.pitchMm + (row % 2 === 0 ? 0 : p.pitchMm / 2);
      const radius = (p.fullMm / 2) * Math.max(0, 1 - (x - START) / (p.endMm - START));
      return radius > 0.04
        ? `<circle cx="${x.toFixed(3)}" cy="${(10 + row * p.pitchMm).toFixed(3)}" r="${radius.toFixed(3)}"/>`
        : '';
    }).join('');
    return {
      width: 112,
      height: 76,
      slabs: [
        {
          outline: roundRect(4, 4, 104, 68, 0.8),
          material: 'laminate',
          lift: 4,
          paint: `${flood(112, 76, '#eef0ea')}<g fill="hsl(${p.hueDegrees} 62% 38%)">${dots}</g>`,
        },
      ],
      marks: { fade: { x: START, y: 10, width: p.endMm - START, height: 60 } },
    };
  },
};
