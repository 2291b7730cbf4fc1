import type { Point } from '../measure/homography';
import { COVERAGE } from '../measure/propagate';
import { measuredCopies } from '../releases/knownCopy';
import type { Release } from '../releases/release';
import { exemplarsOf } from '../releases/shelfItem';
import { sizeNumber } from '../sizes/printedSize';
import { expectedMeasure } from './exemplars';
import type { Finding } from './finding';

/** A measured value among all that is known of a measure, drawn into a box. */
export interface ToleranceStrip {
  width: number;
  height: number;
  /** The range in which genuine items are expected, around it; and its middle, from end to end. */
  range: Point[];
  middle: Point[];
  known: { at: Point; of: 'genuine' | 'copy' }[];
  /** The item in question, with the ends of its 95 % interval. */
  item: { at: Point; ends: [Point, Point] } | null;
  /** Words under it: at its left, in the middle, at its right. */
  labels: [left: string, middle: string, right: string];
  /** All of it in words. */
  words: string;
}

/** The value of the item in question, with its leading size and its standard uncertainty. */
export interface MeasuredItem {
  size: number | null;
  value: number;
  uncertainty: number;
}

/** Two-sided 90 % of Student’s t by degrees of freedom, from 1 on; beyond them that of a normal. */
const T_90 = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753];
const Z_90 = 1.645;

const WIDTH = 300;
const HEIGHT = 104;
const PAD = { left: 9, right: 9, top: 9, bottom: 24 };
const STEPS = 8;

/** Without sizes, how far down each stands, of the height: values go across, and nothing hides another. */
const ROWS = { genuine: 0.2, item: 0.5, copy: 0.8 };

/**
 * A measure over the sizes of a release: the range that genuine items are expected in, those that are known, known
 * copies, and the item in question. Sizes go across and values up; without sizes, values go across.
 *
 * @returns null where the release has no figure for it
 */
export function toleranceStrip(release: Release, measure: string, item?: MeasuredItem): ToleranceStrip | null {
  const nominal = release.nominal[measure];
  if (!nominal) return null;
  const exemplars = exemplarsOf(release, measure);
  const sizes = release.sizes.map(({ key }) => sizeNumber(key)).filter((size) => !Number.isNaN(size));
  const sized = release.chart !== null && sizes.length > 1;
  const [first, last] = sized ? [Math.min(...sizes), Math.max(...sizes)] : [0, 1];
  const band = Array.from({ length: STEPS + 1 }, (_, i) => {
    const at = first + ((last - first) * i) / STEPS;
    const { value, tolerance, predictive } = expectedMeasure(nominal, exemplars, sized ? at : null);
    const half = predictive ? (T_90[predictive.freedom - 1] ?? Z_90) * predictive.scale : tolerance;
    return { at, value, half, low: value - half, high: value + half };
  });
  // What grows with size says nothing where the size is not known.
  const copies = measuredCopies(release.copies ?? [], measure).filter(
    ({ size }) => size !== null || !sized || !nominal.perSize,
  );
  const ends = item ? [item.value - COVERAGE * item.uncertainty, item.value + COVERAGE * item.uncertainty] : [];
  const all = [
    ...band.flatMap(({ low, high }) => [low, high]),
    ...exemplars.map(({ value }) => value),
    ...copies.map(({ value }) => value),
    ...ends,
  ];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const middle = (first + last) / 2;
  const inner = { width: WIDTH - PAD.left - PAD.right, height: HEIGHT - PAD.top - PAD.bottom };
  const share = (value: number) => (value - low) / (high - low || 1);
  /** The place of a value: at its size, or in a row where no size tells values apart. */
  const place = (value: number, size: number | null, row: number): Point =>
    sized
      ? {
          x: PAD.left + (((size ?? middle) - first) / (last - first)) * inner.width,
          y: PAD.top + (1 - share(value)) * inner.height,
        }
      : { x: PAD.left + share(value) * inner.width, y: PAD.top + row * inner.height };
  const along = (of: 'low' | 'high' | 'value'): Point[] => band.map((each) => place(each[of], each.at, each.at));
  const { unit } = nominal;
  const centre = band[STEPS / 2] as (typeof band)[number];
  const words = `${measure.replaceAll('-', ' ')}: expected ${band[0]?.low.toFixed(1)} to ${band.at(-1)?.high.toFixed(1)} ${unit}; ${exemplars.length} genuine items known${item ? `; this one ${item.value} ${unit}` : ''}`;
  return {
    width: WIDTH,
    height: HEIGHT,
    range: [...along('low'), ...along('high').reverse()],
    middle: along('value'),
    known: [
      ...exemplars.map(({ size, value }) => ({ at: place(value, size, ROWS.genuine), of: 'genuine' as const })),
      ...copies.map(({ size, value }) => ({ at: place(value, size, ROWS.copy), of: 'copy' as const })),
    ],
    item: item
      ? {
          at: place(item.value, item.size, ROWS.item),
          ends: [place(ends[0] as number, item.size, ROWS.item), place(ends[1] as number, item.size, ROWS.item)],
        }
      : null,
    labels: sized
      ? [`size ${first}`, `${centre.value.toFixed(1)} ± ${centre.half.toFixed(1)} ${unit} at ${middle}`, `size ${last}`]
      : [
          `${low.toFixed(1)} ${unit}`,
          `expected ${centre.value.toFixed(1)} ± ${centre.half.toFixed(1)} ${unit}`,
          `${high.toFixed(1)} ${unit}`,
        ],
    words,
  };
}

/** The strip of a value that somebody measured; null for every other finding. */
export function stripOf(finding: Finding, release: Release | null, size: number | null): ToleranceStrip | null {
  const { check, value, supplied } = finding;
  if (!release || value === undefined || check.answer.form !== 'quantity') return null;
  const { measure, uncertainty } = check.answer;
  return toleranceStrip(release, measure, { size, value, uncertainty: supplied?.uncertainty ?? uncertainty });
}
