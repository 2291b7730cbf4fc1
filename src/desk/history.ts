import type { CaseFile } from '@/core/casefile/caseFile';
import type { CaseEvent, NewEvent } from '@/core/casefile/event';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { ConfirmedTruth } from '@/core/casefile/events/truthConfirmed';
import { fold } from '@/core/casefile/fold';
import { genesisHash } from '@/core/casefile/hash';
import { assess } from '@/core/judgement/assess';
import { type CaseFolder, type GroundsRevisions, groundsOf } from '@/core/judgement/grounds';
import { verdictBody } from '@/core/judgement/verdictBody';
import type { Release } from '@/core/releases/release';
import { appendEvents, highestNumber } from '@/store/cases';
import { readDocument } from '@/store/documents';
import { markToLearn } from '@/store/toLearn';
import { chainEvent } from './chainEvent';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { caseNumber } from './openCase';
import { Refusal } from './refusal';
import { projectionRow } from './summary';
import { keepTruth } from './truths';

/** A case that was opened, inspected, sealed and later confirmed, before this desk kept its records here. */
export interface HistoricCase {
  release: string;
  sizeKey: string;
  query: string;
  circumstances: Circumstances;
  by: string;
  at: string;
  confirmedAt: string;
  truth: ConfirmedTruth;
  /** What was found at it. */
  inspect(folder: Pick<CaseFolder, 'id' | 'events' | 'grounds'>): NewEvent[];
}

/**
 * Take in many closed cases at once, each as a whole log, and learn from all of them together at the end.
 *
 * @throws Refusal where a release is not in the records; nothing is kept then
 */
export async function keepHistory(desk: Desk, history: HistoricCase[]): Promise<void> {
  await desk.store.write(async (transaction) => {
    const grounds = new Map<string, GroundsRevisions>();
    const kinds = new Map<string, string>();
    let figure = await highestNumber(desk.store, transaction);
    for (const past of history) {
      const release = await readDocument<Release>(desk.store, 'release', past.release, transaction);
      if (!release) throw new Refusal('notFound', `There is no release record “${past.release}”.`);
      const id = desk.newId();
      figure += 1;
      const number = caseNumber(figure);
      const { kind } = release.body;
      const chosen = { id: release.id, revision: release.revision, hash: release.hash };
      const known =
        grounds.get(past.release) ??
        (await loadGrounds(desk.store, { kind, release: chosen, seal: null }, transaction));
      grounds.set(past.release, known);
      const { query, circumstances, sizeKey, truth, by } = past;
      let log: CaseEvent[] = [];
      let at = { seq: 0, head: genesisHash(id) };
      const add = (event: NewEvent, when: string) => {
        const chained = chainEvent(at, event, when, by);
        at = { seq: chained.seq, head: chained.hash };
        log = [...log, chained];
      };
      add({ id: desk.newId(), type: 'opened', body: { number, kind, query, circumstances } }, past.at);
      add(
        { id: desk.newId(), type: 'releaseChosen', body: { release: chosen, sizeKey, reason: `found by “${query}”` } },
        past.at,
      );
      for (const event of past.inspect({ id, events: log, grounds: known })) add(event, past.at);
      // Sealing adds nothing to what was found, so one assessment serves the verdict and the queue.
      const inspected = fold(id, log);
      const assessment = assess(inspected, groundsOf(known));
      add({ id: desk.newId(), type: 'verdictSealed', body: verdictBody(inspected, known, assessment) }, past.at);
      add({ id: desk.newId(), type: 'truthConfirmed', body: truth }, past.confirmedAt);
      const file: CaseFile = fold(id, log);
      const row = projectionRow(file, number, known, { assessment });
      await appendEvents(desk.store, { row, before: null, events: log }, transaction);
      await keepTruth(desk, file, known, transaction);
      kinds.set(kind, [kinds.get(kind) ?? '', past.confirmedAt].sort()[1] as string);
    }
    for (const [kind, last] of kinds) await markToLearn(desk.store, kind, last.slice(0, 10), transaction);
  });
  await desk.learner(desk);
}
