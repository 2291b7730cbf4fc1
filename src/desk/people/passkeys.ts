import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { Person } from '@/core/people/person';
import { credentialsOf, keepCredential, passkeyById } from '@/store/people';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';

/** The site that a passkey belongs to, as the browser names it. */
export interface Site {
  /** `https://desk.example`, with the port. */
  origin: string;
}

const rpIdOf = ({ origin }: Site): string => new URL(origin).hostname;

/** @throws Refusal where the desk was opened by its address: a passkey belongs to a name */
function requireName(site: Site): void {
  const name = rpIdOf(site);
  if (/^\[|^[\d.]+$/.test(name))
    throw new Refusal(
      'invalid',
      `A passkey belongs to a name, and this desk was opened by its address ${name}. Open it by its name; at this machine that is localhost.`,
    );
}

/** What is kept of a passkey. */
interface Passkey {
  publicKey: string;
  counter: number;
  transports: string[];
}

// A question is answered once, and soon; a server that starts anew has asked none.
const QUESTION_MS = 300_000;
const MOST_QUESTIONS = 1000;
const questions = new Map<string, number>();

function ask(challenge: string): void {
  const now = Date.now();
  for (const [old, until] of questions) if (until < now || questions.size >= MOST_QUESTIONS) questions.delete(old);
  questions.set(challenge, now + QUESTION_MS);
}

/** True once for each question that was asked here. */
function wasAsked(challenge: string): boolean {
  const until = questions.get(challenge) ?? 0;
  questions.delete(challenge);
  return until > Date.now();
}

/** What a browser needs to ask its user for a passkey of this desk. */
export async function passkeyQuestion(site: Site) {
  requireName(site);
  const options = await generateAuthenticationOptions({ rpID: rpIdOf(site), userVerification: 'required' });
  ask(options.challenge);
  return options;
}

const NOT_KNOWN =
  'That passkey is not known at this desk, or it was not used whole. Try again, or use your passphrase.';

/**
 * Whose passkey answered.
 *
 * @throws Refusal where it is nobody's here, or the answer is not to a question of this desk
 */
export async function personOfPasskey(desk: Desk, answer: unknown, site: Site): Promise<string> {
  requireName(site);
  const response = answer as AuthenticationResponseJSON;
  const kept = typeof response?.id === 'string' ? await passkeyById(desk.store, response.id) : null;
  if (!kept) throw new Refusal('signedOut', NOT_KNOWN);
  const { publicKey, counter, transports } = JSON.parse(kept.secret) as Passkey;
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response,
    expectedChallenge: wasAsked,
    expectedOrigin: site.origin,
    expectedRPID: rpIdOf(site),
    credential: { id: kept.id, publicKey: Buffer.from(publicKey, 'base64url'), counter, transports: [] },
  }).catch(() => ({ verified: false, authenticationInfo: null }));
  if (!verified || !authenticationInfo) throw new Refusal('signedOut', NOT_KNOWN);
  const secret = JSON.stringify({ publicKey, counter: authenticationInfo.newCounter, transports } satisfies Passkey);
  if (!desk.store.looking)
    await desk.store.write((transaction) => keepCredential(desk.store, { ...kept, secret }, transaction));
  return kept.person;
}

/** What a browser needs to make a passkey for somebody. */
export async function newPasskeyQuestion(desk: Desk, person: Person, site: Site) {
  requireName(site);
  const own = (await credentialsOf(desk.store, person.id)).filter(({ kind }) => kind === 'passkey');
  const options = await generateRegistrationOptions({
    rpName: 'Pinprick',
    rpID: rpIdOf(site),
    userName: person.name,
    userID: new TextEncoder().encode(person.id),
    excludeCredentials: own.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  ask(options.challenge);
  return options;
}

/** Keep a passkey that was just made. */
export async function keepPasskey(desk: Desk, person: Person, answer: unknown, site: Site): Promise<void> {
  requireName(site);
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: answer as RegistrationResponseJSON,
    expectedChallenge: wasAsked,
    expectedOrigin: site.origin,
    expectedRPID: rpIdOf(site),
  }).catch(() => ({ verified: false, registrationInfo: undefined }));
  if (!verified || !registrationInfo)
    throw new Refusal('invalid', 'The passkey was not made whole, so it is not kept. Try again.');
  const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
  const secret = JSON.stringify({
    publicKey: Buffer.from(publicKey).toString('base64url'),
    counter,
    transports,
  } satisfies Passkey);
  const since = desk.now();
  await desk.store.write((transaction) =>
    keepCredential(
      desk.store,
      { person: person.id, kind: 'passkey', id, secret, label: rpIdOf(site), since },
      transaction,
    ),
  );
}
