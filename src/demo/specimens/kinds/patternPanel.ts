import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  /** Share of the panel that ink covers, in per cent: worked out from the drawing. */
  coveredPercent: number;
  /** Mean width of a fleck. */
  fleckMm: number;
  /** Mean distance from one fleck to the next. */
  pitchMm: number;
}

const PANEL = { x: 14, y: 12, width: 72, height: 56 };

/** The share covered by flecks of that width in a lattice of that pitch, each of them stretched as drawn below. */
const covered = (fleckMm: number, pitchMm: number): number =>
  (100 * Math.PI * (fleckMm / 2) ** 2 * STRETCH) / (pitchMm * pitchMm);

const STRETCH = 1.45;

const of = (fleckMm: number, pitchMm: number): Figures => ({
  fleckMm,
  pitchMm,
  coveredPercent: covered(fleckMm, pitchMm),
});

/** A panel of the upper with an irregular print. */
export const patternPanel: SpecimenKind<Figures> = {
  id: 'pattern-panel',
  name: 'printed panel',
  place: null,
  genuine: (random) => of(about(random, 1.5, 0.03), about(random, 3.4, 0.04)),
  faults: [
    { id: 'denser', says: 'flecks closer by 0.4 mm', alter: (p) => of(p.fleckMm, p.pitchMm - 0.4) },
    { id: 'larger', says: 'flecks wider by 0.25 mm', alter: (p) => of(p.fleckMm + 0.25, p.pitchMm) },
    { id: 'sparser', says: 'flecks further apart by 0.5 mm', alter: (p) => of(p.fleckMm, p.pitchMm + 0.5) },
  ],
  draw: (p, { random }) => {
    const [columns, rows] = [Math.ceil(PANEL.width / p.pitchMm) + 2, Math.ceil(PANEL.height / p.pitchMm) + 2];
    const flecks = Array.from({ length: columns * rows }, (_, i) => {
      const x = PANEL.x + ((i % columns) - 0.5) * p.pitchMm + about(random, 0, 0.24 * p.pitchMm);
      const y = PANEL.y + (Math.floor(i / columns) - 0.5) * p.pitchMm + about(random, 0, 0.24 * p.pitchMm);
      const half = (p.fleckMm / 2) * Math.sqrt(STRETCH);
      const longer = about(random, Math.sqrt(STRETCH), 0.15);
      return `<ellipse cx="${x.toFixed(3)}" cy="${y.toFixed(3)}" rx="${((half * longer) / Math.sqrt(STRETCH)).toFixed(3)}" ry="${((half * Math.sqrt(STRETCH)) / longer).toFixed(3)}" transform="rotate(${(360 * random()).toFixed(0)} ${x.toFixed(3)} ${y.toFixed(3)})"/>`;
    }).join('');
    return {
      width: 100,
      height: 80,
      slabs: [
        {
          outline: roundRect(0, 0, 100, 80),
          material: 'leather',
          lift: 2,
          paint: flood(100, 80, '#d8d3c6'),
          relief: `<path d="${roundRect(PANEL.x, PANEL.y, PANEL.width, PANEL.height, 6)}" fill="none" stroke="#585858" stroke-width="1"/>`,
        },
        {
          outline: roundRect(PANEL.x, PANEL.y, PANEL.width, PANEL.height, 6),
          material: 'canvas',
          lift: 2.3,
          paint: `${flood(100, 80, '#e3dcc9')}<g fill="#41525e">${flecks}</g>`,
        },
      ],
      marks: { panel: PANEL },
    };
  },
};
