import { randomBytes, randomInt, type ScryptOptions, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { Refusal } from '../refusal';

const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt);

/** log2 N, r and p: 128 MiB and some tenths of a second for each try. */
const COST = { ln: 17, r: 8, p: 1 };
const BYTES = 32;
const WRITTEN = /^\$scrypt\$ln=(\d+),r=(\d+),p=(\d+)\$([\w+/=]+)\$([\w+/=]+)$/;

type Cost = typeof COST;

const derived = (text: string, salt: Buffer, { ln, r, p }: Cost): Promise<Buffer> =>
  derive(text.normalize('NFKC'), salt, BYTES, { N: 2 ** ln, r, p, maxmem: 2 ** (ln + 8) * r });

/** Most that wait for their turn; each takes memory and time. */
const MOST_WAITING = 20;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** One after the other, so that many tries at once neither fill the memory nor slip past a count. */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING)
    throw new Refusal('busy', 'Too many are signing in at this moment. Wait a little and try again.');
  waiting += 1;
  const turn = last.then(work, work).finally(() => {
    waiting -= 1;
  });
  last = turn.catch(() => undefined);
  return turn;
}

/** What is kept of a passphrase or PIN: `$scrypt$ln=17,r=8,p=1$salt$hash`. */
export async function hashSecret(text: string): Promise<string> {
  const salt = randomBytes(16);
  const { ln, r, p } = COST;
  const hash = await derived(text, salt, COST);
  return `$scrypt$ln=${ln},r=${r},p=${p}$${salt.toString('base64')}$${hash.toString('base64')}`;
}

/** What nobody's passphrase makes, so that an unknown name takes as long as a known one. */
const NOBODYS = `$scrypt$ln=${COST.ln},r=${COST.r},p=${COST.p}$${'A'.repeat(22)}==$${'A'.repeat(43)}=`;

/** True where the text is what was hashed. */
export async function secretMatches(text: string, written: string | undefined): Promise<boolean> {
  const [, ln, r, p, salt = '', hash = ''] = WRITTEN.exec(written ?? NOBODYS) ?? [];
  const made = await derived(text, Buffer.from(salt, 'base64'), { ln: Number(ln), r: Number(r), p: Number(p) });
  return timingSafeEqual(made, Buffer.from(hash, 'base64')) && written !== undefined;
}

const LEAST = 12;

/** @throws Refusal where a passphrase is too easily guessed */
export function requireGoodPassphrase(text: unknown, name: string): string {
  const plain = String(text ?? '');
  if (plain.length < LEAST)
    throw new Refusal('invalid', `A passphrase has at least ${LEAST} characters; some words do.`);
  if (plain.length > 200) throw new Refusal('invalid', 'A passphrase has at most 200 characters.');
  const rest = plain.toLowerCase().replaceAll(name.toLowerCase(), '');
  if (new Set(rest).size < 6)
    throw new Refusal(
      'invalid',
      'That is guessed in a moment: it is a few characters over and over, or your own name.',
    );
  return plain;
}

/** @throws Refusal where a PIN is none, or the first that anybody tries */
export function requireGoodPin(text: unknown): string {
  const pin = String(text ?? '');
  if (!/^\d{4,8}$/.test(pin)) throw new Refusal('invalid', 'A PIN is 4 to 8 digits.');
  const steps = new Set([...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i])));
  if (steps.size === 1 && [0, 1, -1].includes([...steps][0] ?? 0))
    throw new Refusal('invalid', 'That PIN is the first that anybody tries; take another one.');
  return pin;
}

/** Letters and digits that nobody takes for each other. */
const PLAIN = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A word that lets somebody in once: `K7QM-93TX-HWPA`, 59 bits. */
export const newInvitation = (): string =>
  Array.from({ length: 3 }, () => Array.from({ length: 4 }, () => PLAIN[randomInt(PLAIN.length)]).join('')).join('-');
