import { v4 as newUuid } from 'uuid';
import { openStore, type Store } from '@/store/store';
import { saveShipped } from './shipped';

/** The desk at work: its store, its clock and its source of identities. Tests and the demo bring their own. */
export interface Desk {
  store: Store;
  now(): string;
  newId(): string;
}

/** What only tests and the demo world replace. */
export type Surroundings = Pick<Desk, 'now' | 'newId'>;

const WORLD: Surroundings = { now: () => new Date().toISOString(), newId: () => newUuid() };

/**
 * Open the desk on a data directory.
 *
 * @throws StoreProblem with a sentence where the directory or database cannot be used
 */
export async function openDesk(directory: string, surroundings: Surroundings = WORLD): Promise<Desk> {
  const store = await openStore(directory);
  await saveShipped(store, surroundings.now());
  return { store, ...surroundings };
}
