import type { Place } from '../checks/check';
import { type Cell, type Mark, readCell } from './cell';
import { placeName, type ReadingContext } from './context';
import { type Expected, expectedFact } from './expected';
import { expandFacts, type FactDefinition } from './facts';
import type { Problem } from './problem';

/** A fact across all places. */
export interface Row {
  fact: FactDefinition;
  expected: Expected | null;
  /** Place id to cell; a place that does not print the fact has none. */
  cells: Record<string, Cell>;
}

/** Facts down, places across, each cell compared with those that it must equal. */
export interface CrossReading {
  places: Place[];
  rows: Row[];
  problems: Problem[];
}

/** Two places that print one fact must print the same; the later place carries the problem. */
function comparePlaces(row: Row, context: ReadingContext): void {
  const read = Object.values(row.cells).filter((cell) => cell.reading);
  const [first, ...others] = read;
  if (!first || row.fact.id === 'productionWindow') return;
  for (const cell of others) {
    const equal = cell.reading?.normal === first.reading?.normal;
    const settled = (each: Cell) =>
      each.mark === 'cantTell' ? { ...each, mark: 'agrees' as Mark, note: 'the same in both places' } : each;
    if (equal) {
      row.cells[first.place] = settled(row.cells[first.place] as Cell);
      row.cells[cell.place] = settled(cell);
    } else if (cell.problems.length === 0 && (row.cells[first.place] as Cell).problems.length === 0) {
      const sentence = `The ${row.fact.name.toLowerCase()} is “${first.display}” on the ${placeName(context, first.place)} and “${cell.display}” on the ${placeName(context, cell.place)}.`;
      const problem: Problem = {
        kind: 'placesDiffer',
        otherPlace: first.place,
        place: cell.place,
        fact: row.fact.id,
        sentence,
      };
      row.cells[cell.place] = { ...cell, mark: 'differs', note: sentence, problems: [problem] };
    }
  }
}

/**
 * Lay out all that was read on an item and compare it: each cell with the record, with the other places, and
 * with what stands beside it.
 *
 * @param context the readings of a case with the documents they are held against
 */
export function crossread(context: ReadingContext): CrossReading {
  const { places } = context.kind;
  const facts = new Map<string, FactDefinition>();
  for (const place of places) for (const fact of expandFacts(place.facts, context.chart)) facts.set(fact.id, fact);
  const rows = [...facts.values()].map((fact): Row => {
    const printing = places.filter((place) =>
      expandFacts(place.facts, context.chart).some((each) => each.id === fact.id),
    );
    const cells = Object.fromEntries(printing.map((place) => [place.id, readCell(place.id, fact.id, context)]));
    const row = { fact, expected: expectedFact(fact.id, null, context), cells };
    comparePlaces(row, context);
    return row;
  });
  const problems = rows.flatMap((row) => Object.values(row.cells).flatMap((cell) => cell.problems));
  return { places, rows, problems };
}

/** The cell of a fact in a place, if that place prints it. */
export function cellOf(reading: CrossReading, place: string, fact: string): Cell | undefined {
  return reading.rows.find((row) => row.fact.id === fact)?.cells[place];
}
