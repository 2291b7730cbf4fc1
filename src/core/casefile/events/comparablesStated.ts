import type { Comparable } from '../../listing/comparable';
import type { EventKind } from './eventKind';

/** What others ask and were paid: all of it, in place of what stood there before. */
export interface ComparablesStated {
  comparables: Comparable[];
}

export const comparablesStated: EventKind<'comparablesStated'> = {
  type: 'comparablesStated',
  apply: (file, { body: { comparables } }) => ({ ...file, comparables }),
};
