import type { CheckDefinition } from '../checks/check';
import data from './setups.json';

/** What has to be set up before some checks, and is worth sharing; `bench` needs nothing. */
export type SetupId = keyof typeof data | 'bench';

export interface Setup {
  name: string;
  /** Tools that are at hand once it is set up. */
  tools: string[];
  /** What it takes each time, in minutes. */
  minutes: number;
}

/** In the order in which a day goes: what closes itself in, such as the dark room, once and last. */
export const SETUPS: Record<SetupId, Setup> = { bench: { name: 'At the bench', tools: [], minutes: 0 }, ...data };

/** The order in which set-ups are gone through on a day. */
export const SETUP_ORDER: SetupId[] = ['bench', 'reader', 'scale', 'exemplar', 'dark'];

/** What has to be set up for a check; the dearest where it needs several. */
export function setupOf({ tools = [] }: Pick<CheckDefinition, 'tools'>): SetupId {
  const needed = SETUP_ORDER.filter((id) => SETUPS[id].tools.some((tool) => tools.includes(tool)));
  return needed.sort((a, b) => SETUPS[b].minutes - SETUPS[a].minutes)[0] ?? 'bench';
}
