import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Person } from '@/core/people/person';
import { dropShifts, keepShift, keepSignIn, moveShifts, shiftsAt } from '@/store/people';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';
import { readRoster } from './roster';

/** What a browser holds, sealed: which browser it is, and who is at it. */
export interface Pass {
  bench: string;
  person: string;
}

/** Where somebody signs in. */
export interface Place {
  /** The browser's name so far; null where nobody is signed in at it. */
  bench: string | null;
  /** The address, as the connection says. */
  came: string;
}

/** Somebody at a browser, and who else may take over there. */
export interface Sitting {
  me: Person;
  bench: string;
  until: string;
  /** When I last proved to be myself here; null where one key press was enough. */
  proved: string | null;
  /** Whose shift runs at this browser, mine included. */
  here: Person[];
}

/** Who is at a browser; null where nobody is, the shift is over, or the person left. */
export async function sittingOf(desk: Desk, pass: Partial<Pass>): Promise<Sitting | null> {
  const { bench, person } = pass;
  if (!bench || !person) return null;
  const now = desk.now();
  const running = (await shiftsAt(desk.store, bench)).filter(({ until }) => until > now);
  const mine = running.find((shift) => shift.person === person);
  if (!mine) return null;
  const { people } = (await readRoster(desk)).body;
  const here = people.filter((each) => !each.retired && running.some((shift) => shift.person === each.id));
  const me = here.find(({ id }) => id === person);
  return me ? { me, bench, until: mine.until, proved: mine.proved, here } : null;
}

/** Keep a line of the log of sign-ins. */
export function note(
  desk: Desk,
  { person, how, came, done }: { person: string; how: string; came: string; done: boolean },
): Promise<void> {
  const row = { at: desk.now(), person, how, came: came.slice(0, 80), done: Number(done) };
  return desk.store.write((transaction) => keepSignIn(desk.store, row, transaction));
}

/**
 * Begin a shift, or go on with one. The browser gets a new name each time, under which the shifts of others at it go on;
 * the old name opens nothing any more.
 *
 * @param proved whether the person proved to be themselves
 */
export async function begin(
  desk: Desk,
  person: string,
  { how, place, proved }: { how: string; place: Place; proved: boolean },
): Promise<Pass> {
  const bench = randomUUID();
  await desk.store.write(async (transaction) => {
    const now = desk.now();
    const { shiftHours } = (await readRoster(desk, transaction)).body.signIn;
    if (place.bench) await moveShifts(desk.store, place.bench, bench, transaction);
    const running = await runningShift(desk, bench, person, now);
    const until = new Date(Date.parse(now) + shiftHours * 3_600_000).toISOString();
    // A PIN goes on with a shift, and does not make it longer.
    const shift = how === 'pin' && running ? running : { begun: now, until };
    await dropShifts(desk.store, {}, now, transaction);
    await keepShift(desk.store, { ...shift, bench, person, proved: proved ? now : null }, transaction);
    const row = { at: now, person, how, came: place.came.slice(0, 80), done: 1 };
    await keepSignIn(desk.store, row, transaction);
  });
  return { bench, person };
}

async function runningShift(desk: Desk, bench: string, person: string, now: string) {
  return (await shiftsAt(desk.store, bench)).find((shift) => shift.person === person && shift.until > now);
}

/** @throws Refusal where that person did not sign in at that browser, or the shift is over */
export async function requireShift(desk: Desk, bench: string | null, person: string): Promise<void> {
  if (bench && (await runningShift(desk, bench, person, desk.now()))) return;
  throw new Refusal('signedOut', 'A PIN is enough only where that person signed in during this shift. Sign in whole.');
}

/** That a person has just proved to be themselves. */
export async function proved(desk: Desk, { bench, me }: Sitting): Promise<void> {
  await desk.store.write(async (transaction) => {
    const shift = await runningShift(desk, bench, me.id, desk.now());
    if (shift) await keepShift(desk.store, { ...shift, proved: desk.now() }, transaction);
  });
}

/** End every shift at a browser. */
export async function leave(desk: Desk, { bench, me }: Sitting, came: string): Promise<void> {
  await desk.store.write((transaction) => dropShifts(desk.store, { bench }, desk.now(), transaction));
  await note(desk, { person: me.id, how: 'left', came, done: true });
}

/** End a person's shifts, at one browser or everywhere. */
export const endShifts = (
  desk: Desk,
  which: { person: string; bench?: string },
  transaction: Transaction,
): Promise<void> => dropShifts(desk.store, which, desk.now(), transaction);

/** A proof is fresh for so long: time to read what is sealed, not to leave the bench. */
const FRESH_MS = 120_000;

/** Whether a person has proved to be themselves just now. */
export const isFresh = (desk: Desk, at: string | null): boolean =>
  at !== null && Date.parse(desk.now()) - Date.parse(at) < FRESH_MS;
