import type { CaseEvent } from '@/core/casefile/event';
import { eventStatement, keyName, type Signature } from '@/core/trust/statements';
import type { Voucher, Vouching } from '@/core/trust/vouching';
import type { DeskKeyRow } from '@/store/anchors';
import { signatureHolds } from './deskKey';
import { SIGNED } from './signEvents';

/** A signature as an exported case carries it. */
export type CarriedSignature = Signature & { hash: string };

/**
 * Who vouches for each sealed verdict and each truth of a log.
 *
 * @param keys the keys that are known here
 */
export function vouchingOf(events: CaseEvent[], signatures: CarriedSignature[], keys: DeskKeyRow[]): Vouching[] {
  return events.flatMap(({ seq, type, hash }) => {
    if (!SIGNED.includes(type)) return [];
    const signing = signatures.filter((each) => each.hash === hash && signatureHolds(eventStatement(hash), each));
    const known = signing.map((each) => keys.find(({ publicKey }) => publicKey === each.publicKey)).find(Boolean);
    const publicKey = known?.publicKey ?? signing[0]?.publicKey;
    const by: Voucher = known ? (known.own ? 'own' : 'known') : publicKey ? 'unknown' : 'nobody';
    const label = known && !known.own ? known.label : null;
    return [{ seq, type: type as Vouching['type'], by, key: publicKey ? keyName(publicKey) : null, label }];
  });
}

/** What is wrong with the signatures that came with a log, as sentences. */
export function signatureProblems(events: CaseEvent[], signatures: CarriedSignature[]): string[] {
  return signatures.flatMap((each) => {
    const event = events.find(({ hash }) => hash === each.hash);
    if (!event) return ['A signature belongs to no event of the log.'];
    return signatureHolds(eventStatement(each.hash), each)
      ? []
      : [`The signature of event ${event.seq} is not that of key ${keyName(each.publicKey)}.`];
  });
}
