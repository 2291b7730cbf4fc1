import canonicalize from 'canonicalize';
import { bytesHash } from '../casefile/hash';
import { merkleRoot } from './merkle';

/** A signature with the public key that it can be held against. */
export interface Signature {
  /** Ed25519, raw 32 bytes, base64. */
  publicKey: string;
  /** Ed25519, 64 bytes, base64. */
  signature: string;
}

/** How a key is called: the first 16 digits of the SHA-256 of its bytes. */
export const keyName = (publicKey: string): string =>
  bytesHash(Uint8Array.from(atob(publicKey), (letter) => letter.charCodeAt(0))).slice(0, 16);

/** A key's name for people: `1a2b 3c4d 5e6f 7081`. */
export const spacedKeyName = (name: string): string => name.match(/.{1,4}/g)?.join(' ') ?? '';

/** What is signed of an event: its hash, which holds all of it and all that came before. */
export const eventStatement = (hash: string): string => canonicalize({ says: 'pinprick-event', hash }) ?? '';

/** The last event of a case that a day knew. */
export interface Head {
  caseId: string;
  seq: number;
  hash: string;
}

/** All that a desk held at the end of a day, in one hash. */
export interface DayRoot {
  /** ISO day, UTC. */
  day: string;
  /** So many cases are under it. */
  cases: number;
  root: string;
  /** The root of the day before; none before the first. */
  previous: string | null;
}

/** The root of a day over the heads of all cases. */
export const rootOfHeads = (heads: Iterable<Head>): string =>
  merkleRoot(
    [...heads]
      .sort((a, b) => (a.caseId < b.caseId ? -1 : 1))
      .map(({ caseId, seq, hash }) => canonicalize({ caseId, seq, hash }) ?? ''),
  );

/** What is signed of a day. */
export const dayStatement = ({ day, cases, root, previous }: DayRoot): string =>
  canonicalize({ says: 'pinprick-day', day, cases, root, previous }) ?? '';
