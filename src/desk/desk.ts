import { v4 as newUuid } from 'uuid';
import { lastTouched } from '@/store/cases';
import { openStore, type Store } from '@/store/store';
import { type Bench, connectBench } from './devices/bench';
import { idleKeeper, type Keeper } from './keeping/keeper';
import { learnPending } from './learning';
import { emptyMemory, type Memory } from './memory';
import { bringRosterUpToDate } from './people/roster';
import type { PhoneLines } from './phone/phoneLine';
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
  /** What is being done to keep it, and what came of it last. */
  keeper: Keeper;
  /** What it need not work out again. */
  memory: Memory;
  /** Devices at the bench. */
  bench: Bench;
  /** Phones that may add pictures just now. */
  phones: PhoneLines;
  now(): string;
  newId(): string;
  /** Sees to what is noted to be learned: at once, or soon and elsewhere. */
  learner(desk: Desk): Promise<void>;
}

/** A clock that never goes back behind what was written already; whoever reads the log must be able to order it. */
function clockFrom(floor: string): () => string {
  let last = floor;
  return () => {
    const clock = new Date().toISOString();
    if (clock > last) last = clock;
    return last;
  };
}

/**
 * Open the desk on a data directory.
 *
 * @param learner sees to what is noted to be learned; at once, unless said otherwise
 * @param bench the devices; none, unless said otherwise
 * @throws StoreProblem with a sentence where the directory or database cannot be used
 */
export async function openDesk(
  directory: string,
  learner: Desk['learner'] = learnPending,
  bench: Bench = connectBench(''),
): Promise<Desk> {
  const store = await openStore(directory);
  try {
    const key = await deskKey(store.directory);
    const last = await lastTouched(store);
    const desk: Desk = {
      store,
      key,
      closed: { day: '' },
      keeper: idleKeeper(),
      memory: emptyMemory(),
      bench,
      phones: new Map(),
      learner,
      now: clockFrom(last),
      newId: () => newUuid(),
    };
    await saveShipped(store, desk.now());
    await takeOver(desk);
    await bringRosterUpToDate(desk);
    return desk;
  } catch (error) {
    await store.close();
    throw error;
  }
}
