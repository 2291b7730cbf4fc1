import type { Waiting } from '@/core/rounds/planDay';
import { listWaiting } from '@/store/waitingCases';
import type { Desk } from './desk';
import { houseToday } from './houseDay';
import { linesOf, mustNotSee, type QueueLine } from './queue';

/** More are planned for no day. */
const MOST = 200;

/** A case that waits for somebody at the bench, with what a day is planned by. */
export interface RoundsLine extends Waiting {
  title: string;
  colourName: string | null;
  sizeKey: string | null;
  owner: string | null;
  next: string | null;
}

/** Everything was looked at, and it stays undecided: that is for people to talk about, not for a round. */
const hopeless = ({ open, goods }: QueueLine): boolean => open === 0 && goods.decision === 'undecided';

/** What somebody can work on: not what waits for a seller, for another's opinion, or must not be seen by them. */
const canBeDone = (line: QueueLine, who: string): boolean =>
  line.ahead !== null &&
  line.inHand &&
  line.asked.length === 0 &&
  line.picturesAwaited === 0 &&
  !hopeless(line) &&
  !mustNotSee(line, who);

/**
 * The cases that can be worked on at the bench, those that press first; at most 200.
 *
 * @param owner whose: a person's, with those that nobody took; null for everybody's
 */
export async function roundsOf(desk: Desk, who: string, owner: string | null): Promise<RoundsLine[]> {
  const today = await houseToday(desk);
  const rows = await listWaiting(desk.store, { sort: 'due' }, today, { limit: MOST, offset: 0 });
  const lines = await linesOf(desk, rows, who);
  return lines
    .filter((line) => canBeDone(line, who) && (owner === null || line.owner === null || line.owner === owner))
    .flatMap((line): RoundsLine[] => {
      const { number, ahead, due, urgent, title, colourName, sizeKey, owner: has, next, styleCode } = line;
      return ahead
        ? [{ number, ahead, due, urgent, release: styleCode, title, colourName, sizeKey, owner: has, next }]
        : [];
    });
}
