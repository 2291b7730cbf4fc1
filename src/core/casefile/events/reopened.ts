import type { EventKind } from './eventKind';

export interface Reopened {
  reason: string;
}

/** A sealed verdict is taken up again, or a case that was closed. */
export const reopened: EventKind<'reopened'> = {
  type: 'reopened',
  apply: (file, { body }, stamp) => ({
    ...file,
    seal: null,
    closed: null,
    met: { ...file.met, ...file.notices },
    notices: {},
    reopenings: [...file.reopenings, { ...stamp, reason: body.reason }],
  }),
  refusal: ({ seal, closed, number }) =>
    seal || closed ? null : `${number} is neither sealed nor closed, so there is nothing to reopen.`,
};
