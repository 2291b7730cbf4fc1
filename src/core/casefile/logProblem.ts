import type { CaseEvent } from './event';
import { advance, fold, refusal } from './fold';

/** A case has no more events than this. */
export const MOST_EVENTS = 5_000;

/**
 * Replay a log by the rules that live events follow: it begins with its opening and has one, nothing comes where it
 * would be turned down, and its times are in order.
 *
 * @param events in order, chained
 * @returns the first thing that could not have happened, as a sentence; null where all of it could
 */
export function logProblem(caseId: string, events: CaseEvent[]): string | null {
  const [first] = events;
  if (first?.type !== 'opened') return 'The log does not begin with the opening of a case.';
  if (events.length > MOST_EVENTS)
    return `The log has ${events.length.toLocaleString('en')} events; a case has at most ${MOST_EVENTS.toLocaleString('en')}.`;
  let file = fold(caseId, [first]);
  for (const event of events.slice(1)) {
    const no = refusal(file, event.type);
    if (no) return `Event ${event.seq} (${event.type}) cannot have happened: ${no}`;
    if (event.at < file.touched.at) return `Event ${event.seq} is older than the one before it.`;
    file = advance(file, event);
  }
  return null;
}
