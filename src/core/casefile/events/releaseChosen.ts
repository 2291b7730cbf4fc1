import type { EventKind } from './eventKind';

/** A document by revision and content. */
export interface ChosenRelease {
  id: string;
  revision: number;
  hash: string;
}

/** The record, and the size, that the item is held against. */
export interface ReleaseChosen {
  release: ChosenRelease;
  sizeKey: string | null;
  reason: string;
}

export const releaseChosen: EventKind<'releaseChosen'> = {
  type: 'releaseChosen',
  apply: (file, { body }) => ({ ...file, release: body.release, sizeKey: body.sizeKey }),
};
