import { v4 as newUuid } from 'uuid';
import { lastTouched } from '@/store/cases';
import { openStore, type Store } from '@/store/store';
import { saveShipped } from './shipped';
import { type DeskKey, deskKey } from './trust/deskKey';
import { takeOver } from './trust/takeOver';

/** The desk at work: its store, its key, its clock and its source of identities. */
export interface Desk {
  store: Store;
  /** What it signs with. */
  key: DeskKey;
  /** The last day whose end is known to be signed. */
  closed: { day: string };
  now(): string;
  newId(): string;
}

/** What only tests and the demo world replace. */
export type Surroundings = Pick<Desk, 'now' | 'newId'>;

/** A clock that never goes back behind what was written already; whoever reads the log must be able to order it. */
function clockFrom(floor: string): () => string {
  let last = floor;
  return () => {
    const clock = new Date().toISOString();
    if (clock > last) last = clock;
    return last;
  };
}

/** So much may two clocks of one machine differ after a restart. */
const SLACK_MS = 60_000;

/** What is wrong with this machine's clock, as a sentence; null where nothing shows. */
export async function clockProblem({ store }: Pick<Desk, 'store'>): Promise<string | null> {
  const last = await lastTouched(store);
  if (last === '' || Date.now() + SLACK_MS >= Date.parse(last)) return null;
  return `The clock of this machine says ${new Date().toISOString().slice(0, 16).replace('T', ' ')} UTC, and the last entry is of ${last.slice(0, 16).replace('T', ' ')} UTC. Until the clock is past that, entries carry the time of the last one; set the clock right.`;
}

/**
 * Open the desk on a data directory.
 *
 * @throws StoreProblem with a sentence where the directory or database cannot be used
 */
export async function openDesk(directory: string, surroundings?: Surroundings): Promise<Desk> {
  const store = await openStore(directory);
  try {
    const key = await deskKey(store.directory);
    const last = await lastTouched(store);
    const world = surroundings ?? { now: clockFrom(last), newId: () => newUuid() };
    const desk: Desk = { store, key, closed: { day: '' }, ...world };
    await saveShipped(store, desk.now());
    await takeOver(desk);
    return desk;
  } catch (error) {
    await store.close();
    throw error;
  }
}
