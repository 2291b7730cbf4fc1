import type { EventKind } from './eventKind';
import type { PictureRequest } from './pictureAsked';

/** What became of a picture that was asked for. */
export type PictureAnswered = Pick<PictureRequest, 'request' | 'state' | 'why' | 'sha256' | 'seenIn'>;

export const pictureAnswered: EventKind<'pictureAnswered'> = {
  type: 'pictureAnswered',
  apply: (file, { body: { request, state, why, sha256, seenIn } }) => ({
    ...file,
    requests: file.requests.map((each) =>
      each.request === request
        ? { ...each, state, why, sha256: sha256 ?? each.sha256, seenIn: seenIn ?? each.seenIn }
        : each,
    ),
  }),
};
