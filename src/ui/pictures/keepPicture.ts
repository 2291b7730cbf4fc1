import type { Photo } from '@/core/casefile/events/photoAdded';
import { request } from '../request';

/** The kinds of pictures that the desk takes in, as a drop zone does; the last ones it makes a JPEG of. */
export const PICTURE_TYPES = {
  'image/jpeg': [],
  'image/png': [],
  'image/webp': [],
  'image/heic': ['.heic'],
  'image/heif': ['.heif'],
};

/** Said of a file that a drop zone turned away. */
export const noPicture = ({ file }: { file: File }): string => `${file.name} is no JPEG, PNG, WebP or HEIC picture.`;

/**
 * Have the desk keep a picture.
 *
 * @returns what the case records of it
 * @throws Error with a sentence where it is none, or too large
 */
export const keepPicture = (file: File): Promise<Pick<Photo, 'sha256' | 'mime' | 'bytes' | 'shot' | 'original'>> =>
  request('/api/photos', { method: 'POST', body: file });
