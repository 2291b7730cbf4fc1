import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import canonicalize from 'canonicalize';
import type { CaseEvent } from './event';

/** SHA-256 of some bytes: 64 hexadecimal digits. */
export const bytesHash = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/**
 * SHA-256 over the canonical JSON of a value, so that the order of keys does not matter.
 *
 * @param value anything that JSON can hold
 * @returns 64 hexadecimal digits
 * @source RFC 8785, JSON Canonicalization Scheme
 */
export function contentHash(value: unknown): string {
  return bytesHash(utf8ToBytes(canonicalize(value) ?? 'null'));
}

/** What stands before the first event of a case. */
export function genesisHash(caseId: string): string {
  return contentHash({ case: caseId });
}

/** The hash of an event: over all of it but the hash itself, the hash of the one before included. */
export function eventHash(event: Omit<CaseEvent, 'hash'>): string {
  const { id, type, body, seq, at, by, previous } = event;
  return contentHash({ id, type, body, seq, at, by, previous });
}

export type ChainCheck = { intact: true; head: string } | { intact: false; seq: number; sentence: string };

/**
 * Walk a log and see that nothing in it was changed, left out or moved.
 *
 * @param events the log in order
 * @returns the head hash, or the first event that does not fit
 */
export function verifyChain(caseId: string, events: CaseEvent[]): ChainCheck {
  let previous = genesisHash(caseId);
  for (const [index, event] of events.entries()) {
    const seq = index + 1;
    if (event.seq !== seq) {
      return {
        intact: false,
        seq,
        sentence: `Event ${seq} is missing or out of order: number ${event.seq} stands in its place.`,
      };
    }
    if (event.previous !== previous) {
      return { intact: false, seq, sentence: `Event ${seq} does not follow from the one before it.` };
    }
    if (eventHash(event) !== event.hash) {
      return { intact: false, seq, sentence: `Event ${seq} (${event.type}) was changed after it was recorded.` };
    }
    previous = event.hash;
  }
  return { intact: true, head: previous };
}
