import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { advance, fold } from '@/core/casefile/fold';
import type { CaseFolder } from '@/core/judgement/grounds';

/** A case as this browser sees it: what the server kept, and the same with what is on its way there. */
export interface CaseState {
  folder: CaseFolder;
  kept: CaseFile;
  shown: CaseFile;
  pending: NewEvent[];
}

/** Pending events count at once; they get their real place in the chain from the server. */
const advancePending = (file: CaseFile, event: NewEvent): CaseFile =>
  advance(file, {
    ...event,
    seq: file.seq + 1,
    at: new Date().toISOString(),
    by: file.touched.by,
    previous: file.head,
    hash: '',
  } as CaseEvent);

/** The state that a folder from the server gives, with events that wait on top of it. */
export function stateOf(folder: CaseFolder, pending: NewEvent[] = []): CaseState {
  const kept = fold(folder.id, folder.events);
  return { folder, kept, shown: pending.reduce(advancePending, kept), pending };
}

/** The state with one more batch of events on its way. */
export function withPending(state: CaseState, events: NewEvent[]): CaseState {
  return { ...state, pending: [...state.pending, ...events], shown: events.reduce(advancePending, state.shown) };
}

const isEmptyList = (value: unknown): boolean => Array.isArray(value) && value.length === 0;
/** A body as text; a list that the desk found nothing for says as much as none. */
const said = (body: object): string =>
  JSON.stringify(
    Object.entries(body)
      .filter(([, value]) => !isEmptyList(value))
      .sort(),
  );

/**
 * The state once the server kept a batch. Where it kept what was sent and added nothing, nothing that is shown
 * changes, so nothing has to be assessed or drawn again.
 */
export function afterKeeping(state: CaseState, sent: NewEvent[], events: CaseEvent[]): CaseState {
  const pending = state.pending.slice(sent.length);
  const folder = { ...state.folder, events: [...state.folder.events, ...events] };
  const kept = events.reduce(advance, state.kept);
  const same =
    events.length === sent.length &&
    sent.every((event, i) => event.id === events[i]?.id && said(event.body) === said(events[i]?.body ?? {}));
  const shown = same
    ? { ...state.shown, seq: kept.seq + pending.length, head: kept.head }
    : pending.reduce(advancePending, kept);
  return { folder, kept, shown, pending };
}
