import type { Transaction } from 'sequelize';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import { advance, type CaseFile, fold, refusal } from '@/core/casefile/fold';
import { verifyChain } from '@/core/casefile/hash';
import { checksFor } from '@/core/checks/findings';
import { answerProblem } from '@/core/checks/outcome';
import { expandFacts } from '@/core/crossread/facts';
import { formatProblem } from '@/core/formats/validate';
import { changesGrounds, type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import type { Release } from '@/core/releases/release';
import { appendEvents, caseOfEvent, findCase, readEvents } from '@/store/cases';
import { readPinned } from '@/store/documents';
import { findPhotograph } from '@/store/photographs';
import { chainEvent } from './chainEvent';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { identify } from './identify';
import { keepOpinion } from './opinions';
import { Refusal } from './refusal';
import { enterCodes, meetings, noticeElsewhere } from './register';
import { requireChecker } from './roster';
import { projectionRow } from './summary';
import { learnFrom } from './truths';

export interface RecordCommand {
  number: string;
  events: NewEvent[];
  /** The sequence number that the client last saw. */
  expectedSeq: number;
  by: string;
}

const invalid = (sentence: string) => new Refusal('invalid', sentence);
/** Fill in what the desk knows of an event, and turn down what cannot be. */
async function complete(
  desk: Desk,
  file: CaseFile,
  grounds: GroundsRevisions,
  event: NewEvent,
  by: string,
): Promise<NewEvent> {
  const { kind, release, chart } = groundsOf(grounds);
  switch (event.type) {
    case 'factRead':
    case 'factWithdrawn': {
      const place = kind.places.find((each) => each.id === event.body.place);
      if (!place) throw invalid(`${kind.name} has no place “${event.body.place}” to read from.`);
      if (!expandFacts(place.facts, chart).some((fact) => fact.id === event.body.fact)) {
        throw invalid(`The ${place.name.toLowerCase()} is not known to print “${event.body.fact}”.`);
      }
      if (event.type === 'factWithdrawn') return event;
      const { state, raw, fact } = event.body;
      if (state === 'read' && raw.trim() === '') throw invalid('Nothing was entered.');
      if (state !== 'read') return { ...event, body: { ...event.body, belongsTo: [], corrections: [] } };
      return {
        ...event,
        body: { ...event.body, ...(await identify(desk.store, fact, raw, grounds.maker?.id ?? null)) },
      };
    }
    case 'releaseChosen': {
      const { id, hash } = event.body.release;
      const chosen = await readPinned<Release>(desk.store, hash);
      if (!chosen || chosen.id !== id) throw invalid(`There is no release record “${id}” with that content.`);
      const { sizeKey } = event.body;
      if (sizeKey !== null && !chosen.body.sizes.some((size) => size.key === sizeKey)) {
        const sizes = chosen.body.sizes.map((size) => size.key);
        throw invalid(`${chosen.body.name} was not made in size ${sizeKey}; its sizes are ${sizes.join(', ')}.`);
      }
      return event;
    }
    case 'findingRecorded':
    case 'findingExcused':
    case 'findingWithdrawn': {
      const check = checksFor(kind, release).find((each) => each.id === event.body.check);
      if (!check) throw invalid(`There is no check “${event.body.check}” for this item.`);
      if (check.answer.form === 'codes')
        throw invalid(`“${check.name}” is answered by the cross-reading; read the codes instead.`);
      if (event.type !== 'findingRecorded') return event;
      const no = answerProblem(check, event.body);
      if (no) throw invalid(no);
      return event;
    }
    case 'verdictSealed': {
      const body = verdictBody(file, grounds);
      const { goods, packaging, pGenuine } = event.body;
      if (goods !== body.goods || packaging !== body.packaging || pGenuine !== body.pGenuine) {
        throw new Refusal(
          'conflict',
          'The assessment is no longer the one that was shown. Read it again before sealing.',
        );
      }
      return { ...event, body };
    }
    case 'opinionAsked': {
      const { to, checks } = event.body;
      if (to === by) throw invalid('A second opinion is another person’s.');
      await requireChecker(desk, to);
      const unanswered = checks.find((id) => file.findings[id]?.state !== 'recorded');
      if (unanswered) throw invalid(`“${unanswered}” was not answered yet, so there is nothing to answer again.`);
      return event;
    }
    case 'opinionGiven': {
      const asked = file.opinions.find(({ id }) => id === event.body.asked);
      if (!asked) throw invalid('Nobody asked for that opinion.');
      if (asked.to !== by) throw new Refusal('forbidden', `That opinion was asked of “${asked.to}”.`);
      if (asked.given) throw invalid('That opinion was given already.');
      const other = Object.keys(event.body.answers).find((id) => !asked.checks.includes(id));
      if (other) throw invalid(`“${other}” is none of the checks that were asked about.`);
      return event;
    }
    case 'photoAdded':
      if (!(await findPhotograph(desk.store, event.body.sha256))) throw invalid('That photograph is not kept here.');
      return event;
    default:
      return event;
  }
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
  for (const event of command.events) {
    const problem = formatProblem('new-event', event);
    if (problem) throw invalid(problem);
  }
  await requireChecker(desk, command.by);
  return desk.store.write(async (transaction) => {
    const row = await findCase(desk.store, { number: command.number }, transaction);
    if (!row) throw new Refusal('notFound', `There is no case ${command.number}.`);
    const log = await readEvents(desk.store, row.id, transaction);
    const intact = verifyChain(row.id, log);
    if (!intact.intact)
      throw new Refusal('forbidden', `The log of ${row.number} was tampered with: ${intact.sentence}`);
    const kept = await eventsAlreadyKept(desk, row.id, command.events, transaction);
    const fresh = command.events.filter((event) => !kept.has(event.id));
    if (fresh.length === 0)
      return log.slice(
        Math.min(
          command.expectedSeq,
          log.findIndex(({ id }) => kept.has(id)),
        ),
      );
    const since = log.slice(command.expectedSeq);
    // What the register noted meanwhile contradicts nothing that a person does.
    if (command.expectedSeq > row.seq || since.some(({ type }) => type !== 'codeMet')) {
      throw new Refusal('conflict', `${row.number} was changed meanwhile.`, since);
    }
    let file = fold(row.id, log);
    let grounds = await loadGrounds(desk.store, file, transaction);
    const added: CaseEvent[] = [];
    for (const event of fresh) {
      const no = refusal(file, event.type);
      if (no) throw new Refusal('forbidden', no);
      const completed = await complete(desk, file, grounds, event, command.by);
      const chained = chainEvent(file, completed, desk.now(), command.by);
      file = advance(file, chained);
      if (changesGrounds(event.type)) grounds = await loadGrounds(desk.store, file, transaction);
      added.push(chained);
    }
    const changed = await enterCodes(desk, file, grounds, transaction);
    for (const event of await meetings(desk, file, transaction)) {
      const chained = chainEvent(file, event, desk.now(), command.by);
      file = advance(file, chained);
      added.push(chained);
    }
    await appendEvents(desk.store, projectionRow(file, row.number, grounds), added, transaction);
    if (fresh.some(({ type }) => type === 'truthConfirmed')) await learnFrom(desk, file, grounds, transaction);
    for (const event of added)
      if (event.type === 'opinionGiven') await keepOpinion(desk, file, grounds, event, transaction);
    await noticeElsewhere(desk, file, changed, command.by, transaction);
    return [...since, ...added];
  });
}
