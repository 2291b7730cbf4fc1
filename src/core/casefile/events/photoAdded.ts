import type { EventKind } from './eventKind';

export interface Photo {
  sha256: string;
  mime: 'image/jpeg' | 'image/png' | 'image/webp';
  bytes: number;
  name: string;
  /** The check or the layer that it belongs to. */
  check?: string;
  layer?: string;
}

export const photoAdded: EventKind<'photoAdded'> = {
  type: 'photoAdded',
  apply: (file, { body }, stamp) => ({ ...file, photos: [...file.photos, { ...body, ...stamp }] }),
};
