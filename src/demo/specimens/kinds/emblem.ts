import { flood, roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  heightMm: number;
  /** Middle of the emblem as a share of the panel's height, in per cent from above. */
  positionPercent: number;
  /** Teeth of its crown. */
  teeth: number;
  /** How much wider its right half is than its left, in per cent. */
  skewPercent: number;
}

const PANEL = { x: 10, y: 8, width: 80, height: 64 };

/** A leaf with a crown of teeth: the sign of a maker that does not exist. */
function leaf(p: Figures): string {
  const height = p.heightMm;
  const middle = { x: PANEL.x + PANEL.width / 2, y: PANEL.y + (PANEL.height * p.positionPercent) / 100 };
  const [left, right] = [0.36 * height * (1 - p.skewPercent / 200), 0.36 * height * (1 + p.skewPercent / 200)];
  const [top, shoulder, foot] = [middle.y - height / 2, middle.y - 0.16 * height, middle.y + height / 2];
  const at = (x: number, y: number) => `${(middle.x + x).toFixed(3)} ${y.toFixed(3)}`;
  const width = (left + right) / p.teeth;
  const crown = Array.from({ length: p.teeth }, (_, i) => {
    const from = -left + i * width;
    return `L${at(from + width / 2, top)}L${at(from + width, i === p.teeth - 1 ? shoulder : middle.y - 0.3 * height)}`;
  }).join('');
  return `M${at(-left, shoulder)}${crown}C${at(right * 1.15, middle.y + 0.16 * height)} ${at(right * 0.5, middle.y + 0.34 * height)} ${at(0, foot)}C${at(-left * 0.5, middle.y + 0.34 * height)} ${at(-left * 1.15, middle.y + 0.16 * height)} ${at(-left, shoulder)}z`;
}

const faults: SpecimenKind<Figures>['faults'] = [
  { id: 'small', says: 'lower by 1.5 mm', alter: (p) => ({ ...p, heightMm: p.heightMm - 1.5 }) },
  {
    id: 'high',
    says: 'placed higher by 4 % of the panel',
    alter: (p) => ({ ...p, positionPercent: p.positionPercent - 4 }),
  },
  { id: 'tooth', says: 'one tooth too few', alter: (p) => ({ ...p, teeth: p.teeth - 1 }) },
  { id: 'skewed', says: 'right half wider by 8 %', alter: (p) => ({ ...p, skewPercent: p.skewPercent + 8 }) },
];

const genuine = (random: () => number): Figures => ({
  heightMm: about(random, 32, 0.3),
  positionPercent: about(random, 50, 0.6),
  teeth: 5,
  skewPercent: about(random, 0, 0.8),
});

const marks = (p: Figures) => ({
  panel: PANEL,
  emblem: {
    x: PANEL.x + PANEL.width / 2 - 0.36 * p.heightMm,
    y: PANEL.y + (PANEL.height * p.positionPercent) / 100 - p.heightMm / 2,
    width: 0.72 * p.heightMm,
    height: p.heightMm,
  },
});

/** An emblem of thread on a panel of cloth. */
export const embroideredEmblem: SpecimenKind<Figures> = {
  id: 'emblem-embroidered',
  name: 'embroidered emblem',
  place: null,
  genuine,
  faults,
  draw: (p, { random }) => {
    const outline = leaf(p);
    const threads = Array.from({ length: 230 }, (_, i) => {
      const y = PANEL.y + i * 0.28;
      const shade = 30 + 9 * random();
      return `<path d="M0 ${y.toFixed(2)}L100 ${(y - 6 + about(random, 0, 0.3)).toFixed(2)}" stroke="hsl(8 46% ${shade.toFixed(1)}%)" stroke-width=".3"/>`;
    }).join('');
    const ridges = Array.from(
      { length: 230 },
      (_, i) =>
        `<path d="M0 ${(PANEL.y + i * 0.28).toFixed(2)}L100 ${(PANEL.y + i * 0.28 - 6).toFixed(2)}" stroke="#8c8c8c" stroke-width=".12"/>`,
    ).join('');
    return {
      width: 100,
      height: 80,
      slabs: [
        {
          outline: roundRect(PANEL.x, PANEL.y, PANEL.width, PANEL.height, 2),
          material: 'canvas',
          lift: 2,
          paint: flood(100, 80, '#c7c4b4'),
        },
        {
          outline,
          material: 'thread',
          lift: 2.9,
          paint: `${flood(100, 80, '#7c3a2e')}${threads}<path d="${outline}" fill="none" stroke="#6a2d23" stroke-width="1.5"/>`,
          relief: ridges,
        },
      ],
      marks: marks(p),
    };
  },
};

/** An emblem pressed into leather. */
export const embossedEmblem: SpecimenKind<Figures> = {
  id: 'emblem-embossed',
  name: 'embossed emblem',
  place: null,
  genuine,
  faults,
  draw: (p) => {
    const outline = leaf(p);
    return {
      width: 100,
      height: 80,
      slabs: [
        {
          outline: roundRect(PANEL.x, PANEL.y, PANEL.width, PANEL.height, 2),
          material: 'leather',
          lift: 3,
          paint: `${flood(100, 80, '#7a5a43')}<path d="${outline}" fill="#6d4f3a"/>`,
          relief: `<path d="${outline}" fill="#3a3a3a"/><path d="${outline}" fill="none" stroke="#a4a4a4" stroke-width=".8"/>`,
        },
      ],
      marks: marks(p),
    };
  },
};
