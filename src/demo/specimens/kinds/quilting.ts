import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  /** From one row to the next, across the row. */
  pitchMm: number;
  /** Between the two sets of rows. */
  angleDegrees: number;
  depthMm: number;
}

const MIDDLE = { x: 50, y: 38 };

function rows(pitchMm: number, degrees: number, draw: (y: number) => string): string {
  const lines = Array.from({ length: 41 }, (_, i) => draw((i - 20) * pitchMm)).join('');
  return `<g transform="translate(${MIDDLE.x} ${MIDDLE.y}) rotate(${degrees})">${lines}</g>`;
}

/** A way of 52 mm through the middle, upright to rows that fall by so many degrees. */
function acrossRows(degrees: number) {
  const [dx, dy] = [26 * Math.sin((degrees * Math.PI) / 180), 26 * Math.cos((degrees * Math.PI) / 180)];
  return { x: MIDDLE.x - dx, y: MIDDLE.y - dy, width: 2 * dx, height: 2 * dy };
}

/** Quilted lining: two sets of seams that cross. */
export const quilting: SpecimenKind<Figures> = {
  id: 'quilting',
  name: 'quilting',
  place: null,
  genuine: (random) => ({
    pitchMm: about(random, 6.5, 0.06),
    angleDegrees: about(random, 84, 0.8),
    depthMm: about(random, 0.3, 0.02),
  }),
  faults: [
    { id: 'wide', says: 'rows further apart by 0.6 mm', alter: (p) => ({ ...p, pitchMm: p.pitchMm + 0.6 }) },
    { id: 'slanted', says: 'rows cross at 5 degrees less', alter: (p) => ({ ...p, angleDegrees: p.angleDegrees - 5 }) },
    { id: 'flat', says: 'a third as deep', alter: (p) => ({ ...p, depthMm: p.depthMm / 3 }) },
  ],
  draw: (p) => {
    const level = Math.round(128 - (127 * p.depthMm) / 0.6);
    const soft = (y: number) =>
      [3, 2.2, 1.5, 0.9, 0.4]
        .map((width, i) => {
          const step = Math.round(128 + ((level - 128) * (i + 1)) / 5);
          return `<path d="M-80 ${y}h160" stroke="rgb(${step},${step},${step})" stroke-width="${width}"/>`;
        })
        .join('');
    const stitched = (y: number) =>
      `<path d="M-80 ${y}h160" stroke="#30404a" stroke-width=".34" stroke-dasharray="1.7 .7"/>`;
    const both = (draw: (y: number) => string) =>
      rows(p.pitchMm, p.angleDegrees / 2, draw) + rows(p.pitchMm, -p.angleDegrees / 2, draw);
    return {
      width: 100,
      height: 76,
      slabs: [
        {
          outline: roundRect(8, 7, 84, 62, 3),
          material: 'satin',
          lift: 3,
          paint: flood(100, 76, '#56707e') + both(stitched),
          relief: both(soft),
        },
      ],
      // Across the rows of one set, from its upper end on.
      marks: { acrossRows: acrossRows(p.angleDegrees / 2) },
    };
  },
};
