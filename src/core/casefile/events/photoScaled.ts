import type { EventKind } from './eventKind';

/** A place on a photograph, as shares of its width and height. */
export interface Spot {
  x: number;
  y: number;
}

/** What in a photograph tells how large things are in it; the corners of a bench card are found anew. */
export type KeptScale =
  | { by: 'benchCard'; card: string }
  /** Clockwise from its upper left; its sides in mm. */
  | { by: 'rectangle'; corners: Spot[]; width: number; height: number }
  | { by: 'length'; ends: Spot[]; mm: number };

/** Somebody said what tells the scale of a photograph; null: nothing does. */
export interface PhotoScaled {
  sha256: string;
  scale: KeptScale | null;
}

export const photoScaled: EventKind<'photoScaled'> = {
  type: 'photoScaled',
  apply: (file, { body: { sha256, scale } }) => ({
    ...file,
    photos: file.photos.map((photo) => (photo.sha256 === sha256 ? { ...photo, scale: scale ?? undefined } : photo)),
  }),
};
