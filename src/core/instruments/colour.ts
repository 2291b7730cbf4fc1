import { cardColours } from '../imaging/cardColours';
import type { FoundCard } from '../imaging/findBenchCard';
import type { Picture } from '../imaging/grey';
import { colourDifference, type Light, labOf, TO_LIGHT } from '../measure/colour';
import { inverseOf, type Point } from '../measure/homography';
import { mostLikely, planeOf } from '../measure/plane';
import { propagated, type Uncertain } from '../measure/propagate';
import type { Instrument } from './instrument';

/** Without a card nobody knows how evenly an item is lit: relative standard uncertainty from one place to another. */
const UNEVEN = 0.05;
/** What a card leaves open from one place beside it to another: shade, and how surfaces face the light. */
const UNEVEN_WITH_CARD = 0.022;
/** What gloss, and a camera's own colours, make of a difference, as a share of it. */
const SCALE_SD = 0.06;
/** Each colour for itself. */
const CHANNEL_SD = 0.006;

interface Area {
  at: Point;
  light: Light;
  /** Relative standard uncertainty of its mean. */
  sd: number;
  clipped: number;
}

/** Mean light of the box between two points. */
function areaOf(picture: Picture, a: Point, b: Point): Area | null {
  const [left, right] = [Math.ceil(Math.min(a.x, b.x)), Math.floor(Math.max(a.x, b.x))];
  const [top, bottom] = [Math.ceil(Math.min(a.y, b.y)), Math.floor(Math.max(a.y, b.y))];
  if (right - left < 5 || bottom - top < 5) return null;
  const sums = [0, 0, 0, 0];
  let [count, clipped] = [0, 0];
  for (let y = top; y <= bottom; y++) {
    for (let x = left; x <= right; x++, count++) {
      const p = 4 * (y * picture.width + x);
      for (let c = 0; c < 3; c++) {
        const level = picture.data[p + c] as number;
        const light = TO_LIGHT[level] as number;
        sums[c] = (sums[c] as number) + light;
        if (c === 1) sums[3] = (sums[3] as number) + light * light;
        if (level > 252) clipped += 1 / 3;
      }
    }
  }
  const light = [0, 1, 2].map((c) => (sums[c] as number) / count) as Light;
  const green = Math.max(1e-6, light[1]);
  const spread = Math.sqrt(Math.max(0, (sums[3] as number) / count - green * green)) / green;
  // Neighbouring pixels of a surface are not independent: a grain is about five of them wide.
  const sd = spread / Math.sqrt(Math.max(1, count / 25));
  return { at: { x: (left + right) / 2, y: (top + bottom) / 2 }, light, sd, clipped: clipped / count };
}

const coloursOf = (picture: Picture, card: FoundCard | null) => {
  const map = card && mostLikely(planeOf(card.scale, picture));
  return card && map ? cardColours(picture, card.card, inverseOf(map)) : null;
};

/** Two areas of one picture, as far apart as the eye would see them. */
export const colour: Instrument = {
  id: 'colour',
  name: 'Colour',
  key: '7',
  points: ['first area begins', 'first area ends', 'second area begins', 'second area ends'],
  lines: [],
  areas: [
    [0, 1],
    [2, 3],
  ],
  read: (picture, _plane, points, card = null) => {
    const [a, b, c, d] = points as [Point, Point, Point, Point];
    const [first, second] = [areaOf(picture, a, b), areaOf(picture, c, d)];
    if (!first || !second) return { problem: 'An area is too small: draw it over a piece of one colour.' };
    if (Math.max(first.clipped, second.clipped) > 0.02)
      return { problem: 'An area is burnt out: what is white there has no colour left. Photograph it darker.' };
    const colours = coloursOf(picture, card);
    const seen = (area: Area): Light => {
      const white = colours?.whiteAt(area.at) ?? [1, 1, 1];
      return area.light.map((each, i) => each / (white[i] as number)) as Light;
    };
    const [one, other] = [seen(first), seen(second)];
    const uneven = colours
      ? Math.hypot(UNEVEN_WITH_CARD, colours.whiteSd(first.at), colours.whiteSd(second.at))
      : UNEVEN;
    const labs = (light: Light) => labOf(colours ? colours.corrected(light) : light);
    const inputs: Uncertain[] = [
      { value: 0, sd: Math.hypot(uneven, first.sd, second.sd) },
      ...[0, 1, 2].map(() => ({ value: 0, sd: CHANNEL_SD })),
    ];
    const found = propagated(inputs, ([all = 0, ...each]) =>
      colourDifference(labs(one), labs(other.map((light, i) => light * (1 + all + (each[i] as number))) as Light)),
    );
    if (!found) return { problem: 'What is seen there is no colour.' };
    const [l, m] = [labs(one), labs(other)];
    return {
      value: found.value,
      uncertainty: Math.hypot(found.uncertainty, SCALE_SD * found.value),
      unit: 'ΔE00',
      points: points.map((point) => ({ ...point, sd: 0 })),
      beside: [
        { name: 'second lighter by', value: m.l - l.l, unit: 'L*' },
        { name: 'yellower by', value: m.b - l.b, unit: 'b*' },
        { name: 'redder by', value: m.a - l.a, unit: 'a*' },
      ],
      remarks: colours
        ? [`the card’s own patches come out right to ${colours.residual.toFixed(1)} ΔE00`]
        : [
            'without a bench card only what two areas of one picture differ by can be told, and only as evenly as they are lit',
          ],
      colours: [l, m],
    };
  },
};
