import type { EventKind } from './eventKind';

export interface CaseClosed {
  reason: string;
}

/** A case that was opened by mistake, or that nobody will decide, leaves the queue. */
export const caseClosed: EventKind<'caseClosed'> = {
  type: 'caseClosed',
  apply: (file, { body }, stamp) => ({ ...file, closed: { ...stamp, reason: body.reason } }),
};
