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

/** The same as checks hear it: what was not read surely is heard as not legible, so that it speaks neither for nor against. */
export function surelyRead(reading: CrossReading): CrossReading {
  const sure = (cell: Cell): Cell => (cell.reading?.uncertain ? { ...cell, reading: null } : cell);
  const rows = reading.rows.map((row) => ({
    ...row,
    cells: Object.fromEntries(Object.entries(row.cells).map(([place, cell]) => [place, sure(cell)])),
  }));
  return { ...reading, rows, traits: reading.traits.filter(({ uncertain }) => !uncertain) };
}

/** The cell of a fact in a place, if that place prints it. */
export function cellOf(reading: CrossReading, place: string, fact: string): Cell | undefined {
  return reading.rows.find((row) => row.fact.id === fact)?.cells[place];
}
