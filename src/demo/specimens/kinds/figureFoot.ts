import { flood, startPrint, turnedAbout } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  digitHeightMm: number;
  letterGapMm: number;
  reliefMm: number;
  turnDegrees: number;
}

const FOOT = 'M14 34c-3-12 3-23 15-25 9-1.500 15 4 23 4 8 .3 15 4 15 14 0 11-8 17-19 18-13 1-30 1-34-11z';

/** The foot of a vinyl figure, with the date code that its mould gave it. */
export const figureFoot: SpecimenKind<Figures> = {
  id: 'figure-foot',
  name: 'foot of a figure',
  place: 'foot',
  genuine: (random) => ({
    digitHeightMm: about(random, 3, 0.05),
    letterGapMm: about(random, 0.4, 0.05),
    reliefMm: about(random, 0.3, 0.02),
    turnDegrees: about(random, -4, 1.5),
  }),
  faults: [
    { id: 'flat', says: 'code stands out half as far', alter: (p) => ({ ...p, reliefMm: p.reliefMm / 2 }) },
    { id: 'tight', says: 'letters closer by 0.3 mm', alter: (p) => ({ ...p, letterGapMm: p.letterGapMm - 0.3 }) },
  ],
  draw: (p, { printed }) => {
    const print = startPrint('foot');
    const ink = startPrint('foot');
    const style = { face: 'bold' as const, capHeight: p.digitHeightMm, gap: p.letterGapMm };
    const level = Math.round(128 + (127 * p.reliefMm) / 0.6);
    const colour = `rgb(${level},${level},${level})`;
    const lines: [fact: string, text: string | undefined, y: number][] = [
      ['dateCode', printed.dateCode, 27],
      ['styleCode', printed.styleCode, 33.4],
    ];
    for (const [fact, text, y] of lines) {
      print.write(text, style, { x: 40, y, anchor: 'middle' }, { fact, colour });
      ink.write(text, style, { x: 40, y, anchor: 'middle' }, { colour: '#8c5443' });
    }
    const turned = (svg: string) => `<g transform="rotate(${p.turnDegrees} 40 28)">${svg}</g>`;
    return {
      width: 80,
      height: 58,
      slabs: [
        {
          outline: FOOT,
          material: 'vinyl',
          lift: 6,
          paint: `<defs><radialGradient id="v" cx="46%" cy="40%" r="62%"><stop offset="0" stop-color="#8f5746"/><stop offset=".8" stop-color="#854f3f"/><stop offset="1" stop-color="#5d352a"/></radialGradient></defs>${flood(80, 58, 'url(#v)')}${turned(ink.paint())}`,
          relief: `<path d="${FOOT}" fill="none" stroke="#6a6a6a" stroke-width="1.6"/>${turned(print.paint())}`,
        },
      ],
      facts: turnedAbout(print.facts, p.turnDegrees, { x: 40, y: 28 }),
    };
  },
};
