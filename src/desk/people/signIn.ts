import { bytesHash } from '@/core/casefile/hash';
import type { Person } from '@/core/people/person';
import { credentialKinds, credentialsOf, dropCredentials, keepCredential, triesOf } from '@/store/people';
import type { Desk } from '../desk';
import { invalid, Refusal } from '../refusal';
import { personOfPasskey, type Site } from './passkeys';
import { reachedFromElsewhere } from './reach';
import { readRoster, saveRoster } from './roster';
import { hashSecret, inTurn, requireGoodPassphrase, secretMatches } from './secrets';
import { begin, endShifts, isFresh, note, type Pass, type Place, proved, requireShift, type Sitting } from './shifts';

/** What somebody gives to be let in; which of it is needed depends on how. */
export interface Attempt {
  how: Way;
  /** A name, or an id. */
  name?: string;
  passphrase?: string;
  invitation?: string;
  pin?: string;
  /** What the browser made of a passkey. */
  passkey?: unknown;
  /** The word that the desk prints at its start, for the first sign-in from another machine. */
  setup?: string;
}

/** Where an attempt is made. */
export type From = Place & Site;

/** How the sign-in page greets. */
export interface Greeting {
  /** Nobody can sign in yet: the first to come becomes the owner. */
  first: boolean;
  /** Where the first owner must give the word that the desk printed. */
  setup: boolean;
  /** Those who may sign in with one key press; nobody unless the owner allows it at this machine. */
  oneKey: Pick<Person, 'id' | 'name'>[];
}

/** Whether one key press is enough: the owner allows it, and nobody reaches the desk from elsewhere. */
export async function oneKeyPeople(desk: Desk): Promise<Pick<Person, 'id' | 'name'>[]> {
  const { people, signIn: rules } = (await readRoster(desk)).body;
  const enough = rules.oneKey && !reachedFromElsewhere();
  return enough ? people.flatMap(({ id, name, retired }) => (retired ? [] : [{ id, name }])) : [];
}

/** True where no owner could sign in. */
async function lacksOwner(desk: Desk): Promise<boolean> {
  const { people } = (await readRoster(desk)).body;
  const owners = people.filter(({ role, retired }) => role === 'owner' && !retired);
  if (owners.length > 0 && (await oneKeyPeople(desk)).length > 0) return false;
  const proofs = await credentialKinds(desk.store);
  return !owners.some(({ id }) => proofs.some(({ person, kind }) => person === id && kind !== 'pin'));
}

export async function greeting(desk: Desk): Promise<Greeting> {
  const first = await lacksOwner(desk);
  return { first, setup: first && reachedFromElsewhere(), oneKey: first ? [] : await oneKeyPeople(desk) };
}

/** The id that a name stands for; null where nobody at work here has it. */
async function idOf(desk: Desk, name: string | undefined): Promise<string | null> {
  const wanted = String(name ?? '')
    .trim()
    .toLowerCase();
  const { people } = (await readRoster(desk)).body;
  return people.find((each) => !each.retired && [each.id, each.name.toLowerCase()].includes(wanted))?.id ?? null;
}

const FREE_TRIES = 5;
const FIRST_WAIT_MS = 30_000;
const LONGEST_WAIT_MS = 900_000;

/** @throws Refusal where somebody tried too often to be let in as that person */
async function requirePatience(desk: Desk, person: string): Promise<void> {
  const now = Date.parse(desk.now());
  const tries = await triesOf(desk.store, person, new Date(now - 4 * LONGEST_WAIT_MS).toISOString());
  const sinceLet = tries.findIndex(({ done }) => done === 1);
  const failed = sinceLet === -1 ? tries : tries.slice(0, sinceLet);
  const [newest] = failed;
  if (!newest || failed.length < FREE_TRIES) return;
  const wait = Math.min(FIRST_WAIT_MS * 2 ** (failed.length - FREE_TRIES), LONGEST_WAIT_MS);
  const left = Math.ceil((Date.parse(newest.at) + wait - now) / 1000);
  if (left > 0)
    throw new Refusal(
      'busy',
      `${failed.length} tries for that name were wrong. The next one is heard in ${left < 90 ? `${left} seconds` : `${Math.ceil(left / 60)} minutes`}.`,
    );
}

