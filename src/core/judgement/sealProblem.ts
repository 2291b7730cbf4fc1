import type { CaseEvent } from '../casefile/event';
import { fold } from '../casefile/fold';
import type { GroundsRevisions } from './grounds';
import { verdictBody } from './verdictBody';

const COMPARED = ['goods', 'packaging', 'pGenuine', 'interval', 'weight', 'sentences'] as const;

/**
 * Whether the last sealed verdict is what its log and its documents come to, assessed again.
 *
 * @param grounds the documents that the verdict pins
 * @returns a sentence that says what differs; null where nothing does, or nothing was sealed
 */
export function sealProblem(id: string, events: CaseEvent[], grounds: GroundsRevisions): string | null {
  const at = events.findLastIndex(({ type }) => type === 'verdictSealed');
  const seal = events[at];
  if (seal?.type !== 'verdictSealed') return null;
  // A case that was reopened is held against newer documents than its old verdict.
  if (events.slice(at).some(({ type }) => type === 'reopened')) return null;
  const again = verdictBody(fold(id, events.slice(0, at)), grounds);
  const differing = COMPARED.filter((field) => JSON.stringify(again[field]) !== JSON.stringify(seal.body[field]));
  if (differing.length === 0) return null;
  return `Assessed again, the sealed verdict comes out otherwise (${differing.join(', ')}): ${again.goods}, ${again.pGenuine} genuine, where ${seal.body.goods}, ${seal.body.pGenuine} was sealed.`;
}
