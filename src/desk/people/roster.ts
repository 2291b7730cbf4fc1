import type { Transaction } from 'sequelize';
import type { EventType } from '@/core/casefile/event';
import { formatProblem } from '@/core/formats/validate';
import { type Deed, may } from '@/core/people/permissions';
import type { Person, Roster } from '@/core/people/person';
import type { Revision } from '@/core/releases/release';
import { readDocument, saveDocument } from '@/store/documents';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';

export const ROSTER_ID = 'bench';

/** Who works here, and how they sign in. */
export async function readRoster(desk: Pick<Desk, 'store'>, transaction?: Transaction): Promise<Revision<Roster>> {
  const found = await readDocument<Roster>(desk.store, 'roster', ROSTER_ID, transaction);
  if (!found) throw new Refusal('notFound', 'This desk has no roster.');
  return found;
}

/** Everybody who works here or did, for the names that entries carry. */
export async function everybody(desk: Desk): Promise<Person[]> {
  return (await readRoster(desk)).body.people;
}

/** Whoever has the machine and works from its command line. No person can have that id. */
export const THE_MACHINE = '@machine';

/** @throws Refusal where that person does not work here */
export async function requirePerson(desk: Desk, id: string): Promise<Person> {
  const person = (await everybody(desk)).find((each) => each.id === id && !each.retired);
  if (!person) throw new Refusal('forbidden', `“${id.slice(0, 80)}” does not work at this desk. Sign in first.`);
  return person;
}

/** What was meant, for whoever may not do it. */
const DEEDS: Partial<Record<EventType | Deed, string>> = {
  opened: 'open a case',
  verdictSealed: 'seal a verdict',
  reopened: 'reopen a case',
  truthConfirmed: 'confirm a truth',
  caseClosed: 'close a case',
  itemMoved: 'say where an item went',
  findingRecorded: 'answer checks',
  import: 'take in files',
  addPhotograph: 'add photographs',
  editRecords: 'edit records',
  editChecks: 'edit checks',
  editHouse: 'change the rules of the house',
  keepDesk: 'see to the keeping of the desk',
  managePeople: 'change who works here',
};

/**
 * Whoever may do all of that; the desk asks before it does anything for anybody.
 *
 * @throws Refusal where the person does not work here, or the role does not let them
 */
export async function allow(desk: Desk, by: string, ...deeds: (EventType | Deed)[]): Promise<void> {
  if (by === THE_MACHINE) return;
  const { name, role } = await requirePerson(desk, by);
  const not = deeds.find((deed) => !may(role, deed));
  if (not)
    throw new Refusal(
      'forbidden',
      `${name} is here as ${role}, who may not ${DEEDS[not] ?? 'do that'}. Nothing was changed.`,
    );
}

/** Keep a changed roster as its next revision. */
export async function saveRoster(desk: Desk, roster: Roster, transaction: Transaction): Promise<void> {
  const problem = formatProblem('roster', roster);
  if (problem) throw new Refusal('invalid', problem);
  if (new Set(roster.people.map(({ id }) => id)).size < roster.people.length)
    throw new Refusal('invalid', 'Two people of the roster have the same id.');
  await saveDocument(desk.store, 'roster', roster, desk.now(), transaction);
}

/** A roster from before there were roles: whoever was on it is a checker, until an owner says otherwise. */
export async function bringRosterUpToDate(desk: Desk): Promise<void> {
  const { body } = await readRoster(desk);
  const { checkers } = body as unknown as { checkers?: { id: string; name: string }[] };
  if (!checkers) return;
  const people = checkers.map((each): Person => ({ ...each, role: 'checker' }));
  const signIn = { oneKey: false, proof: false, shiftHours: 10 };
  await desk.store.write((transaction) => saveRoster(desk, { id: body.id, people, signIn }, transaction));
}
