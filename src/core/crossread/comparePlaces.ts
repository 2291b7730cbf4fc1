import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import type { Mark } from './mark';
import type { Problem } from './problem';
import { isAbout } from './registered';
import type { Row } from './row';

const settled = (cell: Cell): Cell =>
  cell.mark === 'cantTell' && !cell.reading?.uncertain
    ? { ...cell, mark: 'agrees' as Mark, note: 'the same in both places' }
    : cell;

function withProblem(cell: Cell, problem: Problem): Cell {
  return { ...cell, mark: 'differs', note: problem.sentence, problems: [...cell.problems, problem] };
}

/** Each place must print the same; the later one carries the problem, and a claim before anything on the item. */
function mustAgree(row: Row, read: Cell[], context: ReadingContext): void {
  const isSaid = ({ place }: Cell) => context.kind.places.find(({ id }) => id === place)?.side === 'said';
  const [first, ...others] = [...read].sort((a, b) => Number(isSaid(a)) - Number(isSaid(b)));
  if (!first) return;
  for (const cell of others) {
    if (cell.reading?.normal === first.reading?.normal) {
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
      row.cells[cell.place] = withProblem(cell, problem);
    }
  }
}

/** No two places may print the same: each piece has its own. */
function mustDiffer(row: Row, read: Cell[], context: ReadingContext): void {
  for (const [i, cell] of read.entries()) {
    const twin = read.slice(0, i).find((other) => other.reading?.normal === cell.reading?.normal);
    if (twin) {
      const sentence = `The ${row.fact.name.toLowerCase()} ${cell.display} is on the ${placeName(context, twin.place)} and on the ${placeName(context, cell.place)}; each piece has its own.`;
      const problem: Problem = {
        kind: 'placesSame',
        otherPlace: twin.place,
        place: cell.place,
        fact: row.fact.id,
        sentence,
      };
      row.cells[cell.place] = withProblem(row.cells[cell.place] as Cell, problem);
    } else if (read.length > 1 && cell.mark === 'cantTell') {
      row.cells[cell.place] = { ...cell, mark: 'agrees', note: 'its own, as it should be' };
    }
  }
}

/** A code that ought to be one item's alone, and that the register met on another. */
function seenElsewhere(row: Row, read: Cell[], context: ReadingContext): void {
  for (const cell of read) {
    const met = Object.values(context.met).find(
      (each) => !each.shared && isAbout(each, row.fact.id, cell.reading?.normal ?? ''),
    );
    if (!met || met.others.length === 0) continue;
    const numbers = met.others.map(({ number }) => number);
    const sentence = `The ${row.fact.name.toLowerCase()} ${cell.display} was met on ${numbers.join(', ')} too; no two items share one.`;
    const problem: Problem = { kind: 'seenBefore', numbers, place: cell.place, fact: row.fact.id, sentence };
    row.cells[cell.place] = withProblem(row.cells[cell.place] as Cell, problem);
  }
}

/**
 * Hold the places of one fact against one another and against the register. Changes the row.
 */
export function comparePlaces(row: Row, context: ReadingContext): void {
  const read = Object.values(row.cells).filter((cell) => cell.reading && !cell.reading.uncertain);
  if (row.fact.between === 'same') mustAgree(row, read, context);
  if (row.fact.between === 'different') mustDiffer(row, read, context);
  seenElsewhere(row, read, context);
}
