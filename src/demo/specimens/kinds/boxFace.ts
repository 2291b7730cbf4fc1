import { flood, roundRect, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  widthMm: number;
  heightMm: number;
  cornerRadiusMm: number;
  /** The sign's middle, in per cent of the face's width from the left. */
  signPercent: number;
  /** By how much the two lines under it run together. */
  convergenceDegrees: number;
  hueDegrees: number;
  /** Raised print, 0 where it lies flat. */
  raisedMm: number;
}

const LEFT = 14;
const TOP = 12;

/** The lid of a box: a sign, a name, two lines. */
export const boxFace: SpecimenKind<Figures> = {
  id: 'box-face',
  name: 'box face',
  place: null,
  genuine: (random) => ({
    widthMm: about(random, 160, 0.3),
    heightMm: about(random, 104, 0.3),
    cornerRadiusMm: about(random, 2, 0.15),
    signPercent: about(random, 50, 0.25),
    convergenceDegrees: about(random, 3, 0.15),
    hueDegrees: about(random, 168, 1.5),
    raisedMm: about(random, 0.16, 0.01),
  }),
  faults: [
    { id: 'large', says: 'wider by 2 mm', alter: (p) => ({ ...p, widthMm: p.widthMm + 2 }) },
    {
      id: 'rounder',
      says: 'corners rounder by 1.5 mm',
      alter: (p) => ({ ...p, cornerRadiusMm: p.cornerRadiusMm + 1.5 }),
    },
    { id: 'aside', says: 'sign aside by 2 %', alter: (p) => ({ ...p, signPercent: p.signPercent + 2 }) },
    { id: 'parallel', says: 'lines run parallel', alter: (p) => ({ ...p, convergenceDegrees: 0 }) },
    { id: 'bluer', says: 'hue 10 degrees towards blue', alter: (p) => ({ ...p, hueDegrees: p.hueDegrees + 10 }) },
    { id: 'flat-print', says: 'print lies flat', alter: (p) => ({ ...p, raisedMm: 0 }) },
  ],
  draw: (p, { maker }) => {
    const x = LEFT + (p.widthMm * p.signPercent) / 100;
    const y = TOP + p.heightMm * 0.36;
    const level = Math.round(128 + (127 * p.raisedMm) / 0.6);
    const grey = `rgb(${level},${level},${level})`;
    // A sail over two waves.
    const sign = (fill: string) =>
      `<g transform="translate(${x} ${y})" fill="none" stroke="${fill}" stroke-width="2.2" stroke-linejoin="round"><path d="M-9 6L2-15V6z M6-8L11 6H6z"/><path d="M-16 11q5.300-4 10.600 0t10.600 0 10.600 0"/></g>`;
    const name = (colour: string) => {
      const print = startPrint('box');
      print.write(
        maker.toUpperCase(),
        { face: 'tall', capHeight: 8, gap: 2.2 },
        { x, y: TOP + p.heightMm * 0.68, anchor: 'middle' },
        { colour },
      );
      return print.paint();
    };
    const drop = 60 * Math.tan((p.convergenceDegrees * Math.PI) / 360);
    const base = TOP + p.heightMm * 0.76;
    const lines = (stroke: string) =>
      `<path d="M${x - 60} ${base}L${x + 60} ${base + 2 * drop}M${x - 60} ${base + 14}L${x + 60} ${base + 14 - 2 * drop}" stroke="${stroke}" stroke-width="1.1"/>`;
    const ink = '#e9e4d3';
    return {
      width: p.widthMm + 2 * LEFT,
      height: p.heightMm + 2 * TOP,
      slabs: [
        {
          outline: roundRect(LEFT, TOP, p.widthMm, p.heightMm, p.cornerRadiusMm),
          material: 'laminate',
          lift: 9,
          paint: `${flood(260, 200, `hsl(${p.hueDegrees} 30% 27%)`)}${sign(ink)}${name(ink)}${lines(ink)}`,
          ...(p.raisedMm > 0 ? { relief: sign(grey) + name(grey) + lines(grey) } : {}),
        },
      ],
      marks: {
        face: { x: LEFT, y: TOP, width: p.widthMm, height: p.heightMm },
        // From its upper left to its lower right, and from its lower left to its upper right.
        fallingLine: { x: x - 60, y: base, width: 120, height: 2 * drop },
        risingLine: { x: x - 60, y: base + 14 - 2 * drop, width: 120, height: 2 * drop },
      },
    };
  },
};
