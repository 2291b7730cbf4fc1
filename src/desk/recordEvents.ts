import type { Transaction } from 'sequelize';
import type { CaseEvent, EventType, NewEvent } from '@/core/casefile/event';
import { advance, refusal } from '@/core/casefile/fold';
import { MOST_EVENTS } from '@/core/casefile/logProblem';
import { formatProblem } from '@/core/formats/validate';
import { changesGrounds } from '@/core/judgement/grounds';
import { appendEvents, caseOfEvent, findCase } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import { chainEvent } from './chainEvent';
import type { Desk } from './desk';
import { complete } from './events';
import { loadGrounds } from './grounds';
import { keepOpinion } from './opinions';
import { allow, readRoster } from './people/roster';
import { isFresh } from './people/shifts';
import { readLog } from './readLog';
import { invalid, Refusal } from './refusal';
import { enterCodes, meetings, noticeElsewhere } from './register';
import { projectionRow, settleSoon } from './summary';
import { closeYesterday } from './trust/closeDays';
import { signEvents } from './trust/signEvents';
import { keepToLearn, keepTruth } from './truths';

/** So many events are made by no hand. */
const MOST_AT_ONCE = 500;

/** Most of what is entered; the register is not asked about it. */
const SAY_NOTHING_OF_CODES = new Set<EventType>([
  'findingRecorded',
  'findingExcused',
  'findingWithdrawn',
  'photoAdded',
  'photoWithdrawn',
  'photoScaled',
  'pictureNoted',
  'comparablesStated',
  'pictureAsked',
  'pictureAnswered',
  'workPlanned',
  'opinionAsked',
  'opinionGiven',
  'itemMoved',
]);

export interface RecordCommand {
  number: string;
  events: NewEvent[];
  /** The sequence number that the client last saw. */
  expectedSeq: number;
  by: string;
  /** When that person last proved to be themselves; null where they never did. */
  proved?: string | null;
}

/** What the desk notes by itself, and what a phone sends meanwhile, contradict nothing that a person enters. */
const CONTRADICTS_NOTHING = new Set<EventType>(['codeMet', 'photoAdded', 'workPlanned']);

/** What somebody's good name is staked on. */
const STAKED: EventType[] = ['verdictSealed', 'truthConfirmed'];

/** @throws Refusal where the house wants a fresh proof for what is staked, and there is none */
async function requireFreshProof(
  desk: Desk,
  events: NewEvent[],
  proved: string | null,
  transaction: Transaction,
): Promise<void> {
  if (!events.some(({ type }) => STAKED.includes(type)) || isFresh(desk, proved)) return;
  if ((await readRoster(desk, transaction)).body.signIn.proof)
    throw new Refusal('proof', 'This house asks for your PIN, passkey or passphrase before it seals or confirms.');
}

async function eventsAlreadyKept(
  desk: Desk,
  caseId: string,
  events: NewEvent[],
  transaction: Transaction,
): Promise<Set<string>> {
  const kept = new Set<string>();
  for (const { id } of events) {
    const owner = await caseOfEvent(desk.store, id, transaction);
    if (owner && owner !== caseId) throw new Refusal('conflict', 'An event with that id belongs to another case.');
    if (owner) kept.add(id);
  }
  return kept;
}

/**
 * Append events to a case, all or none. Sending the same events again is harmless; events made without
 * knowledge of what another person added meanwhile are turned down with what was added.
 *
 * @returns the events as they were kept, with what the desk itself added since `expectedSeq`
 * @throws Refusal with a sentence; nothing is saved then
 */
export async function recordEvents(desk: Desk, command: RecordCommand): Promise<CaseEvent[]> {
  const { events, expectedSeq } = command;
  if (events.length === 0) throw invalid('No event was sent.');
  if (expectedSeq < 0) throw invalid('“expectedSeq” is the number of events that you saw: 0 or more.');
  if (events.length > MOST_AT_ONCE)
    throw invalid(`${events.length} events at once are too many; send at most ${MOST_AT_ONCE}. Nothing was kept.`);
  for (const event of command.events) {
    const problem = formatProblem('new-event', event);
    if (problem) throw invalid(problem);
    if (event.id !== event.id.toLowerCase()) throw invalid('The id of an event is a UUID in small letters.');
  }
  if (new Set(events.map(({ id }) => id)).size < events.length)
    throw invalid('Two of the events have the same id. Nothing was kept.');
  await allow(desk, command.by, ...events.map(({ type }) => type));
  let kept: CaseRow | null = null;
  let learns = false;
  const recorded = await desk.store.write(async (transaction) => {
    await closeYesterday(desk, transaction);
    const row = await findCase(desk.store, { number: command.number }, transaction);
    if (!row) throw new Refusal('notFound', `There is no case ${command.number}.`);
    const { events: log, file: before, trouble } = await readLog(desk, row, transaction);
    if (trouble) throw new Refusal('forbidden', trouble);
    const known = await eventsAlreadyKept(desk, row.id, command.events, transaction);
    const fresh = command.events.filter((event) => !known.has(event.id));
    if (fresh.length === 0)
      return log.slice(
        Math.min(
          command.expectedSeq,
          log.findIndex(({ id }) => known.has(id)),
        ),
      );
    await requireFreshProof(desk, fresh, command.proved ?? null, transaction);
    const since = log.slice(command.expectedSeq);
    if (command.expectedSeq > row.seq || since.some(({ type }) => !CONTRADICTS_NOTHING.has(type))) {
      throw new Refusal('conflict', `${row.number} was changed meanwhile.`, since);
    }
    if (log.length + fresh.length > MOST_EVENTS)
      throw new Refusal(
        'forbidden',
        `${row.number} has ${log.length} events, and a case has at most ${MOST_EVENTS}. Seal it, or close it and open another.`,
      );
    let file = before;
    let grounds = await loadGrounds(desk.store, file, transaction);
    const added: CaseEvent[] = [];
    for (const event of fresh) {
      const no = refusal(file, event.type);
      if (no) throw new Refusal('forbidden', no);
      const completed = await complete(event, { desk, file, grounds, by: command.by });
      const chained = chainEvent(file, completed, desk.now(), command.by);
      file = advance(file, chained);
      if (changesGrounds(event.type)) grounds = await loadGrounds(desk.store, file, transaction);
      added.push(chained);
    }
    const codes = fresh.some(({ type }) => !SAY_NOTHING_OF_CODES.has(type));
    const changed = codes ? await enterCodes(desk, file, grounds, transaction) : [];
    for (const event of codes ? await meetings(desk, file, transaction) : []) {
      const chained = chainEvent(file, event, desk.now(), command.by);
      file = advance(file, chained);
      added.push(chained);
    }
    const next = projectionRow(file, row.number, grounds, { before: row });
    await appendEvents(desk.store, { row: next, before: row, events: added }, transaction);
    kept = next;
    // Should the rest fail, no row ever has that head.
    desk.memory.logs.set(next.head, { events: [...log, ...added], file });
    await signEvents(desk, row.id, added, transaction);
    if (fresh.some(({ type }) => type === 'truthConfirmed')) {
      await keepToLearn(desk, file, grounds, transaction);
      learns = true;
    } else if (fresh.some(({ type }) => type === 'verdictSealed' || type === 'reopened'))
      await keepTruth(desk, file, grounds, transaction);
    for (const event of added)
      if (event.type === 'opinionGiven') await keepOpinion(desk, file, grounds, event, transaction);
    await noticeElsewhere(desk, file, changed, command.by, transaction);
    return [...since, ...added];
  });
  if (kept) settleSoon(desk, kept);
  if (learns) await desk.learner(desk);
  return recorded;
}