const secretOf = async (desk: Desk, person: string | null, kind: 'passphrase' | 'pin' | 'invitation') =>
  person === null ? undefined : (await credentialsOf(desk.store, person)).find((each) => each.kind === kind);

const NO_MATCH = 'That name and passphrase do not belong together.';

/** Each way to be let in: whom it lets in, or a refusal. */
const WAYS = {
  async oneKey(desk: Desk, { name }: Attempt) {
    const person = await idOf(desk, name);
    if (!(await oneKeyPeople(desk)).some(({ id }) => id === person))
      throw new Refusal('signedOut', 'One key press is not enough at this desk. Sign in with your passphrase.');
    return person;
  },

  async passphrase(desk: Desk, { name, passphrase }: Attempt) {
    const person = await idOf(desk, name);
    const kept = await secretOf(desk, person, 'passphrase');
    if (!(await secretMatches(String(passphrase ?? ''), kept?.secret))) throw new Refusal('signedOut', NO_MATCH);
    return person;
  },

  async invitation(desk: Desk, { name, invitation, passphrase }: Attempt) {
    const person = await idOf(desk, name);
    const kept = await secretOf(desk, person, 'invitation');
    const good = requireGoodPassphrase(passphrase, String(name));
    const fits = await secretMatches(
      String(invitation ?? '')
        .trim()
        .toUpperCase(),
      kept?.secret,
    );
    if (!fits || !person || !kept || invitationIsOver(desk, kept.since))
      throw new Refusal('signedOut', 'That invitation is not for that name, or it is over. The owner makes a new one.');
    const secret = await hashSecret(good);
    await desk.store.write(async (transaction) => {
      await dropCredentials(desk.store, { person, kind: 'invitation' }, transaction);
      await endShifts(desk, { person }, transaction);
      const since = desk.now();
      await keepCredential(desk.store, { person, kind: 'passphrase', id: '', secret, label: '', since }, transaction);
    });
    return person;
  },

  async pin(desk: Desk, { name, pin }: Attempt, { bench }: From) {
    const person = await idOf(desk, name);
    if (person) await requireShift(desk, bench, person);
    const kept = await secretOf(desk, person, 'pin');
    if (!(await secretMatches(String(pin ?? ''), kept?.secret)))
      throw new Refusal('signedOut', 'That is not the PIN of that person.');
    return person;
  },

  passkey: (desk: Desk, { passkey }: Attempt, from: From) => personOfPasskey(desk, passkey, from),

  async first(desk: Desk, { name, passphrase, setup }: Attempt) {
    if (!(await lacksOwner(desk))) throw new Refusal('forbidden', 'This desk has its owner. Sign in as who you are.');
    const word = process.env.PINPRICK_SETUP;
    if (
      reachedFromElsewhere() &&
      (!word ||
        String(setup ?? '')
          .trim()
          .toUpperCase() !== word)
    )
      throw new Refusal('signedOut', 'That is not the word that this desk printed when it was started.');
    return makeOwner(desk, String(name ?? ''), String(passphrase ?? ''));
  },
} satisfies Record<string, (desk: Desk, attempt: Attempt, from: From) => Promise<string | null>>;

export type Way = keyof typeof WAYS;

const INVITATION_DAYS = 7;

/** An invitation stands for a week. */
export const invitationIsOver = (desk: Desk, since: string): boolean =>
  Date.parse(desk.now()) - Date.parse(since) > INVITATION_DAYS * 86_400_000;

/**
 * Make somebody the owner: whoever has that name already, or a new person.
 *
 * @returns the id
 */
