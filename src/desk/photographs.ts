import { fileTypeFromBuffer } from 'file-type';
import type { Photo } from '@/core/casefile/events/photoAdded';
import { findPhotograph, keepPhotograph, readPhotograph } from '@/store/photographs';
import type { Desk } from './desk';
import { Refusal } from './refusal';

/** Larger files than this are no photographs of an item. */
export const LARGEST_PHOTO = 25_000_000;
const KINDS: string[] = ['image/jpeg', 'image/png', 'image/webp'];

/**
 * Keep a photograph; what it is is told by its bytes, not by its name.
 *
 * @throws Refusal where it is none, or too large
 */
export async function addPhotograph(desk: Desk, bytes: Uint8Array): Promise<Pick<Photo, 'sha256' | 'mime' | 'bytes'>> {
  if (bytes.length === 0) throw new Refusal('invalid', 'The file is empty.');
  if (bytes.length > LARGEST_PHOTO) throw new Refusal('invalid', 'The picture is larger than 25 MB; make it smaller.');
  const mime = (await fileTypeFromBuffer(bytes))?.mime ?? '';
  if (!KINDS.includes(mime)) throw new Refusal('invalid', 'This is no JPEG, PNG or WebP picture.');
  const row = await keepPhotograph(desk.store, bytes, mime, desk.now());
  return { sha256: row.sha256, mime: mime as Photo['mime'], bytes: row.bytes };
}

/** @throws Refusal where that photograph is not kept here */
export async function photograph(desk: Desk, sha256: string): Promise<{ bytes: Uint8Array; mime: string }> {
  const row = /^[0-9a-f]{64}$/.test(sha256) ? await findPhotograph(desk.store, sha256) : null;
  if (!row) throw new Refusal('notFound', 'There is no such photograph at this desk.');
  return { bytes: await readPhotograph(desk.store, sha256), mime: row.mime };
}
