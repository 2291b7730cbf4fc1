import type { EventKind } from './eventKind';

export const photoWithdrawn: EventKind<'photoWithdrawn'> = {
  type: 'photoWithdrawn',
  apply: (file, { body }) => ({ ...file, photos: file.photos.filter(({ sha256 }) => sha256 !== body.sha256) }),
};