export async function makeOwner(desk: Desk, name: string, passphrase: string): Promise<string> {
  const plain = name.trim();
  if (plain === '') throw invalid('Say who you are: entries and verdicts carry the name.');
  const secret = await hashSecret(requireGoodPassphrase(passphrase, plain));
  const known = await idOf(desk, plain);
  const person = known ?? desk.newId();
  await desk.store.write(async (transaction) => {
    const { body } = await readRoster(desk, transaction);
    const others = body.people.filter(({ id }) => id !== known);
    const owner = { ...body.people.find(({ id }) => id === known), id: person, name: plain, role: 'owner' as const };
    await saveRoster(desk, { ...body, people: [...others, owner] }, transaction);
    const since = desk.now();
    await keepCredential(desk.store, { person, kind: 'passphrase', id: '', secret, label: '', since }, transaction);
  });
  return person;
}

/** What stands for a name that nobody has: tries at it are counted like those at any other, and tell it from none. */
const nobodyOf = (name: string | undefined): string =>
  `?${bytesHash(new TextEncoder().encode(String(name ?? ''))).slice(0, 12)}`;

/** Run a way in its turn, with what it came to in the log; after too many wrong tries nothing is heard for a while. */
async function tried(desk: Desk, attempt: Attempt, from: From): Promise<string> {
  if (!Object.hasOwn(WAYS, attempt.how)) throw invalid(`Nobody signs in by “${String(attempt.how).slice(0, 40)}”.`);
  const { how } = attempt;
  return inTurn(async () => {
    const claimed = (await idOf(desk, attempt.name)) ?? nobodyOf(attempt.name);
    if (how === 'passphrase' || how === 'invitation' || how === 'pin' || how === 'first')
      await requirePatience(desk, claimed);
    try {
      const person = await WAYS[how](desk, attempt, from);
      if (person !== null) return person;
      throw new Refusal('signedOut', NO_MATCH);
    } catch (error) {
      if (error instanceof Refusal && error.kind === 'signedOut') {
        await note(desk, { person: claimed, how, came: from.came, done: false });
        if (how === 'pin') await endAfterWrongPins(desk, claimed, from);
      }
      throw error;
    }
  });
}

/** A PIN is short: after five wrong ones the shift is over, and it takes a passphrase or passkey to go on. */
async function endAfterWrongPins(desk: Desk, person: string, { bench }: From): Promise<void> {
  const wrong = (await triesOf(desk.store, person, '')).findIndex(({ how, done }) => how !== 'pin' || done === 1);
  if (bench && (wrong === -1 || wrong >= FREE_TRIES))
    await desk.store.write((transaction) => endShifts(desk, { person, bench }, transaction));
}

/**
 * Let somebody in.
 *
 * @returns what the browser is to hold
 * @throws Refusal with a sentence; it says nothing of what would have been right
 */
export async function signIn(desk: Desk, attempt: Attempt, from: From): Promise<Pass> {
  const person = await tried(desk, attempt, from);
  return begin(desk, person, { how: attempt.how, place: from, proved: attempt.how !== 'oneKey' });
}

/**
 * Take a fresh proof of whoever is at a browser: a PIN, a passkey or the passphrase.
 *
 * @throws Refusal where it is none, or another person's
 */
export async function prove(desk: Desk, sitting: Sitting, attempt: Attempt, from: From): Promise<void> {
  if (attempt.how !== 'pin' && attempt.how !== 'passkey' && attempt.how !== 'passphrase')
    throw invalid('A proof is a PIN, a passkey or a passphrase.');
  const person = await tried(desk, { ...attempt, name: sitting.me.id }, from);
  if (person !== sitting.me.id) throw new Refusal('signedOut', 'That passkey is another person’s.');
  await proved(desk, sitting);
  await note(desk, { person, how: `proof by ${attempt.how}`, came: from.came, done: true });
}

/**
 * See that whoever changes how they sign in is that person.
 *
 * @throws Refusal where they have a passphrase or passkey and did not just prove it
 */
export async function requireOwnProof(desk: Desk, { me, proved: at }: Sitting): Promise<void> {
  const proofs = await credentialsOf(desk.store, me.id);
  if (proofs.length > 0 && !isFresh(desk, at))
    throw new Refusal('proof', 'Prove first that it is you, by PIN, passkey or passphrase.');
}
