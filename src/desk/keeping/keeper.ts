import type { DeskCheck } from './checkDesk';

/** What is being done to keep a desk, and what came of it last. */
export interface Keeper {
  running: { what: 'backup' | 'check'; share: number } | null;
  /** Why the last backup or check failed, as a sentence; null where it did not. */
  trouble: string | null;
  checked: { at: string; found: DeskCheck } | null;
}

export const idleKeeper = (): Keeper => ({ running: null, trouble: null, checked: null });
