import type { Cell } from './cell';
import type { Expected } from './expected';
import type { FactDefinition } from './facts';

/** A fact across all places. */
export interface Row {
  fact: FactDefinition;
  expected: Expected | null;
  /** Place id to cell; a place that does not print the fact has none. */
  cells: Record<string, Cell>;
}
