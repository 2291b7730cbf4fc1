import { flood, roundRect, startPrint } from '../print';
import { about, type SpecimenKind } from '../specimenKind';

interface Figures {
  [name: string]: number;
  /** Of the foil patch. */
  foilWidthMm: number;
  foilAtMm: number;
  /** Gratings of the foil: 0 where it is only printed. */
  gratings: number;
  /** Width of the fine lines, and how many of them cross. */
  lineMm: number;
  lines: number;
  turnDegrees: number;
}

const STRIP = { x: 6, y: 13, width: 124, height: 22 };

/** Fine lines that swing about each other. */
function guilloche(lines: number, lineMm: number): string {
  const curve = (phase: number) =>
    Array.from({ length: 121 }, (_, i) => {
      const x = 8 + i;
      const y = 24 + 6.2 * Math.sin(x / 7 + phase) * Math.cos(x / 19 + phase / 2);
      return `${i === 0 ? 'M' : 'L'}${x} ${y.toFixed(3)}`;
    }).join('');
  return Array.from(
    { length: lines },
    (_, i) => `<path d="${curve((i * Math.PI) / lines)}" fill="none" stroke-width="${lineMm}"/>`,
  ).join('');
}

/** A tax strip over the neck of a bottle: fine lines, a patch of foil, a number of its own. */
export const taxStrip: SpecimenKind<Figures> = {
  id: 'tax-strip',
  name: 'tax strip',
  place: 'strip',
  genuine: (random) => ({
    foilWidthMm: about(random, 18, 0.15),
    foilAtMm: about(random, 86, 0.4),
    gratings: 6,
    lineMm: about(random, 0.12, 0.006),
    lines: 9,
    turnDegrees: about(random, 0, 0.7),
  }),
  faults: [
    { id: 'ink-foil', says: 'foil is only printed', alter: (p) => ({ ...p, gratings: 0 }) },
    { id: 'coarse', says: 'fine lines twice as wide', alter: (p) => ({ ...p, lineMm: 2 * p.lineMm, lines: 6 }) },
    { id: 'narrow-foil', says: 'foil narrower by 2 mm', alter: (p) => ({ ...p, foilWidthMm: p.foilWidthMm - 2 }) },
  ],
  draw: (p, { printed }) => {
    const print = startPrint('strip');
    print.write('DUTY PAID', { face: 'serif', capHeight: 2.6, gap: 0.5 }, { x: 14, y: 20.6 }, { colour: '#2f4a3d' });
    print.write(
      printed.securityCode ?? '004 719 382',
      { face: 'typed', capHeight: 2.8, gap: 0.2, swell: 0.08 },
      { x: 14, y: 31.4 },
      { fact: 'securityCode', colour: '#9c2f2b' },
    );
    const patch = roundRect(p.foilAtMm, 15.6, p.foilWidthMm, 16.8, 1.2);
    const width = p.foilWidthMm / Math.max(1, p.gratings);
    const grating = Array.from(
      { length: p.gratings },
      (_, i) =>
        `<rect x="${p.foilAtMm + i * width}" y="14" width="${width}" height="20" fill="hsl(${i * 60} 78% 62%)"/>`,
    ).join('');
    const star = `<path d="M${p.foilAtMm + p.foilWidthMm / 2} 18.4l1.600 4 4.200.2-3.300 2.600 1.100 4.100-3.600-2.300-3.600 2.300 1.100-4.100-3.300-2.600 4.200-.2z" fill="#fff"/>`;
    const turned = (svg: string) => `<g transform="rotate(${p.turnDegrees} 68 24)">${svg}</g>`;
    const foil =
      p.gratings > 0
        ? `<clipPath id="patch"><path d="${patch}"/></clipPath>${turned(`<g clip-path="url(#patch)">${grating}${star}</g>`)}`
        : undefined;
    return {
      width: 136,
      height: 48,
      slabs: [
        { outline: roundRect(-4, -4, 144, 56), material: 'laminate', lift: 2, paint: flood(136, 48, '#4b2e22') },
        {
          outline: roundRect(STRIP.x, STRIP.y, STRIP.width, STRIP.height, 0.6),
          material: 'paper',
          lift: 2.1,
          paint: `${flood(136, 48, '#e6ebdf')}${turned(`<g stroke="#5f8f76">${guilloche(p.lines, p.lineMm)}</g><path d="${patch}" fill="#b9bdbb"/>${print.paint()}`)}`,
          ...(foil ? { foil } : {}),
          glow: turned(`<g stroke="#d9e85a">${guilloche(3, 0.3)}</g>`),
        },
      ],
      facts: print.facts,
      marks: { strip: STRIP, foil: { x: p.foilAtMm, y: 15.6, width: p.foilWidthMm, height: 16.8 } },
    };
  },
};
