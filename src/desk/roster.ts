import { readDocument } from '@/store/documents';
import type { Desk } from './desk';
import { Refusal } from './refusal';

export interface Checker {
  id: string;
  name: string;
}

interface Roster {
  id: string;
  checkers: Checker[];
}

export const ROSTER_ID = 'bench';

/** Who works at the bench; nobody where the data directory holds no roster yet. */
export async function checkersAtBench(desk: Desk): Promise<Checker[]> {
  return (await readDocument<Roster>(desk.store, 'roster', ROSTER_ID))?.body.checkers ?? [];
}

/** @throws Refusal where that person is not on the roster */
export async function requireChecker(desk: Desk, id: string): Promise<Checker> {
  const checker = (await checkersAtBench(desk)).find((each) => each.id === id);
  if (!checker)
    throw new Refusal('forbidden', `“${id}” is not on the roster of this bench. Pick who is at the bench first.`);
  return checker;
}
