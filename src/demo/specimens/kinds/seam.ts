import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  pitchMm: number;
  /** Standard deviation of the distances, in per cent of the pitch. */
  scatterPercent: number;
  stitches: number;
  missing: number;
  /** How far the seam runs from the edge of the panel. */
  fromEdgeMm: number;
}

const START = 12;
const LENGTH = 76;

const ofPitch = (p: Figures, pitchMm: number): Figures => ({ ...p, pitchMm, stitches: Math.floor(LENGTH / pitchMm) });

/** A sewn seam along the edge of a panel. */
export const seam: SpecimenKind<Figures> = {
  id: 'seam',
  name: 'stitched seam',
  place: null,
  genuine: (random) => {
    const pitchMm = about(random, 2.45, 0.03);
    return {
      pitchMm,
      scatterPercent: about(random, 3, 0.6),
      stitches: Math.floor(LENGTH / pitchMm),
      missing: 0,
      fromEdgeMm: about(random, 2.2, 0.1),
    };
  },
  faults: [
    { id: 'coarse', says: 'stitches longer by 0.35 mm', alter: (p) => ofPitch(p, p.pitchMm + 0.35) },
    { id: 'uneven', says: 'distances that scatter by 12 %', alter: (p) => ({ ...p, scatterPercent: 12 }) },
    { id: 'gap', says: 'one stitch left out', alter: (p) => ({ ...p, missing: 1 }) },
    { id: 'near-edge', says: 'nearer to the edge by 0.8 mm', alter: (p) => ({ ...p, fromEdgeMm: p.fromEdgeMm - 0.8 }) },
  ],
  draw: (p, { random }) => {
    const edge = 30;
    const y = edge - p.fromEdgeMm;
    const left = p.missing > 0 ? 4 + Math.floor(random() * (p.stitches - 8)) : -1;
    // The sum of three even draws has a deviation of half its range.
    const wander = () => ((2 * (random() + random() + random()) - 3) * p.scatterPercent * p.pitchMm) / 100 / Math.SQRT2;
    const stitches = Array.from({ length: p.stitches }, (_, i) => {
      const x = START + i * p.pitchMm + wander();
      const tilt = about(random, 0.12, 0.06);
      return i === left
        ? ''
        : `<path d="M${x.toFixed(3)} ${(y + tilt).toFixed(3)}L${(x + 0.58 * p.pitchMm).toFixed(3)} ${(y - tilt).toFixed(3)}"/>`;
    }).join('');
    const holes = Array.from(
      { length: p.stitches + 1 },
      (_, i) => `<circle cx="${(START + (i - 0.2) * p.pitchMm).toFixed(3)}" cy="${y}" r=".3"/>`,
    ).join('');
    return {
      width: 100,
      height: 52,
      slabs: [
        { outline: roundRect(-4, -4, 108, 60), material: 'leather', lift: 2, paint: flood(100, 52, '#6c7b74') },
        {
          outline: roundRect(-4, -4, 108, 4 + edge),
          material: 'leather',
          lift: 3.4,
          paint: `${flood(100, 52, '#8a9a91')}<rect y="${edge - 0.5}" width="100" height=".5" fill="#5c6a63"/><g fill="#46524c">${holes}</g><g stroke="#e8e3d2" stroke-width=".62" stroke-linecap="round">${stitches}</g>`,
          relief: `<path d="M0 ${y}h100" stroke="#5c5c5c" stroke-width="1.3"/><g stroke="#d8d8d8" stroke-width=".7" stroke-linecap="round">${stitches}</g>`,
        },
      ],
      marks: { seam: { x: START, y: y - 0.5, width: p.stitches * p.pitchMm, height: 1 } },
    };
  },
};
