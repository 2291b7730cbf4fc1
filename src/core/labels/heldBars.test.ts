import { describe, expect, it } from 'vitest';
import { eanBars } from '../codes/eanBars';
import { barFields } from '../imaging/barField';
import type { Grey } from '../imaging/grey';
import { holdBars } from './heldBars';

const RELEASE = ['9521204100064', '9521204100088', '9521204100095', '9521204100132'];

interface Sight {
  /** By so much the far end of the bars is smaller than the near one. */
  aslant?: number;
  /** Blur, in modules. */
  blur?: number;
  /** Columns from the bars to the edge of the label. */
  edge?: number;
  upsideDown?: boolean;
}

/** Bars on a light label on a dark ground, as a lens throws them that stands at their side. */
function picture(digits: string, { aslant = 0, blur = 1, edge = 70, upsideDown = false }: Sight): Grey {
  const [width, height, from, module] = [900, 300, 240, 4];
  const bars = eanBars(digits);
  // Of a plane seen aslant: equal steps on the label come out ever shorter.
  const length = 95 * module;
  const place = (x: number) => ((x - from) * (1 - aslant)) / (1 - (aslant * (x - from)) / length) / module;
  const sharp = Float64Array.from({ length: width }, (_, x) => {
    if (x < from - edge || x > from + length + edge) return 60;
    const at = Array.from({ length: 8 }, (__, i) => bars[Math.floor(place(x + (i + 0.5) / 8))] === true);
    return 225 - (180 * at.filter(Boolean).length) / 8;
  });
  const sigma = blur * module;
  const row = sharp.map((_, x) => {
    let [sum, weights] = [0, 0];
    for (let k = -Math.ceil(3 * sigma); k <= 3 * sigma; k++) {
      const weight = Math.exp(-(k * k) / (2 * sigma * sigma));
      sum += weight * (sharp[Math.max(0, Math.min(width - 1, x + k))] as number);
      weights += weight;
    }
    return sum / weights;
  });
  const across = upsideDown ? row.toReversed() : row;
  const data = new Uint8ClampedArray(width * height).fill(60);
  for (let y = 90; y < 210; y++) data.set(across, y * width);
  return { width, height, data };
}

const told = (digits: string, sight: Sight, numbers = RELEASE): string[] =>
  barFields(picture(digits, sight)).flatMap((field) => holdBars(field, numbers)?.digits ?? []);

describe('bars too blurred to be decoded, held against the numbers of a release', () => {
  it.each<[string, Sight]>([
    ['by a whole module', {}],
    ['seen aslant: their modules grow narrower', { aslant: 0.06 }],
    ['seen aslant from the other side', { aslant: -0.06 }],
    ['as near to the edge of their label as the standard allows', { edge: 28 }],
    ['far from an edge that runs along them', { edge: 150 }],
    ['on their head, and aslant', { upsideDown: true, aslant: 0.04 }],
  ])('%s', (_, sight) => {
    for (const digits of RELEASE) expect(new Set(told(digits, sight))).toEqual(new Set([digits]));
  });

  it.each<[string, Sight]>([
    ['straight', {}],
    ['aslant', { aslant: 0.06 }],
    ['near an edge', { edge: 28 }],
  ])('a sibling of theirs that the release has not fits none of them: %s', (_, sight) => {
    for (const digits of ['9521204100071', '9521204100057', '9521204100101', '9521204101092'])
      expect(told(digits, sight)).toEqual([]);
  });

  it('tell nothing where they are blurred beyond telling', () => {
    expect(told('9521204100064', { blur: 3.5 })).toEqual([]);
  });
});
