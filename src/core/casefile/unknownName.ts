import type { CheckDefinition, KindDefinition } from '../checks/check';
import type { CaseEvent } from './event';

/** The checks that an event answers, or asks about. */
function checksOf(event: CaseEvent): string[] {
  switch (event.type) {
    case 'findingRecorded':
    case 'findingExcused':
    case 'findingWithdrawn':
      return [event.body.check];
    case 'opinionAsked':
      return event.body.checks;
    case 'opinionGiven':
      return Object.keys(event.body.answers);
    default:
      return [];
  }
}

/**
 * The first place or check in a log that none of the given definitions knows, as a sentence; null where all are known.
 *
 * @param kinds the kind of goods as the log's own documents have it, and as this desk has it
 * @param added the checks that the release of the log adds; an item that was held against another one before may have
 *   been asked what that one adds, so then only places are looked at
 */
export function unknownName(
  events: CaseEvent[],
  kinds: KindDefinition[],
  added: Pick<CheckDefinition, 'id'>[],
): string | null {
  const places = new Set(kinds.flatMap((kind) => kind.places.map(({ id }) => id)));
  const checks = new Set([...kinds.flatMap((kind) => kind.checks), ...added].map(({ id }) => id));
  const oneRelease = events.filter(({ type }) => type === 'releaseChosen').length < 2;
  for (const event of events) {
    const place = event.type === 'factRead' || event.type === 'factWithdrawn' ? event.body.place : null;
    if (place !== null && !places.has(place)) return `Event ${event.seq} reads a place “${place}” that nobody knows.`;
    const check = checksOf(event).find((id) => !checks.has(id));
    if (check && oneRelease) return `Event ${event.seq} answers a check “${check}” that nobody knows.`;
  }
  return null;
}
