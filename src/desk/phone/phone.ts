import type { CaseFile } from '@/core/casefile/caseFile';
import type { Photo } from '@/core/casefile/events/photoAdded';
import { refusal } from '@/core/casefile/fold';
import { checksFor } from '@/core/checks/findings';
import { picturesWanted } from '@/core/checks/picturesWanted';
import type { LineSeen, PhonePage } from '@/core/devices/phoneSeen';
import { groundsOf } from '@/core/judgement/grounds';
import type { Desk } from '../desk';
import { loadGrounds } from '../grounds';
import { allow } from '../people/roster';
import { addPhotograph } from '../photographs';
import { readLog } from '../readLog';
import { recordEvents } from '../recordEvents';
import { Refusal } from '../refusal';
import { requireCase } from '../requireCase';
import { beginLine, endLine, isFull, lineAt, lineOf, openLine, type PhoneLine, tell } from './phoneLine';

/** A line with what stands in its address. */
interface OpenedLine extends LineSeen {
  token: string;
}

const seen = ({ until, guest, pictures }: PhoneLine): LineSeen => ({
  until: new Date(until).toISOString(),
  begun: guest !== null,
  pictures,
});

export type { LineAddress, PhonePage } from '@/core/devices/phoneSeen';

const clock = (desk: Desk): number => Date.parse(desk.now());

/** The case as its log leaves it. @throws Refusal where there is none */
async function caseAt(desk: Desk, number: string): Promise<CaseFile> {
  return (await readLog(desk, await requireCase(desk, number))).file;
}

/**
 * The line by which a phone adds pictures to a case; opened where there is none.
 *
 * @param fresh true to end the one that is open and give out another address
 * @throws Refusal where that person may not, or the case takes no pictures
 */
export async function phoneFor(desk: Desk, by: string, number: string, fresh: boolean): Promise<OpenedLine> {
  await allow(desk, by, 'photoAdded', 'addPhotograph');
  const row = await requireCase(desk, number);
  const { file } = await readLog(desk, row);
  const no = refusal(file, 'photoAdded');
  if (no) throw new Refusal('forbidden', no);
  const open = lineOf(desk.phones, row.number, clock(desk));
  const line = open && !fresh ? open : openLine(desk.phones, row.number, by, clock(desk));
  return { ...seen(line), token: line.token };
}

/** The line that is open for a case, or null. */
export function openPhone(desk: Desk, number: string): LineSeen | null {
  const line = lineOf(desk.phones, number, clock(desk));
  return line && seen(line);
}

/** End the line of a case, if it has one. */
export async function endPhone(desk: Desk, by: string, number: string): Promise<void> {
  await allow(desk, by, 'photoAdded');
  const line = lineOf(desk.phones, number, clock(desk));
  if (line) endLine(desk.phones, line);
}

/**
 * Hear what comes by the line of a case.
 *
 * @returns a way to stop; null where there is no line
 */
export function watchPhone(
  desk: Desk,
  number: string,
  listener: Parameters<PhoneLine['listeners']['add']>[0],
): (() => void) | null {
  const line = lineOf(desk.phones, number, clock(desk));
  if (!line) return null;
  line.listeners.add(listener);
  const end = setTimeout(() => lineOf(desk.phones, number, clock(desk)), line.until - clock(desk) + 50);
  end.unref();
  return () => {
    clearTimeout(end);
    line.listeners.delete(listener);
  };
}

/** @throws Refusal with what to tell its owner, where that phone gets nowhere */
function reach(desk: Desk, token: string, held: string | null): { line: PhoneLine; begun: boolean } {
  const found = lineAt(desk.phones, token, held, clock(desk));
  if ('problem' in found) throw new Refusal('forbidden', found.problem);
  return found;
}

/**
 * What a phone shows at its address. The case is told once it began.
 *
 * @param held what the phone was given when it began, or null
 */
export async function phonePage(desk: Desk, token: string, held: string | null): Promise<PhonePage> {
  const { line, begun } = reach(desk, token, held);
  if (!begun) return { number: line.number, begun, next: [] };
  const file = await caseAt(desk, line.number);
  const grounds = groundsOf(await loadGrounds(desk.store, file));
  return {
    number: line.number,
    begun,
    next: picturesWanted(grounds.kind, checksFor(grounds.kind, grounds.release), file),
  };
}

/**
 * The first phone takes the line.
 *
 * @returns what it holds from then on; null where it is the one that began before
 */
export function beginPhone(desk: Desk, token: string, held: string | null): string | null {
  const { line, begun } = reach(desk, token, held);
  return begun ? null : beginLine(line);
}

/** So often an entry is tried again, where somebody at the bench was quicker. */
const TRIES = 5;

/** Enter a picture on top of whatever the bench enters meanwhile. */
async function enter(desk: Desk, { number, by }: PhoneLine, photo: Photo): Promise<void> {
  const event = { id: desk.newId(), type: 'photoAdded' as const, body: photo };
  for (let tried = 1; ; tried++) {
    const { seq } = await requireCase(desk, number);
    try {
      await recordEvents(desk, { number, events: [event], expectedSeq: seq, by });
      return;
    } catch (error) {
      if (!(error instanceof Refusal && error.kind === 'conflict') || tried >= TRIES) throw error;
    }
  }
}

/**
 * Keep a picture that a phone sends and enter it in the case.
 *
 * @param what which of the wanted pictures it is, by its name; anything else is a picture by phone
 * @throws Refusal with a sentence where it cannot be kept; the line stays
 */
export async function takeByPhone(
  desk: Desk,
  address: { token: string; held: string | null },
  what: string,
  chunks: AsyncIterable<Uint8Array>,
): Promise<PhonePage> {
  const { token, held } = address;
  const { line, begun } = reach(desk, token, held);
  if (!begun) throw new Refusal('forbidden', 'Press “Begin” first.');
  if (isFull(line))
    throw new Refusal('forbidden', 'Enough pictures came by this address. Ask at the bench for a new one.');
  const { next } = await phonePage(desk, token, held);
  const wanted = next.find(({ name }) => name === what);
  const kept = await addPhotograph(desk, line.by, chunks);
  // It may have ended while the picture was on its way.
  reach(desk, token, held);
  const file = await caseAt(desk, line.number);
  if (!file.photos.some(({ sha256 }) => sha256 === kept.sha256)) {
    const place = wanted && !wanted.check;
    await enter(desk, line, {
      ...kept,
      name: place ? wanted.name : `${wanted?.name ?? 'Picture'}, by phone`,
      ...(wanted?.check ? { check: wanted.check } : {}),
    });
  }
  line.pictures++;
  tell(line, { picture: kept.sha256 });
  return phonePage(desk, token, held);
}
