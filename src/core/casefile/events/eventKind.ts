import type { CaseFile, Stamp } from '../caseFile';
import type { EventType, KeptEvent } from '../event';

/** All that a kind of event is to a case, in one place. */
export interface EventKind<T extends EventType> {
  type: T;
  /** The case after it. */
  apply(file: CaseFile, event: KeptEvent<T>, stamp: Stamp): CaseFile;
  /**
   * Why it may not be added to a case as it stands, or null. Without it: to a case that is neither sealed nor closed.
   */
  refusal?(file: CaseFile): string | null;
  /** False for what the desk itself adds, and what is learned later: it is no work on the case. */
  isWork?: false;
}

/** A record without one of its keys. */
export function without<T>(entries: Record<string, T>, key: string): Record<string, T> {
  const { [key]: _, ...rest } = entries;
  return rest;
}
