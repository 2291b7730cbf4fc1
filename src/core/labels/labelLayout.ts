import { sizeOf } from '../imaging/rectify';
import { homographyOf, mapped, middleOf, type Quad, rectangle } from '../measure/homography';
import type { SeenWord } from './readPrint';
import type { SeenLabel } from './seenLabel';

/** Where a maker's label prints what: taught by somebody on one picture of it. */
export interface LabelLayout {
  /** The place of the item that carries it. */
  place: string;
  /** Its width over its height. */
  aspect: number;
  /** Boxes as shares of its width and height, from the upper left. */
  boxes: LabelBox[];
}

export interface LabelBox {
  fact: string;
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Pictures are never taken from straight above: a label of another shape is told by more than this, as a share. */
const SAME_ASPECT = 0.12;
/** A word belongs to a box whose edge it oversteps by so much of the label, since no two are printed alike. */
const STRAY = 0.012;
/** A layout is this label's where so many of its boxes hold print. */
const HOLDS = 0.5;
/** Fewer facts than this are no layout. */
const LEAST_BOXES = 2;

const aspectOf = (corners: Quad): number => {
  const { width, height } = sizeOf(corners);
  return width / height;
};

const round = (share: number): number => Number(share.toFixed(4));

/** True where two widths over heights may be those of one label. */
export const sameAspect = (a: number, b: number): boolean => Math.abs(a / b - 1) <= SAME_ASPECT;

/**
 * The layout that a picture of a label teaches.
 *
 * @param corners of the label in the picture, from where reading begins
 * @param facts what somebody confirmed, with the corners of where it stands in the picture
 * @returns null where there is too little, or the label has no shape
 */
export function layoutOf(place: string, corners: Quad, facts: { fact: string; corners: Quad }[]): LabelLayout | null {
  const toLabel = homographyOf(corners, rectangle(0, 0, 1, 1));
  if (!toLabel) return null;
  const boxes = facts.flatMap(({ fact, corners: at }): LabelBox[] => {
    const points = at.map((corner) => mapped(toLabel, corner));
    const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
    const box = { left: Math.min(...xs), top: Math.min(...ys), right: Math.max(...xs), bottom: Math.max(...ys) };
    const inside = box.left >= -STRAY && box.top >= -STRAY && box.right <= 1 + STRAY && box.bottom <= 1 + STRAY;
    // What stands as wide as the label was not found at a place of its own.
    if (!inside || box.right - box.left > 0.98) return [];
    const within = (share: number) => round(Math.max(0, Math.min(1, share)));
    return [
      { fact, left: within(box.left), top: within(box.top), right: within(box.right), bottom: within(box.bottom) },
    ];
  });
  return boxes.length >= LEAST_BOXES ? { place, aspect: round(aspectOf(corners)), boxes } : null;
}

/** The layouts of a maker with one more; it takes the place of one of the same label. */
export function withLayout(layouts: LabelLayout[], layout: LabelLayout): LabelLayout[] {
  const others = layouts.filter(({ place, aspect }) => place !== layout.place || !sameAspect(aspect, layout.aspect));
  return [...others, layout];
}

/** What stands in the boxes of a layout. */
export type BoxedWords = { fact: string; words: SeenWord[] }[];

function wordsIn(words: { word: SeenWord; x: number; y: number }[], box: LabelBox): SeenWord[] {
  const own = words.filter(
    ({ x, y }) => x >= box.left - STRAY && x <= box.right + STRAY && y >= box.top - STRAY && y <= box.bottom + STRAY,
  );
  return own.map(({ word }) => word);
}

/**
 * What a label prints where one of its maker's layouts says that a fact stands.
 *
 * @returns empty where no layout of that place is this label's
 */
export function byLayout(label: SeenLabel, place: string, layouts: LabelLayout[]): BoxedWords {
  const toLabel = homographyOf(label.corners, rectangle(0, 0, 1, 1));
  if (!toLabel) return [];
  const aspect = aspectOf(label.corners);
  const words = label.lines.flat(2).map((word) => ({ word, ...mapped(toLabel, middleOf(word.corners)) }));
  const read = layouts
    .filter((layout) => layout.place === place && sameAspect(layout.aspect, aspect))
    .map(({ boxes }) => {
      const boxed = boxes.map((box) => ({ fact: box.fact, words: wordsIn(words, box) }));
      return { boxed, holds: boxed.filter((each) => each.words.length > 0).length / boxes.length };
    })
    .sort((a, b) => b.holds - a.holds)[0];
  return read && read.holds >= HOLDS ? read.boxed.filter((each) => each.words.length > 0) : [];
}
