import { describe, expect, it } from 'vitest';
import { labelContext } from '@/demo/testing/labels';
import { homographyOf, mapped, type Quad, rectangle } from '../measure/homography';
import { factsIn } from './factsIn';
import { byLayout, layoutOf, withLayout } from './labelLayout';
import type { SeenWord } from './readPrint';
import type { SeenLabel } from './seenLabel';

/** A label of 80 by 50 mm as it lies in a picture, a little tilted. */
const corners: Quad = [
  { x: 110, y: 90 },
  { x: 900, y: 130 },
  { x: 880, y: 640 },
  { x: 90, y: 580 },
];
const onPicture = (quad: Quad) => {
  const map = homographyOf(rectangle(0, 0, 80, 50), quad) ?? expect.fail();
  return (x: number, y: number, width: number, height: number): Quad =>
    rectangle(x, y, width, height).map((corner) => mapped(map, corner)) as Quad;
};
const printed: [fact: string, text: string, x: number, y: number, width: number][] = [
  ['styleCode', 'VK4821-107', 4, 5, 30],
  ['labelSuffix', 'EU', 60, 5, 8],
  ['factoryCode', 'QE2', 60, 40, 10],
];

/** The same label in another picture, with other words around. */
function seen(quad: Quad, texts: typeof printed): SeenLabel {
  const at = onPicture(quad);
  const word = ([, text, x, y, width]: (typeof printed)[number]): SeenWord => ({
    text,
    confidence: 0.95,
    corners: at(x, y, width, 4),
    span: [x, x + width],
  });
  return { corners: quad, symbols: [], bars: [], lines: texts.map((each) => [[word(each)]]) };
}
const taught = layoutOf(
  'boxLabel',
  corners,
  printed.map(([fact, , x, y, width]) => ({ fact, corners: onPicture(corners)(x, y, width, 4) })),
);
const turned: Quad = [corners[2], corners[3], corners[0], corners[1]];

describe('a layout', () => {
  it('is what was confirmed, as shares of the label', () => {
    expect(taught?.boxes[0]).toEqual({ fact: 'styleCode', left: 0.05, top: 0.1, right: 0.425, bottom: 0.18 });
    expect(taught?.place).toBe('boxLabel');
  });

  it('finds the same facts on another picture of such a label, whichever way it lies', () => {
    const other: Quad = [
      { x: 300, y: 60 },
      { x: 640, y: 80 },
      { x: 630, y: 300 },
      { x: 290, y: 270 },
    ];
    for (const quad of [corners, other, turned]) {
      const texts = printed.map(([fact, , x, y, width]): (typeof printed)[number] => [
        fact,
        `new ${fact}`,
        x,
        y,
        width,
      ]);
      const read = byLayout(seen(quad, [...texts, ['', 'elsewhere', 30, 25, 20]]), 'boxLabel', taught ? [taught] : []);
      expect(read.map(({ fact, words }) => `${fact}: ${words.map(({ text }) => text).join(' ')}`)).toEqual(
        printed.map(([fact]) => `${fact}: new ${fact}`),
      );
    }
  });

  it('says nothing of a label of another shape, another place, or with print elsewhere', () => {
    const layouts = taught ? [taught] : [];
    const square: Quad = rectangle(100, 100, 400, 400);
    expect(byLayout(seen(square, printed), 'boxLabel', layouts)).toEqual([]);
    expect(byLayout(seen(corners, printed), 'innerLabel', layouts)).toEqual([]);
    expect(byLayout(seen(corners, [['', 'elsewhere', 30, 25, 20]]), 'boxLabel', layouts)).toEqual([]);
  });

  it('is none of what has no place of its own, or of a single fact', () => {
    const at = onPicture(corners);
    const whole = { fact: 'country', corners };
    expect(layoutOf('boxLabel', corners, [whole, { fact: 'styleCode', corners: at(4, 5, 30, 4) }])).toBeNull();
    const beside = { fact: 'country', corners: at(90, 5, 30, 4) };
    expect(layoutOf('boxLabel', corners, [beside, { fact: 'styleCode', corners: at(4, 5, 30, 4) }])).toBeNull();
  });

  it('takes the place of the one that was taught before, and stands beside that of another label', () => {
    const one = taught ?? expect.fail();
    const again = { ...one, aspect: one.aspect * 1.03 };
    const other = { ...one, aspect: one.aspect * 2 };
    expect(withLayout([one], again)).toEqual([again]);
    expect(withLayout([one], other)).toEqual([one, other]);
    expect(withLayout([one], { ...one, place: 'innerLabel' })).toHaveLength(2);
  });

  it('places what no rule of print would', () => {
    const context = labelContext({}, '42');
    const label = seen(corners, [
      ['styleCode', 'VK4821-107', 4, 5, 30],
      ['labelSuffix', 'NQ', 60, 5, 8],
      ['factoryCode', 'QE2', 60, 40, 10],
    ]);
    const suffix = (labels: NonNullable<typeof context.maker>['labels']) =>
      factsIn(label, 'boxLabel', { ...context, maker: context.maker && { ...context.maker, labels } }).facts.find(
        ({ fact }) => fact === 'labelSuffix',
      );
    expect(suffix(undefined)).toBeUndefined();
    expect(suffix(taught ? [taught] : [])).toMatchObject({ raw: 'NQ', place: 'boxLabel' });
  });
});
