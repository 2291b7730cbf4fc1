import { factName } from '@/core/crossread/facts';
import type { LabelLayout } from '@/core/labels/labelLayout';

/** Height of the drawing, in px; its width is the label's. */
const HEIGHT = 120;

/** A label with the places of its facts. */
export function LayoutDrawing({ layout: { aspect, boxes } }: { layout: LabelLayout }) {
  const width = HEIGHT * aspect;
  return (
    <svg viewBox={`0 0 ${width} ${HEIGHT}`} className="h-30 border border-line bg-sheet" style={{ width }} role="img">
      <title>{boxes.map(({ fact }) => factName(fact, null)).join(', ')}</title>
      {boxes.map(({ fact, left, top, right, bottom }) => (
        <rect
          key={fact}
          x={left * width}
          y={top * HEIGHT}
          width={(right - left) * width}
          height={(bottom - top) * HEIGHT}
          className="fill-wash stroke-accent"
        >
          <title>{factName(fact, null)}</title>
        </rect>
      ))}
    </svg>
  );
}
