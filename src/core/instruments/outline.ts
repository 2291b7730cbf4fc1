import type { Picture } from '../imaging/grey';
import { traceOutline } from '../imaging/traceOutline';
import {
  type ClosedCurve,
  type CurveDifference,
  difference,
  type Laying,
  laid,
  layOn,
  resampled,
  unlaying,
} from '../measure/closedCurve';
import { areaOf, type Homography, inverseOf, mapped, type Point } from '../measure/homography';
import { measuredIn, mostLikely, type Plane } from '../measure/plane';
import {
  BEYOND_SCALE,
  type Beside,
  distance,
  type Instrument,
  type Marks,
  type NoReading,
  pointsProblem,
} from './instrument';

/** A shape of a picture: where a hand drew a box around it, and what tells its scale. */
export interface Boxed {
  picture: Picture;
  plane: Plane;
  box: [Point, Point];
}

/** How the outline of one shape differs from that of another. */
export interface OutlineReading {
  /** How far the two lie apart where they differ most. */
  value: number;
  uncertainty: number;
  /** `mm` where both pictures have a scale; else per cent of the shape's size, the side of a square as large as it. */
  unit: 'mm' | '%';
  beside: Beside[];
  remarks: string[];
  /** Both outlines, and where they differ most, each in px of its own picture. */
  own: { outline: Point[]; at: Point };
  other: { outline: Point[]; at: Point };
}

const POINTS = 360;
/** What light, shade and soft edges make of where an outline is seen, as a share of the shape's size. */
const TRACED_SD = 0.006;

/** Outlines that scatter about each other by more than this share of their size lie on each other by chance. */
const MOST_SCATTER = 0.06;

interface Shape {
  curve: ClosedCurve;
  toPlane: Homography;
  /** How far its ends may be off each other because of the plane alone: standard uncertainty, in its unit. */
  planeSd: number;
}

/** What the plane leaves open of a shape's height and breadth as they lie in the picture; the larger of the two. */
function planeSdOf(plane: Plane, points: Point[]): number {
  const ends = (by: (point: Point) => number): [Point, Point] => {
    const sorted = [...points].sort((p, q) => by(p) - by(q));
    return [sorted[0] as Point, sorted.at(-1) as Point];
  };
  const spans = [ends(({ x }) => x), ends(({ y }) => y)].map((pair) =>
    measuredIn(
      plane,
      pair.map((point) => ({ ...point, sd: 0 })),
      ([p, q]) => distance(p as Point, q as Point),
    ),
  );
  return Math.max(...spans.map((span) => span?.uncertainty ?? Number.POSITIVE_INFINITY));
}

function shapeOf({ picture, plane, box: [a, b] }: Boxed): Shape | NoReading {
  const problem = pointsProblem(picture, [a, b]);
  if (problem) return { problem };
  const toPlane = mostLikely(plane);
  if (!toPlane) return BEYOND_SCALE;
  const traced = traceOutline(picture, a, b);
  if ('problem' in traced) return traced;
  return {
    toPlane,
    planeSd: planeSdOf(plane, traced.points),
    curve: resampled(
      traced.points.map((point) => mapped(toPlane, point)),
      POINTS,
    ),
  };
}

const sizeOf = (curve: ClosedCurve): number => Math.sqrt(Math.abs(areaOf(curve)));

/** What a difference comes to in a unit: the larger of what is lacking and what is too much, and both. */
function told({ beyond, lacks, rough }: CurveDifference, perUnit: number, unit: string, traced: number) {
  const [more, less] = [Math.max(0, beyond.by) * perUnit, Math.max(0, -lacks.by) * perUnit];
  return {
    value: Math.max(more, less),
    uncertainty: Math.hypot(rough * perUnit, traced),
    beside: [
      { name: 'lacks at most', value: less, unit },
      { name: 'reaches beyond by', value: more, unit },
    ],
    most: more > less ? beyond : lacks,
  };
}

