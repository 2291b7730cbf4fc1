import { circle, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  diameterMm: number;
  digitHeightMm: number;
  letterGapMm: number;
  /** Of an engraving; 0 where the code is printed. */
  depthMm: number;
}

const WIDTH = 72;
const HEIGHT = 58;
const MIDDLE = { x: WIDTH / 2, y: HEIGHT / 2 };

/** Thick glass seen from below: rings that gather and throw back what is around it. */
const glass = (radius: number): string => `
  <defs><radialGradient id="g" cx="50%" cy="46%" r="52%">
    <stop offset="0" stop-color="#d9dfd6"/><stop offset=".62" stop-color="#c3cdc4"/><stop offset=".76" stop-color="#8d9c95"/>
    <stop offset=".84" stop-color="#dfe6df"/><stop offset=".93" stop-color="#6f807a"/><stop offset="1" stop-color="#a9b7b0"/>
  </radialGradient></defs>
  <path d="${circle(MIDDLE.x, MIDDLE.y, radius)}" fill="url(#g)"/>
  <path d="M${MIDDLE.x - radius * 0.7} ${MIDDLE.y - radius * 0.34}a${radius * 0.78} ${radius * 0.78} 0 0 1 ${radius * 0.52} ${-radius * 0.42}" fill="none" stroke="#f7faf6" stroke-width="1.3" stroke-linecap="round" opacity=".8"/>
  <path d="M${MIDDLE.x + radius * 0.52} ${MIDDLE.y + radius * 0.6}a${radius * 0.8} ${radius * 0.8} 0 0 1 ${-radius * 0.4} ${radius * 0.2}" fill="none" stroke="#f7faf6" stroke-width=".7" stroke-linecap="round" opacity=".6"/>`;

const base = (id: string, name: string, depthMm: number): SpecimenKind<Figures> => ({
  id,
  name,
  place: 'bottleBase',
  genuine: (random) => ({
    diameterMm: about(random, 46, 0.2),
    digitHeightMm: about(random, 2.6, 0.04),
    letterGapMm: about(random, 0.35, 0.04),
    depthMm: depthMm === 0 ? 0 : about(random, depthMm, 0.02),
  }),
  faults: [
    { id: 'high', says: 'code higher by 0.5 mm', alter: (p) => ({ ...p, digitHeightMm: p.digitHeightMm + 0.5 }) },
    {
      id: 'wide',
      says: 'letters further apart by 0.25 mm',
      alter: (p) => ({ ...p, letterGapMm: p.letterGapMm + 0.25 }),
    },
    ...(depthMm > 0
      ? [{ id: 'shallow', says: 'engraved half as deep', alter: (p: Figures) => ({ ...p, depthMm: p.depthMm / 2 }) }]
      : []),
  ],
  draw: (p, { printed }) => {
    const radius = p.diameterMm / 2;
    const print = startPrint('bottleBase');
    const relief = startPrint('bottleBase');
    const style = { face: 'typed' as const, capHeight: p.digitHeightMm, gap: p.letterGapMm, swell: 0.09 };
    const at = { x: MIDDLE.x, y: MIDDLE.y + 1, anchor: 'middle' as const };
    const level = Math.round(128 - (127 * p.depthMm) / 0.6);
    print.write(printed.batchCode, style, at, { fact: 'batchCode', colour: p.depthMm > 0 ? '#b9c4bb' : '#33383a' });
    relief.write(printed.batchCode, style, at, { colour: `rgb(${level},${level},${level})` });
    return {
      width: WIDTH,
      height: HEIGHT,
      slabs: [
        {
          outline: circle(MIDDLE.x, MIDDLE.y, radius),
          material: 'glass',
          lift: 4,
          paint: glass(radius) + print.paint(),
          relief: `<path d="${circle(MIDDLE.x, MIDDLE.y, radius * 0.83)}" fill="none" stroke="#b4b4b4" stroke-width="1.6"/>${p.depthMm > 0 ? relief.paint() : ''}`,
        },
      ],
      facts: print.facts,
      marks: { base: { x: MIDDLE.x - radius, y: MIDDLE.y - radius, width: p.diameterMm, height: p.diameterMm } },
    };
  },
});

/** The bottom of a bottle with its batch code in ink. */
export const printedBase = base('bottle-base-printed', 'bottle base, printed code', 0);
/** The bottom of a bottle with its batch code cut into the glass. */
export const engravedBase = base('bottle-base-engraved', 'bottle base, engraved code', 0.22);
