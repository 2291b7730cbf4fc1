import type { Photo } from '@/core/casefile/events/photoAdded';

/** Where a pack's log and documents lie in it. */
export const CASE = 'case.json';

export const PHOTOGRAPHS = 'photographs/';

const ENDINGS: Record<Photo['mime'], string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };

/** Where a photograph lies in a pack. */
export const photographPath = ({ sha256, mime }: Pick<Photo, 'sha256' | 'mime'>): string =>
  `${PHOTOGRAPHS}${sha256}.${ENDINGS[mime]}`;
