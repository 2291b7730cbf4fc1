import type { Condition } from '../../checks/check';
import type { EventKind } from './eventKind';

/** Where the item came from; the house rules hold a prior for each. */
export type Channel = 'unstated' | 'walk-in' | 'regular' | 'marketplace' | 'auction' | 'trade';

/** In the order in which they are offered. */
export const CHANNEL_NAMES: Record<Channel, string> = {
  unstated: 'channel not stated',
  'walk-in': 'walk-in',
  regular: 'regular customer',
  marketplace: 'online marketplace',
  auction: 'auction',
  trade: 'trade',
};

/** What is known of the item before it is looked at. */
export interface Circumstances {
  channel: Channel;
  condition: Condition;
  /** False where only pictures can be looked at. */
  inHand: boolean;
  /** False where the goods came without packaging. */
  packaged: boolean;
  /** The house's own label for whoever sells or brings it. */
  seller?: string;
  /** True for an item that was bought to learn from, not brought to be judged. */
  reference?: boolean;
  /** Tools that are not at hand this shift; checks that need them are excused. */
  toolsMissing?: string[];
}

export const circumstancesStated: EventKind<'circumstancesStated'> = {
  type: 'circumstancesStated',
  apply: (file, { body }) => ({ ...file, circumstances: body }),
};
