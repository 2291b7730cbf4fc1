import type { ToleranceStrip } from '@/core/checks/toleranceStrip';
import type { Point } from '@/core/measure/homography';

const path = (points: Point[]): string => points.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');

/** A measured value among all that is known of its measure, over the sizes of a release. */
export function MeasureStrip({ strip }: { strip: ToleranceStrip | null }) {
  if (!strip) return null;
  const { width, height, range, middle, known, item, labels, words } = strip;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="w-full max-w-[330px]" role="img" aria-label={words}>
      <polygon points={path(range)} className="fill-line opacity-55" />
      <polyline points={path(middle)} fill="none" className="stroke-line" strokeDasharray="4 3" />
      {known.map(({ at, of }, i) =>
        of === 'genuine' ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: two items may measure the same
          <circle key={i} cx={at.x} cy={at.y} r={3.5} fill="none" strokeWidth={1.75} className="stroke-agrees" />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: two makes may measure the same
          <path key={i} d={`M${at.x - 4.5} ${at.y + 3.5}h9l-4.5 -8z`} className="fill-differs" />
        ),
      )}
      {item && (
        <g className="fill-ink stroke-ink">
          <path d={`M${path(item.ends)}`} strokeWidth={1.25} />
          <path d={`M${item.at.x} ${item.at.y - 5}l5 5l-5 5l-5 -5z`} stroke="none" />
        </g>
      )}
      <g className="fill-soft text-[13px]">
        {labels.map((label, i) => (
          <text
            key={['left', 'middle', 'right'][i]}
            x={[2, width / 2, width - 2][i]}
            y={height - 6}
            textAnchor={(['start', 'middle', 'end'] as const)[i]}
          >
            {label}
          </text>
        ))}
      </g>
    </svg>
  );
}
