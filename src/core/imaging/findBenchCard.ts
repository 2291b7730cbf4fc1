import type { SeenSymbol } from '../labels/eyes';
import { type BenchCard, cardMark, MODULES, squaresOf } from '../measure/benchCard';
import {
  areaOf,
  type Homography,
  homographyThrough,
  inverseOf,
  mapped,
  type Point,
  type Quad,
} from '../measure/homography';
import type { Scale, Sighted } from '../measure/plane';
import { cornersOf } from './cornersOf';
import type { Picture } from './grey';

type CardScale = Extract<Scale, { by: 'benchCard' }>;

/** A card that lies in a picture. */
export interface FoundCard {
  card: BenchCard;
  scale: CardScale;
  /** How far its corners are from where a flat card would have them, in mm. */
  misfit: number;
}

/** `none`: nothing in the picture looks like a card. */
export type CardSearch =
  | { found: FoundCard; problem?: undefined; none?: undefined }
  | { found?: undefined; problem: string; none?: true };

/** A mark needs so many px a module for its edges to be told apart. */
const LEAST_MODULE = 2.2;
/** A card whose corners stray by more of its width is bent, or not ours. */
const MOST_MISFIT = 0.0025;

/** The corners of all squares that are seen, beside where they are on the card. */
function sightings(picture: Picture, card: BenchCard, toPicture: Homography): { seen: Sighted[]; mm: Point[] } {
  const seen: Sighted[] = [];
  const mm: Point[] = [];
  for (const square of card.marks.flatMap(squaresOf)) {
    const expected = square.map((corner) => mapped(toPicture, corner)) as Quad;
    const module = Math.sqrt(Math.abs(areaOf(expected))) / 7;
    const reach = Math.max(3, Math.min(14, Math.round(0.95 * module)));
    const corners = cornersOf(picture, expected, { reach, wanted: -1 });
    if (!corners) continue;
    seen.push(...corners);
    mm.push(...square);
  }
  return { seen, mm };
}

const misfitOf = (toMm: Homography, { seen, mm }: { seen: Sighted[]; mm: Point[] }): number[] =>
  seen.map((point, i) => {
    const { x, y } = mapped(toMm, point);
    return Math.hypot(x - (mm[i] as Point).x, y - (mm[i] as Point).y);
  });

/** Leave out corners that stray far more than the others: something lies on them. */
function withoutStrays(given: {
  seen: Sighted[];
  mm: Point[];
}): { seen: Sighted[]; mm: Point[]; toMm: Homography } | null {
  let kept = given;
  for (let round = 0; round < 4; round++) {
    const toMm = kept.seen.length >= 8 ? homographyThrough(kept.seen, kept.mm) : null;
    if (!toMm) return null;
    const misfits = misfitOf(toMm, kept);
    const usual = [...misfits].sort((a, b) => a - b)[misfits.length >> 1] as number;
    const near = misfits.map((each) => each <= Math.max(0.03, 4 * usual));
    if (near.every(Boolean)) return { ...kept, toMm };
    kept = { seen: kept.seen.filter((_, i) => near[i]), mm: kept.mm.filter((_, i) => near[i]) };
  }
  const toMm = homographyThrough(kept.seen, kept.mm);
  return toMm && { ...kept, toMm };
}

const says = (problem: string) => ({ problem });

/**
 * Find the bench card in a picture by its QR marks, and its corners to a part of a px.
 *
 * @param symbols all that were decoded in the picture
 * @returns the scale of its plane, or why there is none
 */
export function findBenchCard(picture: Picture, symbols: SeenSymbol[]): CardSearch {
  const marks = symbols.flatMap((symbol) => {
    const known = cardMark(symbol.text);
    return known ? [{ ...known, corners: symbol.corners }] : [];
  });
  const [first] = marks;
  if (!first)
    return {
      ...says('No bench card is seen. Lay one beside the item, flat, with its four marks in the picture.'),
      none: true,
    };
  const own = marks.filter(({ card }) => card.id === first.card.id);
  if (own.length < marks.length || new Set(own.map(({ mark }) => mark.text)).size < own.length)
    return says('Two bench cards lie in the picture. Leave one.');
  const { card } = first;
  const seen = own.flatMap(({ corners }) => corners);
  const mm = own.flatMap(({ mark: { x, y, side } }) => [
    { x, y },
    { x: x + side, y },
    { x: x + side, y: y + side },
    { x, y: y + side },
  ]);
  const rough = homographyThrough(seen, mm);
  const module = Math.min(...own.map(({ corners }) => Math.sqrt(Math.abs(areaOf(corners))) / MODULES));
  if (!rough || module < LEAST_MODULE)
    return says('The bench card is too small in the picture. Go nearer, or take the smaller card.');
  // Each time from where more of them were found: a first guess is off by more, the further from the mark it stands on.
  let found: ReturnType<typeof withoutStrays> = null;
  for (let round = 0; round < 4; round++) {
    const better = withoutStrays(sightings(picture, card, inverseOf(found?.toMm ?? rough)));
    if (!better || (round > 1 && better.seen.length <= (found?.seen.length ?? 0))) break;
    found = better;
  }
  if (!found) return says('The edges of the bench card’s marks are not seen. More light, or sharper.');
  if (found.seen.length <= 12)
    return says('One mark of the bench card is seen alone. Bring all four into the picture, uncovered.');
  const { seen: corners, mm: places, toMm } = found;
  const misfits = misfitOf(toMm, found);
  const misfit = Math.sqrt(misfits.reduce((sum, each) => sum + each ** 2, 0) / misfits.length);
  if (misfit > MOST_MISFIT * card.width)
    return says('The bench card is bent, or not one of ours: its marks do not lie in one plane. Press it flat.');
  // What the corners stray by in truth counts, where that is more than each says of itself.
  const perMm = Math.sqrt(Math.abs(areaOf(corners.slice(0, 4)) / areaOf(places.slice(0, 4))));
  const sd = (misfit / Math.SQRT2) * perMm;
  const scale: CardScale = {
    by: 'benchCard',
    card: card.id,
    seen: corners.map((corner) => ({ ...corner, sd: Math.max(corner.sd, sd) })),
    mm: places,
  };
  return { found: { card, scale, misfit } };
}
