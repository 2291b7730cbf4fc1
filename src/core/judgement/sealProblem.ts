import type { CaseEvent } from '../casefile/event';
import { fold } from '../casefile/fold';
import type { GroundsRevisions } from './grounds';
import { verdictBody } from './verdictBody';

const COMPARED = ['goods', 'packaging', 'pGenuine', 'interval', 'weight', 'sentences'] as const;

/** What differs between a sealed verdict and what its log and its documents come to. */
export interface SealProblem {
  sentence: string;
  /** True where another version of the program sealed it, which may have read the same entries otherwise. */
  otherProgram: boolean;
}

/**
 * Whether the last sealed verdict is what its log and its documents come to, assessed again.
 *
 * @param grounds the documents that the verdict pins, and this version of the program
 * @returns null where nothing differs, or nothing was sealed
 */
export function sealProblem(id: string, events: CaseEvent[], grounds: GroundsRevisions): SealProblem | null {
  const at = events.findLastIndex(({ type }) => type === 'verdictSealed');
  const seal = events[at];
  if (seal?.type !== 'verdictSealed') return null;
  // A case that was reopened is held against newer documents than its old verdict.
  if (events.slice(at).some(({ type }) => type === 'reopened')) return null;
  const again = verdictBody(fold(id, events.slice(0, at)), grounds);
  const differing = COMPARED.filter((field) => JSON.stringify(again[field]) !== JSON.stringify(seal.body[field]));
  if (differing.length === 0) return null;
  const otherProgram = seal.body.pins.program !== grounds.program;
  const by = otherProgram ? ' by this version of the program, which is not the one that sealed it' : '';
  return {
    otherProgram,
    sentence: `Assessed again${by}, the sealed verdict comes out otherwise (${differing.join(', ')}): ${again.goods}, ${again.pGenuine} genuine, where ${seal.body.goods}, ${seal.body.pGenuine} was sealed.`,
  };
}
