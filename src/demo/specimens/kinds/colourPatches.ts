import { roundRect } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  /** Red, green, blue of the first piece, in levels of 255. */
  redLevel: number;
  greenLevel: number;
  blueLevel: number;
  /** How far the second piece has yellowed, 0 to 1. */
  yellowing: number;
}

/** Red, green and blue of both pieces. */
export const patchLevels = (p: Record<string, number>): [number, number, number][] => {
  const { redLevel = 0, greenLevel = 0, blueLevel = 0, yellowing = 0 } = p;
  return [0, yellowing].map((yellow) => [
    Math.round(redLevel - 6 * yellow),
    Math.round(greenLevel - 14 * yellow),
    Math.round(blueLevel - 60 * yellow),
  ]);
};

/** Two pieces of one material side by side, such as the soles of a pair. */
export const colourPatches: SpecimenKind<Figures> = {
  id: 'colour-patches',
  name: 'patches of colour',
  place: null,
  genuine: (random) => ({
    redLevel: about(random, 206, 2),
    greenLevel: about(random, 204, 2),
    blueLevel: about(random, 196, 2),
    yellowing: 0.05 * random(),
  }),
  faults: [
    { id: 'cream', says: 'cream in place of grey', alter: (p) => ({ ...p, blueLevel: p.blueLevel - 22 }) },
    { id: 'yellowed', says: 'one of them yellowed', alter: (p) => ({ ...p, yellowing: p.yellowing + 0.5 }) },
    {
      id: 'darker',
      says: 'darker by 12 levels',
      alter: (p) => ({ ...p, redLevel: p.redLevel - 12, greenLevel: p.greenLevel - 12, blueLevel: p.blueLevel - 12 }),
    },
  ],
  draw: (p) => {
    const [first, second] = patchLevels(p).map((levels) => `rgb(${levels.join(',')})`) as [string, string];
    const piece = (x: number, colour: string) => ({
      outline: roundRect(x, 9, 44, 46, 5),
      material: 'rubber' as const,
      lift: 5,
      paint: `<rect x="${x - 1}" y="8" width="46" height="48" fill="${colour}"/>`,
      relief: `<path d="M${x} 16h44M${x} 48h44" stroke="#5a5a5a" stroke-width="1"/>`,
    });
    return {
      width: 104,
      height: 64,
      slabs: [piece(6, first), piece(54, second)],
      marks: { first: { x: 10, y: 18, width: 36, height: 28 }, second: { x: 58, y: 18, width: 36, height: 28 } },
    };
  },
};
