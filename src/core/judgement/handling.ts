import type { KindDefinition } from '../checks/check';
import type { GoodsDecision } from './decide';

const COUNTERFEIT =
  'Suspected goods are held or returned by local rules and never resold. Where the law requires it, customs, consumer protection or the police are told. Nobody is accused.';
const UNDECIDED = 'Until this is decided the goods are held, and not sold.';

/** What to mind with the goods after a decision, as sentences; empty where there is nothing to mind. */
export function handlingSentences(decision: GoodsDecision, { handling }: KindDefinition): string[] {
  const suspected = { counterfeit: COUNTERFEIT, undecided: UNDECIDED, genuine: null, noObjection: null }[decision];
  return [suspected, suspected && handling?.suspected, handling?.always].filter(
    (sentence) => typeof sentence === 'string',
  );
}
