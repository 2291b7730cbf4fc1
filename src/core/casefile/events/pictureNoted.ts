import type { Stamp } from '../caseFile';
import type { EventKind } from './eventKind';
import type { Spot } from './photoScaled';

/** Something that is said of a place on a photograph; an empty text takes the note away. */
export interface PictureNoted {
  sha256: string;
  /** Of the client's making. */
  note: string;
  at: Spot;
  text: string;
}

/** A note as it stands on a photograph. */
export type PictureNote = Omit<PictureNoted, 'sha256' | 'at'> & { spot: Spot } & Stamp;

export const pictureNoted: EventKind<'pictureNoted'> = {
  type: 'pictureNoted',
  apply: (file, { body: { sha256, note, at, text } }, stamp) => ({
    ...file,
    photos: file.photos.map((photo) => {
      if (photo.sha256 !== sha256) return photo;
      const others = (photo.notes ?? []).filter((each) => each.note !== note);
      return { ...photo, notes: text === '' ? others : [...others, { note, spot: at, text, ...stamp }] };
    }),
  }),
};