/**
 * Hold the outline of a shape against that of another: each is traced, and one is laid on the other as well as most of it
 * fits. Without the scale of both nothing is said of their sizes, only of their form.
 */
export function compareOutlines(item: Boxed, known: Boxed): OutlineReading | NoReading {
  const [own, other] = [shapeOf(item), shapeOf(known)];
  if ('problem' in own) return { problem: `The item: ${own.problem}` };
  if ('problem' in other) return { problem: `What lies beside it: ${other.problem}` };
  const scaled = item.plane.unit === 'mm' && known.plane.unit === 'mm';
  const laying = layOn(own.curve, other.curve, !scaled);
  const size = sizeOf(other.curve);
  const [unit, perUnit] = scaled ? (['mm', 1] as const) : (['%', 100 / size] as const);
  const offBy = (way: Laying) =>
    difference(
      own.curve.map((point) => laid(way, point)),
      other.curve,
    );
  const off = offBy(laying);
  const nowhere = ({ scatter }: CurveDifference) => scatter > MOST_SCATTER * size;
  // A shape of another size lies beside the known one all around; stretched to its size it still has to lie on it.
  if (nowhere(off) && (!scaled || nowhere(offBy(layOn(own.curve, other.curve, true)))))
    return {
      problem:
        'The two outlines lie nowhere on each other: one of them does not follow its shape, or the shapes are others.',
    };
  // Laid on each other by their middles, half of what the planes leave open is seen at either end.
  const planes = scaled ? Math.hypot(own.planeSd, other.planeSd) / 2 : 0;
  const { most, ...said } = told(off, perUnit, unit, Math.hypot(planes, TRACED_SD * size) * perUnit);
  const onPicture = ({ toPlane }: Shape, points: Point[]): Point[] => {
    const toPicture = inverseOf(toPlane);
    return points.map((point) => mapped(toPicture, point));
  };
  const seen = (shape: Shape, at: Point) => ({
    outline: onPicture(shape, shape.curve),
    at: onPicture(shape, [at])[0] as Point,
  });
  return {
    ...said,
    unit,
    remarks: scaled
      ? []
      : [
          'without the scale of both only the form is compared: how large it is, and whether it is stretched, is left open',
        ],
    own: seen(own, laid(unlaying(laying), most.at)),
    other: seen(other, most.beside),
  };
}

/** The outline of a shape against that of another: boxes are drawn around both, corner by corner in turn. */
export const outline: Marks = {
  id: 'outline',
  name: 'Outline',
  key: '8',
  points: [
    'one corner of a box around it, on the left picture',
    'the same on the right picture',
    'the opposite corner on the left picture',
    'the opposite corner on the right picture',
  ],
  lines: [],
  areas: [
    [0, 2],
    [1, 3],
  ],
};

/** A shape against itself in a mirror: how far its two halves differ. */
export const symmetry: Instrument = {
  id: 'symmetry',
  name: 'Symmetry',
  key: '9',
  points: ['one corner of a box around it', 'the opposite corner'],
  lines: [],
  areas: [[0, 1]],
  read: (picture, plane, points) => {
    const [a, b] = points as [Point, Point];
    const shape = shapeOf({ picture, plane, box: [a, b] });
    if ('problem' in shape) return shape;
    const { curve } = shape;
    const mirrored = curve.map(({ x, y }) => ({ x: -x, y })).reverse();
    const laying = layOn(mirrored, curve, false);
    const { most: _, ...said } = told(
      difference(
        mirrored.map((point) => laid(laying, point)),
        curve,
      ),
      1,
      plane.unit,
      TRACED_SD * sizeOf(curve),
    );
    return {
      ...said,
      unit: plane.unit,
      points: points.map((point) => ({ ...point, sd: 0 })),
      beside: [{ name: 'of its size', value: (100 * said.value) / sizeOf(curve), unit: '%' }],
      remarks: plane.unit === 'mm' ? [] : ['nothing tells the scale'],
    };
  },
};
