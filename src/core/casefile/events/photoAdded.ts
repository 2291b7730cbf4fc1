import type { EventKind } from './eventKind';

export interface Photo {
  sha256: string;
  mime: 'image/jpeg' | 'image/png' | 'image/webp';
  bytes: number;
  name: string;
  /** The check or the layer that it belongs to. */
  check?: string;
  layer?: string;
  /** The bytes that came from the camera, where the house keeps them. They stay at the desk: no pack holds them. */
  original?: { sha256: string; mime: string; bytes: number };
  /** When and how it was taken, as its camera says. */
  shot?: ShotData;
}

/** What a camera says of a picture, without place and owner. */
export interface ShotData {
  /** By the camera's own clock, whose time zone is not known: `2026-11-24T10:31:07`. */
  takenAt?: string;
  exposureSeconds?: number;
  /** The f-number. */
  aperture?: number;
  iso?: number;
  focalLengthMm?: number;
  lens?: string;
}

export const photoAdded: EventKind<'photoAdded'> = {
  type: 'photoAdded',
  apply: (file, { body }, stamp) => ({ ...file, photos: [...file.photos, { ...body, ...stamp }] }),
};
