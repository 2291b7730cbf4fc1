import type { Transaction } from 'sequelize';
import type { NewEvent } from '@/core/casefile/event';
import type { Circumstances } from '@/core/casefile/events/circumstancesStated';
import type { WorkPlan } from '@/core/casefile/events/workPlanned';
import { fold } from '@/core/casefile/fold';
import { genesisHash } from '@/core/casefile/hash';
import { packagingWith } from '@/core/checks/places';
import { readGtin } from '@/core/codes/gtin';
import { formatProblem } from '@/core/formats/validate';
import type { Release, Revision } from '@/core/releases/release';
import { appendEvents, findCase, highestNumber } from '@/store/cases';
import { readDocument } from '@/store/documents';
import { chainEvent } from './chainEvent';
import type { Desk } from './desk';
import { loadGrounds } from './grounds';
import { identify } from './identify';
import { allow } from './people/roster';
import { Refusal } from './refusal';
import { projectionRow } from './summary';
import { closeYesterday } from './trust/closeDays';

export interface OpenCommand {
  /** Made by the client, so that opening twice opens one case. */
  caseId: string;
  /** What was scanned or typed to find the record. */
  query: string;
  circumstances: Circumstances;
  /** The release and size that were picked, or null to work without a record. */
  release: { id: string; sizeKey: string | null; reason: string } | null;
  /** Needed where there is no release. */
  kind: string | null;
  /** True where the query came from a scanner: it is then also the first reading of the box label. */
  scanned: boolean;
  by: string;
  /** The consignment that it comes with. */
  consignment?: string;
  /** Who takes it, until when. */
  plan?: WorkPlan;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

/** True for the UUID of a case or consignment, in small letters. */
export const isUuid = (text: string): boolean => UUID.test(text);

/** `PP-0042` */
export const caseNumber = (figure: number): string => `PP-${String(figure).padStart(4, '0')}`;

async function chosenRelease(desk: Desk, command: OpenCommand): Promise<Revision<Release> | null> {
  if (!command.release) return null;
  const { id, sizeKey } = command.release;
  if (typeof id !== 'string') throw new Refusal('invalid', 'Say by its id which release it is claimed to be.');
  const release = await readDocument<Release>(desk.store, 'release', id);
  if (!release) throw new Refusal('notFound', `There is no release record “${id}”.`);
  if (sizeKey !== null && !release.body.sizes.some((size) => size.key === sizeKey)) {
    throw new Refusal('invalid', `${release.body.name} was not made in size ${sizeKey}.`);
  }
  return release;
}

/**
 * Open a case on an item: its circumstances, the release it is claimed to be, and the barcode number where one
 * was scanned.
 *
 * @returns the number of the case; the same one where the case was open already
 * @throws Refusal with a sentence; nothing is saved then
 */
export async function openCase(desk: Desk, command: OpenCommand): Promise<string> {
  return (await openCases(desk, command.by, [command]))[0] as string;
}

/**
 * Open several cases at once, all or none.
 *
 * @returns their numbers, in the order of the commands
 * @throws Refusal with a sentence; nothing is saved then
 */
export async function openCases(desk: Desk, by: string, commands: OpenCommand[]): Promise<string[]> {
  if (commands.some(({ query }) => typeof query !== 'string'))
    throw new Refusal('invalid', 'A case needs the text by which its item was found.');
  if (commands.some(({ caseId }) => !isUuid(caseId))) throw new Refusal('invalid', 'A case needs a UUID for its id.');
  await allow(desk, by, 'opened');
  const releases = await Promise.all(commands.map((command) => chosenRelease(desk, command)));
  return desk.store.write(async (transaction) => {
    const numbers: string[] = [];
    for (const [i, command] of commands.entries())
      numbers.push(await openWithin(desk, command, releases[i] ?? null, transaction));
    return numbers;
  });
}

async function openWithin(
  desk: Desk,
  command: OpenCommand,
  release: Revision<Release> | null,
  transaction: Transaction,
): Promise<string> {
  const kind = release?.body.kind ?? command.kind;
  if (!kind) throw new Refusal('invalid', 'Without a release record, say what kind of goods it is.');
  const there = await findCase(desk.store, { id: command.caseId }, transaction);
  if (there) return there.number;
  await closeYesterday(desk, transaction);
  const number = caseNumber((await highestNumber(desk.store, transaction)) + 1);
  const { circumstances, by, consignment, plan } = command;
  const query = command.query.slice(0, 120);
  const events: NewEvent[] = [
    {
      id: desk.newId(),
      type: 'opened',
      body: { number, kind, query, circumstances, ...(consignment ? { consignment } : {}) },
    },
  ];
  if (plan && Object.keys(plan).length > 0) events.push({ id: desk.newId(), type: 'workPlanned', body: plan });
  if (release && command.release) {
    const { id, revision, hash } = release;
    const { sizeKey, reason } = command.release;
    events.push({
      id: desk.newId(),
      type: 'releaseChosen',
      body: { release: { id, revision, hash }, sizeKey, reason },
    });
  }
  const definition = await loadGrounds(desk.store, { kind, release: null, seal: null }, transaction);
  const place = packagingWith(definition.kind.body.places, 'gtin');
  if (command.scanned && circumstances.packaged && place && readGtin(query).readings.length > 0) {
    const identity = await identify(desk.store, 'gtin', query, { maker: null });
    events.push({
      id: desk.newId(),
      type: 'factRead',
      body: { place: place.id, fact: 'gtin', state: 'read', raw: query, via: 'scanned', ...identity },
    });
  }
  for (const event of events) {
    const problem = formatProblem('new-event', event);
    if (problem) throw new Refusal('invalid', problem);
  }
  let at = { seq: 0, head: genesisHash(command.caseId) };
  const log = events.map((event) => {
    const chained = chainEvent(at, event, desk.now(), by);
    at = { seq: chained.seq, head: chained.hash };
    return chained;
  });
  const file = fold(command.caseId, log);
  const grounds = await loadGrounds(desk.store, file, transaction);
  const row = projectionRow(file, number, grounds);
  await appendEvents(desk.store, { row, before: null, events: log }, transaction);
  return number;
}
