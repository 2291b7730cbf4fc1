import { COMMON_TRAITS, type Trait } from '../releases/trait';
import type { Observation } from '../releases/variantFit';
import type { Cell } from './cell';
import { placeName, type ReadingContext } from './context';
import { readFact } from './readFact';
import type { Row } from './row';

/** The state that a cell shows of a trait that is read from it; null where it shows none. */
function stateIn(cell: Cell, trait: Trait, context: ReadingContext): string | null {
  const { seen } = trait;
  if (seen.by === 'presence') {
    if (cell.entry?.state === 'read') return seen.present;
    return cell.entry?.state === 'absent' ? seen.absent : null;
  }
  if (!cell.reading) return null;
  const states = context.release?.variants.flatMap(({ traits }) => traits[trait.id] ?? []) ?? [];
  const normal = (state: string) => readFact(cell.fact, state, context, cell.place).reading?.normal;
  return states.find((state) => normal(state) === cell.reading?.normal) ?? cell.display;
}

/** What one trait shows on the item: places that show the same state count as one observation. */
function observe(trait: Trait, rows: Row[], context: ReadingContext): Observation[] {
  const { fact } = trait.seen;
  const cells = Object.values(rows.find((row) => row.fact.id === fact)?.cells ?? {});
  const observations = new Map<string, Observation & { places: number; first: string }>();
  for (const cell of cells) {
    if (trait.seen.places && !trait.seen.places.includes(cell.place)) continue;
    const state = stateIn(cell, trait, context);
    if (state === null) continue;
    const where = placeName(context, cell.place);
    const before = observations.get(state);
    const places = (before?.places ?? 0) + 1;
    const first = before?.first ?? `${trait.name.toLowerCase()} ${state} on the ${where}`;
    const label = places > 1 ? `${first} and ${places - 1} more` : first;
    const uncertain = cell.reading?.uncertain === true && (!before || before.uncertain === true);
    observations.set(state, { trait: trait.id, state, label, places, first, ...(uncertain ? { uncertain } : {}) });
  }
  return [...observations.values()].map(({ places: _, first: _f, ...observation }) => observation);
}

/** The traits of the release's variants that show in what is printed. */
export function printedTraits(rows: Row[], context: ReadingContext): Observation[] {
  return [...COMMON_TRAITS, ...(context.release?.traits ?? [])].flatMap((trait) => observe(trait, rows, context));
}
