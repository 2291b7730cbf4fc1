import { type Point, rectangle } from '@/core/measure/homography';
import { readingWords } from './measurable';
import type { Drawn } from './PicturePane';
import type { PaneContent } from './useComparePictures';
import type { Marking } from './useMarking';
import type { Side } from './usePanes';

/** A circle, as corners enough to look like one. */
const ringAround = ({ x, y }: Point, radius: number): Point[] =>
  Array.from({ length: 24 }, (_, i) => ({
    x: x + radius * Math.cos((i * Math.PI) / 12),
    y: y + radius * Math.sin((i * Math.PI) / 12),
  }));

/** What is drawn on the picture of a side: its bench card, the points that are placed, and the value that came of them. */
export function drawnOn(
  side: Side,
  { opened, shown, picture }: PaneContent,
  { task, placed, reading }: Marking,
): Drawn {
  const { width, height } = shown ?? { width: 1, height: 1 };
  const px = ({ x, y }: Point): Point => ({ x: x * width, y: y * height });
  const sound = reading && !('problem' in reading) ? reading : null;
  // A reading draws its points to the edges that it found.
  const edges = sound && 'spots' in sound ? sound.spots : [];
  const traced = sound && 'traced' in sound ? sound.traced[side] : null;
  const at = placed.map((each, i) => (each.side === side ? px(edges[i] ?? each.spot) : null));
  const card = opened !== null && typeof opened !== 'string' ? opened.card : null;
  // Of two outlines the value stands where they differ most.
  const last = traced ? px(traced.at) : at.findLast((point) => point !== null);
  return {
    points: at.flatMap((point, i) => (point ? [{ index: i, at: point }] : [])),
    lines: (task?.lines ?? []).flatMap(([from, to]): [Point, Point][] => {
      const [a, b] = [at[from], at[to]];
      return a && b ? [[a, b]] : [];
    }),
    outlines: [
      ...(traced ? [traced.outline.map(px), ringAround(px(traced.at), 0.012 * width)] : []),
      ...(card && card.outline.length > 0 ? [card.outline.map(px)] : []),
      ...(task?.areas ?? []).flatMap(([from, to]): Point[][] => {
        const [a, b] = [at[from], at[to]];
        return a && b ? [rectangle(a.x, a.y, b.x - a.x, b.y - a.y)] : [];
      }),
    ],
    notes: (picture?.notes ?? []).map(({ note, spot, text }) => ({ id: note, at: px(spot), text })),
    ...(sound && last ? { value: { at: last, text: readingWords(sound) } } : {}),
  };
}
