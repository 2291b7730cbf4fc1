import type { CaseEvent } from '@/core/casefile/event';

/** `signedOut` where nobody is signed in, `proof` where whoever is has to prove it afresh. */
export type RefusalKind = 'invalid' | 'notFound' | 'conflict' | 'forbidden' | 'signedOut' | 'proof' | 'busy';

/** A request that the desk turns down, with a sentence for the person who made it. Nothing was saved. */
export class Refusal extends Error {
  override name = 'Refusal';

  constructor(
    readonly kind: RefusalKind,
    sentence: string,
    /** For a conflict: what others added meanwhile. */
    readonly since: CaseEvent[] = [],
  ) {
    super(sentence);
  }
}

/** What is sent makes no sense. */
export const invalid = (sentence: string): Refusal => new Refusal('invalid', sentence);
