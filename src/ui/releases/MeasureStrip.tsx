import { expectedMeasure } from '@/core/checks/exemplars';
import type { Release } from '@/core/releases/release';
import { exemplarsOf } from '@/core/releases/shelfItem';
import { sizeNumber } from '@/core/sizes/printedSize';

const WIDTH = 420;
const HEIGHT = 96;
const PAD = { left: 8, right: 8, top: 8, bottom: 18 };
/** Two-sided 90 % of Student’s t by degrees of freedom, from 1 on; beyond them that of a normal. */
const T_90 = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753];
const Z_90 = 1.645;

interface Dot {
  size: number | null;
  value: number;
  of: 'genuine' | 'copy';
}

/**
 * A measure over the sizes of a release: the range that genuine items are expected in, those that are known, and known
 * copies. Without sizes all of them stand in the middle.
 */
export function MeasureStrip({
  release,
  measure,
  mark,
}: {
  release: Release;
  measure: string;
  /** The item in question, with the standard uncertainty of its value. */
  mark?: { size: number | null; value: number; uncertainty: number };
}) {
  const nominal = release.nominal[measure];
  if (!nominal) return null;
  const exemplars = exemplarsOf(release, measure);
  const sizes = release.sizes.map(({ key }) => sizeNumber(key)).filter((size) => !Number.isNaN(size));
  const sized = release.chart !== null && sizes.length > 1;
  const [first, last] = sized ? [Math.min(...sizes), Math.max(...sizes)] : [0, 1];
  const at = sized ? Array.from({ length: 9 }, (_, i) => first + ((last - first) * i) / 8) : [0, 1];
  const band = at.map((x) => {
    const size = sized ? x : null;
    const { value, tolerance, predictive } = expectedMeasure(nominal, exemplars, size);
    const half = predictive ? (T_90[predictive.freedom - 1] ?? Z_90) * predictive.scale : tolerance;
    return { x, value, half, low: value - half, high: value + half };
  });
  const dots: Dot[] = [
    ...exemplars.map(({ size, value }): Dot => ({ size, value, of: 'genuine' })),
    ...(release.copies ?? []).flatMap(({ values }): Dot[] =>
      values[measure] === undefined ? [] : [{ size: null, value: values[measure], of: 'copy' }],
    ),
  ];
  const all = [
    ...band.flatMap(({ low, high }) => [low, high]),
    ...dots.map(({ value }) => value),
    ...(mark ? [mark.value] : []),
  ];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const x = (size: number) => PAD.left + ((size - first) / (last - first)) * (WIDTH - PAD.left - PAD.right);
  const y = (value: number) =>
    HEIGHT - PAD.bottom - ((value - low) / (high - low || 1)) * (HEIGHT - PAD.top - PAD.bottom);
  const line = (of: 'low' | 'high' | 'value') =>
    band.map((each) => `${x(each.x).toFixed(1)},${y(each[of]).toFixed(1)}`);
  const middle = (first + last) / 2;
  const centre = band[(band.length - 1) / 2];
  const words = `${measure.replaceAll('-', ' ')}: expected ${band[0]?.low.toFixed(1)} to ${band.at(-1)?.high.toFixed(1)} ${nominal.unit}; ${exemplars.length} genuine items known${mark ? `; this one ${mark.value} ${nominal.unit}` : ''}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-[420px]" role="img" aria-label={words}>
      <polygon points={[...line('low'), ...line('high').reverse()].join(' ')} className="fill-wash" />
      <polyline points={line('value').join(' ')} fill="none" className="stroke-line" strokeDasharray="4 3" />
      {dots.map(({ size, value, of }, i) => {
        const [cx, cy] = [x(sized ? (size ?? middle) : middle), y(value)];
        return of === 'genuine' ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: two items may measure the same
          <circle key={i} cx={cx} cy={cy} r={4} fill="none" strokeWidth={2} className="stroke-agrees" />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: two makes may measure the same
          <path key={i} d={`M${cx - 5} ${cy + 4}h10l-5 -9z`} className="fill-differs" />
        );
      })}
      {mark && (
        <g transform={`translate(${x(sized ? (mark.size ?? middle) : middle)} 0)`} className="fill-ink stroke-ink">
          <path
            d={`M0 ${y(mark.value - 1.96 * mark.uncertainty)}V${y(mark.value + 1.96 * mark.uncertainty)}`}
            strokeWidth={1.5}
          />
          <path d={`M0 ${y(mark.value) - 6}l6 6l-6 6l-6 -6z`} stroke="none" />
        </g>
      )}
      <g className="fill-soft text-[11px]">
        <text x={PAD.left} y={HEIGHT - 4}>
          {sized ? `size ${first}` : `${low.toFixed(1)} ${nominal.unit}`}
        </text>
        <text x={WIDTH - PAD.right} y={HEIGHT - 4} textAnchor="end">
          {sized ? `size ${last}` : `${high.toFixed(1)} ${nominal.unit}`}
        </text>
        {sized && centre && (
          <text x={WIDTH / 2} y={HEIGHT - 4} textAnchor="middle">
            {centre.value.toFixed(1)} ± {centre.half.toFixed(1)} {nominal.unit} at {middle}
          </text>
        )}
      </g>
    </svg>
  );
}
