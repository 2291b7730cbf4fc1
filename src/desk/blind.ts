import type { CaseEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import type { CaseFolder } from '@/core/judgement/grounds';
import { ofRelease } from '@/core/judgement/learned';
import { readCaseFolder } from './caseFolder';
import type { Desk } from './desk';
import { Refusal } from './refusal';

/** The opinion that is waited for from somebody, by the id of the event that asked; null where there is none. */
export function opinionAskedOf({ id, events }: Pick<CaseFolder, 'id' | 'events'>, who: string | null): string | null {
  const file = fold(id, events);
  if (file.seal || file.closed) return null;
  return file.opinions.find(({ to, given }) => to === who && !given)?.id ?? null;
}

/** An answer without what was answered, in its place in the log. */
function untold(event: CaseEvent): CaseEvent {
  if (event.type !== 'findingRecorded' && event.type !== 'findingExcused') return event;
  return { ...event, type: 'findingWithdrawn', body: { check: event.body.check } };
}

/**
 * A case for somebody's screen: whoever is asked for a blind opinion gets it without what others answered, and nobody
 * gets what was learned of other releases.
 */
export function folderFor(folder: CaseFolder, who: string | null): CaseFolder {
  const { statistics, release } = folder.grounds;
  const own = statistics && { ...statistics, body: ofRelease(statistics.body, release?.id ?? null) };
  const grounds = { ...folder.grounds, statistics: own };
  if (opinionAskedOf(folder, who) === null) return { ...folder, grounds };
  return { ...folder, grounds, events: folder.events.map(untold) };
}

/**
 * Turn down whoever must not see a case whole yet.
 *
 * @throws Refusal while a blind opinion is waited for from that person
 */
export async function requireSight(desk: Desk, number: string, who: string | null): Promise<void> {
  const folder = await readCaseFolder(desk, number);
  if (opinionAskedOf(folder, who) !== null)
    throw new Refusal('forbidden', `Your second opinion on ${folder.number} is waited for; give it first.`);
}
