import type { CaseFile } from '@/core/casefile/caseFile';
import type { EventType, NewEvent } from '@/core/casefile/event';
import type { GroundsRevisions } from '@/core/judgement/grounds';
import type { Desk } from '../desk';

/** What the desk has at hand when it completes or turns down an event. */
export interface Setting {
  desk: Desk;
  file: CaseFile;
  grounds: GroundsRevisions;
  /** Who sends it. */
  by: string;
}

export type EventOf<T extends EventType> = Extract<NewEvent, { type: T }>;

/**
 * Fill in what the desk knows of an event.
 *
 * @throws Refusal with a sentence where it cannot be
 */
export type Completion<T extends EventType> = (event: EventOf<T>, setting: Setting) => EventOf<T> | Promise<EventOf<T>>;
