import type { EventKind } from './eventKind';

/** Another checker is asked to answer some checks without seeing the first answers. */
export interface OpinionAsked {
  to: string;
  checks: string[];
}

export const opinionAsked: EventKind<'opinionAsked'> = {
  type: 'opinionAsked',
  apply: (file, { id, body: { to, checks } }, asked) => ({
    ...file,
    opinions: [...file.opinions, { id, asked, to, checks, given: null }],
  }),
};
