import type { Place } from '../checks/check';
import type { Observation } from '../releases/variantFit';
import type { Cell } from './cell';
import type { DatesReading } from './datesReading';
import type { Problem } from './problem';
import type { Row } from './row';

/** Facts down, places across, each cell compared with those that it must equal. */
export interface CrossReading {
  places: Place[];
  rows: Row[];
  /** The traits of the release's variants that show in what is printed. */
  traits: Observation[];
  dates: DatesReading;
  problems: Problem[];
}

/** The cell of a fact in a place, if that place prints it. */
export function cellOf(reading: CrossReading, place: string, fact: string): Cell | undefined {
  return reading.rows.find((row) => row.fact.id === fact)?.cells[place];
}
