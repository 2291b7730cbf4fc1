import type { Photo } from '@/core/casefile/events/photoAdded';
import { request } from '../request';

/** The kinds of pictures that the desk keeps, as a drop zone takes them. */
export const PICTURE_TYPES = { 'image/jpeg': [], 'image/png': [], 'image/webp': [] };

/**
 * Have the desk keep a picture.
 *
 * @returns what the case records of it
 * @throws Error with a sentence where it is none, or too large
 */
export const keepPicture = (file: File): Promise<Pick<Photo, 'sha256' | 'mime' | 'bytes' | 'shot'>> =>
  request('/api/photos', { method: 'POST', body: file });
