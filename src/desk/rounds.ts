import { addDays, type Day } from '@/core/dates/day';
import { inspects } from '@/core/people/permissions';
import { atPace, type Pace, pacesOf } from '@/core/rounds/pace';
import type { Waiting } from '@/core/rounds/planDay';
import { entriesBetween } from '@/store/logEntries';
import { listWaiting } from '@/store/waitingCases';
import { listKindDefinitions } from './checks';
import type { Desk } from './desk';
import { houseToday } from './houseDay';
import { everybody } from './people/roster';
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

/** What can be worked on, and how fast the house works by what it did. */
export interface Rounds {
  cases: RoundsLine[];
  paces: (Pace & { kindName: string })[];
  /** Of kinds of goods that this person does not look at: how many cases, and who does. */
  others: { kindName: string; cases: number; who: string[] }[];
}

/** Everything was looked at, and it stays undecided: that is for people to talk about, not for a round. */
const hopeless = ({ open, goods }: QueueLine): boolean => open === 0 && goods.decision === 'undecided';

/** What somebody can work on: not what has left, waits for a seller, for another's opinion, or must not be seen by them. */
const canBeDone = (line: QueueLine, who: string): boolean =>
  line.ahead !== null &&
  line.inHand &&
  line.away === null &&
  line.asked.length === 0 &&
  line.picturesAwaited === 0 &&
  !hopeless(line) &&
  !mustNotSee(line, who);

/**
 * The cases that can be worked on at the bench, those that press first; at most 200.
 *
 * @param owner whose: a person's, with those that nobody took; null for everybody's
 */
export async function roundsOf(desk: Desk, who: string, owner: string | null): Promise<Rounds> {
  const today = await houseToday(desk);
  const rows = await listWaiting(desk.store, { sort: 'due' }, today, { limit: MOST, offset: 0 });
  const lines = await linesOf(desk, rows, who);
  const paces = await pacesSince(desk, addDays(today, -PACE_DAYS));
  const people = (await everybody(desk)).filter(({ retired }) => !retired);
  const person = people.find(({ id }) => id === who);
  const doable = lines.filter(
    (line) => canBeDone(line, who) && (owner === null || line.owner === null || line.owner === owner),
  );
  // What somebody took is theirs, whatever they look at otherwise.
  const isTheirs = ({ kind, owner: has }: QueueLine): boolean =>
    has === who || (person !== undefined && inspects(person, kind));
  const cases = doable
    .filter((line) => owner === null || isTheirs(line))
    .flatMap((line): RoundsLine[] => {
      const { number, due, urgent, value, title, colourName, sizeKey, owner: has, next, styleCode } = line;
      const pace = paces[line.kind];
      const ahead = line.ahead && pace ? atPace(line.ahead, pace) : line.ahead;
      return ahead
        ? [{ number, ahead, due, urgent, value, release: styleCode, title, colourName, sizeKey, owner: has, next }]
        : [];
    });
  const planned = new Map(lines.map(({ kind, kindName }) => [kind, kindName]));
  const left = doable.filter((line) => !isTheirs(line));
  const others = [...new Set(left.map(({ kind }) => kind))].map((kind) => ({
    kindName: planned.get(kind) as string,
    cases: left.filter((line) => line.kind === kind).length,
    who: people.filter((each) => inspects(each, kind)).map(({ name }) => name),
  }));
  return {
    cases,
    others,
    paces: Object.entries(paces).flatMap(([kind, pace]) =>
      planned.has(kind) ? [{ ...pace, kindName: planned.get(kind) as string }] : [],
    ),
  };
}

/** The log of so many days tells how fast the house works. */
const PACE_DAYS = 60;
const MOST_ENTRIES = 50_000;

/** How long this house takes for what the checks of each kind say takes a minute. */
async function pacesSince(desk: Desk, from: Day): Promise<Record<string, Pace>> {
  const [entries, kinds] = await Promise.all([
    entriesBetween(desk.store, `${from}T00:00:00.000Z`, '9999', MOST_ENTRIES),
    listKindDefinitions(desk),
  ]);
  const minutes = new Map(
    kinds.flatMap(({ id, checks }) => checks.map((check) => [`${id} ${check.id}`, check.seconds / 60] as const)),
  );
  return pacesOf(entries, (kind, check) => minutes.get(`${kind} ${check}`));
}
