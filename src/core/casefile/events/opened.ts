import type { Circumstances } from './circumstancesStated';
import type { EventKind } from './eventKind';

/** A case begins. */
export interface Opened {
  number: string;
  kind: string;
  query: string;
  circumstances: Circumstances;
  /** Id of the consignment that it came with. */
  consignment?: string;
}

export const opened: EventKind<'opened'> = {
  type: 'opened',
  apply: (file) => file,
  refusal: ({ number }) => `${number} is open already.`,
};
