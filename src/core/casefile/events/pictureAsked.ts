import type { Stamp } from '../caseFile';
import type { EventKind } from './eventKind';

/** A picture was asked for. */
export interface PictureAsked {
  /** Of the client's making. */
  request: string;
  /** What is to be on it, and how it is taken. */
  name: string;
  how: string;
  /** Checks that it may answer. */
  checks: string[];
}

/** What became of it: `wanted` takes an answer back. */
export type RequestState = 'wanted' | 'received' | 'usable' | 'notUsable' | 'refused';

/** A picture that was asked for, with what became of it. */
export interface PictureRequest extends PictureAsked {
  asked: Stamp;
  state: RequestState;
  /** Why it is of no use, or what was said instead. */
  why?: string;
  /** The photograph that came for it. */
  sha256?: string;
  /** Other cases that have the same picture, or nearly. */
  seenIn?: string[];
}

export const pictureAsked: EventKind<'pictureAsked'> = {
  type: 'pictureAsked',
  apply: (file, { body }, asked) => ({
    ...file,
    requests: [...file.requests.filter(({ request }) => request !== body.request), { ...body, asked, state: 'wanted' }],
  }),
};
