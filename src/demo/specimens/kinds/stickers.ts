import { circle, flood, roundRect, sizesOf, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface SizeFigures {
  [name: string]: number;
  diameterMm: number;
  digitHeightMm: number;
  moduleMm: number;
}

/** The round sticker with the size, on a box of one colour. */
export const sizeSticker: SpecimenKind<SizeFigures> = {
  id: 'size-sticker',
  name: 'size sticker',
  place: 'boxLabel',
  genuine: (random) => ({ diameterMm: about(random, 38, 0.15), digitHeightMm: about(random, 6, 0.05), moduleMm: 0.26 }),
  faults: [
    { id: 'large', says: 'larger by 1 mm', alter: (p) => ({ ...p, diameterMm: p.diameterMm + 1 }) },
    {
      id: 'small-digits',
      says: 'digits lower by 0.6 mm',
      alter: (p) => ({ ...p, digitHeightMm: p.digitHeightMm - 0.6 }),
    },
  ],
  draw: (p, { printed }) => {
    const print = startPrint('boxLabel');
    const [size] = sizesOf(printed)
      .filter(({ fact }) => fact === 'size.eu')
      .concat(sizesOf(printed));
    print.write(size?.head, { face: 'plain', capHeight: 2 }, { x: 35, y: 18, anchor: 'middle' });
    const fact = size ? { fact: size.fact } : {};
    print.write(
      size?.text ?? printed.size,
      { face: 'tall', capHeight: p.digitHeightMm },
      { x: 35, y: 27, anchor: 'middle' },
      fact,
    );
    print.symbol('ean13', printed.gtin, { x: 35 - 47.5 * p.moduleMm, y: 29, height: 7 }, p.moduleMm, { fact: 'gtin' });
    const outline = circle(35, 26.5, p.diameterMm / 2);
    return {
      width: 70,
      height: 53,
      slabs: [
        { outline: roundRect(0, 0, 70, 53), material: 'laminate', lift: 1, paint: flood(70, 53, '#3f5f57') },
        { outline, material: 'paper', lift: 1.1, paint: flood(70, 53, '#f4f3ee') + print.paint() },
      ],
      facts: print.facts,
      codes: print.codes,
      marks: {
        sticker: { x: 35 - p.diameterMm / 2, y: 26.5 - p.diameterMm / 2, width: p.diameterMm, height: p.diameterMm },
      },
    };
  },
};

interface QualityFigures {
  [name: string]: number;
  linesDegrees: number;
  linePitchMm: number;
  /** How far the faint lines run past the edge. */
  pastEdgeMm: number;
  hueDegrees: number;
}

/** The small sticker of whoever looked last, on the paper inside the box: faint slanted lines run under it. */
export const qualitySticker: SpecimenKind<QualityFigures> = {
  id: 'quality-sticker',
  name: 'quality sticker',
  place: null,
  genuine: (random) => ({
    linesDegrees: about(random, 38, 0.4),
    linePitchMm: about(random, 1.4, 0.02),
    pastEdgeMm: 0,
    hueDegrees: about(random, 158, 2),
  }),
  faults: [
    { id: 'past-edge', says: 'lines run past its edge', alter: (p) => ({ ...p, pastEdgeMm: 2.4 }) },
    { id: 'steeper', says: 'lines steeper by 6 degrees', alter: (p) => ({ ...p, linesDegrees: p.linesDegrees + 6 }) },
    { id: 'bluer', says: 'hue 14 degrees towards blue', alter: (p) => ({ ...p, hueDegrees: p.hueDegrees + 14 }) },
  ],
  draw: (p, { random }) => {
    const print = startPrint('quality');
    const ink = `hsl(${p.hueDegrees} 55% 34%)`;
    print.write(
      'CHECKED',
      { face: 'tall', capHeight: 3.2, gap: 0.25 },
      { x: 30, y: 21, anchor: 'middle' },
      { colour: ink },
    );
    print.write(
      String(10 + Math.floor(80 * random())),
      { face: 'bold', capHeight: 5.4 },
      { x: 30, y: 30, anchor: 'middle' },
      { colour: ink },
    );
    const lines = Array.from({ length: 60 }, (_, i) => `<path d="M${(i - 30) * p.linePitchMm} -60v120"/>`).join('');
    const ruled = `<g transform="translate(30 23) rotate(${90 - p.linesDegrees})" stroke="hsl(${p.hueDegrees} 30% 62%)" stroke-width=".16">${lines}</g>`;
    const edge = roundRect(13, 12, 34, 22, 4);
    const under = roundRect(13 - p.pastEdgeMm, 12 - p.pastEdgeMm, 34 + 2 * p.pastEdgeMm, 22 + 2 * p.pastEdgeMm, 4);
    return {
      width: 60,
      height: 46,
      slabs: [
        {
          outline: roundRect(0, 0, 60, 46),
          material: 'paper',
          lift: 1,
          paint: `${flood(60, 46, '#dcd8cc')}<clipPath id="under"><path d="${under}"/></clipPath><g clip-path="url(#under)">${ruled}</g>`,
        },
        {
          outline: edge,
          material: 'laminate',
          lift: 1.05,
          paint: `${flood(60, 46, '#f3f4ee')}${ruled}<path d="${edge}" fill="none" stroke="${ink}" stroke-width="1.2"/>${print.paint()}`,
          glow: `<path d="${edge}" fill="none" stroke="#7ef0b0" stroke-width="1.2"/>`,
        },
      ],
      marks: { sticker: { x: 13, y: 12, width: 34, height: 22 } },
    };
  },
};
