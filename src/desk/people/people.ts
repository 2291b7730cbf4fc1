import type { Member, PeopleState } from '@/core/people/peopleState';
import type { Person, Role, Roster } from '@/core/people/person';
import {
  type Credential,
  credentialKinds,
  credentialsOf,
  dropCredentials,
  keepCredential,
  newestSignIns,
} from '@/store/people';
import { listKinds } from '../checks';
import type { Desk } from '../desk';
import { invalid, Refusal } from '../refusal';
import { keepPasskey, type Site } from './passkeys';
import { reachedFromElsewhere } from './reach';
import { allow, readRoster, saveRoster } from './roster';
import { hashSecret, newInvitation, requireGoodPassphrase, requireGoodPin } from './secrets';
import { endShifts, type Sitting } from './shifts';
import { invitationIsOver, requireOwnProof } from './signIn';

const LINES = 50;

export async function peopleState(desk: Desk, me: Person): Promise<PeopleState> {
  const { body, revision } = await readRoster(desk);
  const proofs = await credentialKinds(desk.store);
  const kindsOf = (id: string) => proofs.filter(({ person }) => person === id);
  const people = body.people.map((person): Member => {
    const invitation = kindsOf(person.id).find(({ kind }) => kind === 'invitation');
    return {
      ...person,
      has: (['passphrase', 'pin', 'passkey'] as const).filter((kind) =>
        kindsOf(person.id).some((each) => each.kind === kind),
      ),
      invited: invitation && !invitationIsOver(desk, invitation.since) ? invitation.since : null,
    };
  });
  const mine = await credentialsOf(desk.store, me.id);
  return {
    people,
    kinds: (await listKinds(desk)).map(({ id, name }) => ({ id, name })),
    signIn: body.signIn,
    revision,
    wide: reachedFromElsewhere(),
    passkeys: mine.filter(({ kind }) => kind === 'passkey').map(({ id, label, since }) => ({ id, label, since })),
    log: me.role === 'owner' ? await newestSignIns(desk.store, LINES) : [],
  };
}

/** A change of the roster. */
export type RosterChange =
  | { change: 'add'; name: string; role: Role }
  /** `kinds`: null for all. */
  | { change: 'person'; id: string; name?: string; role?: Role; retired?: boolean; kinds?: string[] | null }
  | { change: 'signIn'; signIn: Roster['signIn'] };

const worksAsOwner = ({ role, retired }: Person): boolean => role === 'owner' && !retired;

/** The roster after a change, whoever made it. */
function changed(roster: Roster, change: RosterChange, newId: string): Roster {
  if (change.change === 'signIn') return { ...roster, signIn: change.signIn };
  if (change.change === 'add')
    return {
      ...roster,
      people: [...roster.people, { id: newId, name: String(change.name ?? '').trim(), role: change.role }],
    };
  const { id, name, role, retired, kinds } = change;
  if (!roster.people.some((each) => each.id === id)) throw new Refusal('notFound', 'That person is not on the roster.');
  return {
    ...roster,
    people: roster.people.map((each) =>
      each.id === id
        ? {
            ...each,
            ...(name === undefined ? {} : { name: String(name).trim() }),
            ...(role === undefined ? {} : { role }),
            ...(retired === undefined ? {} : { retired }),
            ...(kinds === undefined ? {} : { kinds: kinds ?? undefined }),
          }
        : each,
    ),
  };
}

/** @throws Refusal where a changed roster would leave nobody in charge, or two people of one name at work */
async function requireSoundRoster(desk: Desk, roster: Roster): Promise<void> {
  const owners = roster.people.filter(worksAsOwner);
  if (owners.length === 0) throw invalid('The desk would have no owner. Make another person the owner first.');
  const names = roster.people.filter(({ retired }) => !retired).map(({ name }) => name.toLowerCase());
  const known = new Set((await listKinds(desk)).map(({ id }) => id));
  const strange = roster.people.flatMap(({ kinds = [] }) => kinds).find((kind) => !known.has(kind));
  if (strange !== undefined) throw invalid(`There is no kind of goods “${String(strange).slice(0, 80)}”.`);
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice) throw invalid(`Two people would be called “${twice}”; entries could not tell them apart.`);
  if (roster.signIn.oneKey) return;
  const proofs = await credentialKinds(desk.store);
  if (!owners.some(({ id }) => proofs.some(({ person, kind }) => person === id && kind !== 'pin')))
    throw invalid('Nobody could sign in as owner any more: set a passphrase or passkey of an owner first.');
}

/**
 * Change who works here, or how they sign in.
 *
 * @param from the revision of the roster that was looked at
 * @throws Refusal where `by` may not, or somebody else changed it meanwhile
 */
export async function changeRoster(desk: Desk, by: string, change: RosterChange, from: number): Promise<string> {
  await allow(desk, by, 'managePeople');
  const newId = desk.newId();
  await desk.store.write(async (transaction) => {
    const { body, revision } = await readRoster(desk, transaction);
    if (revision !== from)
      throw new Refusal('conflict', 'Somebody changed who works here meanwhile. Look at it again, then change it.');
    const next = changed(body, change, newId);
    await requireSoundRoster(desk, next);
    await saveRoster(desk, next, transaction);
    if (change.change === 'person' && change.retired) {
      await endShifts(desk, { person: change.id }, transaction);
      await dropCredentials(desk.store, { person: change.id }, transaction);
    }
  });
  return change.change === 'person' ? change.id : newId;
}

/**
 * Make the word that lets somebody in once, to set a passphrase of their own. It is shown once and kept as a hash.
 *
 * @throws Refusal where `by` may not, or there is no such person at work
 */
export async function invite(desk: Desk, by: string, id: string): Promise<string> {
  await allow(desk, by, 'managePeople');
  const { people } = (await readRoster(desk)).body;
  const person = people.find((each) => !each.retired && [each.id, each.name].includes(id));
  if (!person) throw new Refusal('notFound', `“${id.slice(0, 80)}” does not work at this desk.`);
  const word = newInvitation();
  await keepSecret(desk, person.id, 'invitation', word);
  return word;
}

async function keepSecret(desk: Desk, person: string, kind: Credential['kind'], text: string): Promise<void> {
  const secret = await hashSecret(text);
  const since = desk.now();
  await desk.store.write((transaction) =>
    keepCredential(desk.store, { person, kind, id: '', secret, label: '', since }, transaction),
  );
}

/** What a person changes of their own sign-in. */
export interface OwnChange {
  passphrase?: string;
  pin?: string;
  /** What the browser made. */
  passkey?: unknown;
  /** The id of a passkey that is lost. */
  forget?: string;
}

/**
 * Change how I sign in.
 *
 * @throws Refusal where I have not just proved to be myself
 */
export async function changeOwn(desk: Desk, sitting: Sitting, change: OwnChange, site: Site): Promise<void> {
  const { me } = sitting;
  await requireOwnProof(desk, sitting);
  if (change.passphrase !== undefined)
    await keepSecret(desk, me.id, 'passphrase', requireGoodPassphrase(change.passphrase, me.name));
  if (change.pin !== undefined) await keepSecret(desk, me.id, 'pin', requireGoodPin(change.pin));
  if (change.passkey !== undefined) await keepPasskey(desk, me, change.passkey, site);
  if (change.forget !== undefined) {
    const id = change.forget;
    await desk.store.write((transaction) =>
      dropCredentials(desk.store, { person: me.id, kind: 'passkey', id }, transaction),
    );
  }
}
