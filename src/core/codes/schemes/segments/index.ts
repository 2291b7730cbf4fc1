import type { Segment, SegmentType } from '../codeScheme';
import { characters, counter } from './characters';
import { check } from './check';
import { clock, dateDigit, day, dayOfYear, quarter, season, sinceDay, week, weekday } from './days';
import type { SegmentForm, SegmentKind } from './segmentKind';
import { literal, table } from './texts';
import { month, year } from './yearMonth';

/** Every kind of segment. */
const KINDS = [
  literal,
  table,
  characters,
  counter,
  year,
  month,
  day,
  dayOfYear,
  week,
  weekday,
  quarter,
  season,
  dateDigit,
  sinceDay,
  clock,
  check,
] as unknown as SegmentKind[];

const BY_TYPE = new Map(KINDS.flatMap((kind) => kind.types.map((type) => [type, kind] as const)));

/** The kind of a segment: how it is read, written and checked. */
export const kindOf = (type: SegmentType): SegmentKind => BY_TYPE.get(type) as SegmentKind;

/** How a segment is read: its length, what it accepts, what it says. */
export const segmentForm = (segment: Segment): SegmentForm => kindOf(segment.type).form(segment);
