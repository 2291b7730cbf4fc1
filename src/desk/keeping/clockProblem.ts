import { lastTouched } from '@/store/cases';
import type { Desk } from '../desk';

/** So much may two clocks of one machine differ after a restart. */
const SLACK_MS = 60_000;

/** What is wrong with this machine's clock, as a sentence; null where nothing shows. */
export async function clockProblem({ store }: Pick<Desk, 'store'>): Promise<string | null> {
  const last = await lastTouched(store);
  if (last === '' || Date.now() + SLACK_MS >= Date.parse(last)) return null;
  return `The clock of this machine says ${new Date().toISOString().slice(0, 16).replace('T', ' ')} UTC, and the last entry is of ${last.slice(0, 16).replace('T', ' ')} UTC. Until the clock is past that, entries carry the time of the last one; set the clock right.`;
}
