import { fileTypeFromFile } from 'file-type';
import sharp from 'sharp';
import type { Photo } from '@/core/casefile/events/photoAdded';
import { findPhotograph, keepPhotograph, letGo, readPhotograph, receiveFile } from '@/store/photographs';
import { cleanPicture, shotOf } from './cleanPicture';
import type { Desk } from './desk';
import { isHeic, jpegOfHeic } from './heic';
import { readHouseRules } from './houseRules';
import { allow } from './people/roster';
import { Refusal } from './refusal';
import { noteLook } from './samePictures';

/** Larger files than this are no photographs of an item. */
export const LARGEST_PHOTO = 50_000_000;
const MOST_PIXELS = 100_000_000;
const KINDS: string[] = ['image/jpeg', 'image/png', 'image/webp'];

export const TOO_LARGE = 'The picture is larger than 50 MB; make it smaller.';

const DAMAGED = 'The picture cannot be read to its end; it is damaged or was cut off. Send it again.';

/** Why a file is no picture that can be kept, as a sentence; null where it is one. It is told by its bytes. */
async function pictureProblem(path: string, mime: string): Promise<string | null> {
  if (!KINDS.includes(mime)) return 'This is no JPEG, PNG, WebP or HEIC picture.';
  try {
    const picture = sharp(path, { limitInputPixels: false, failOn: 'truncated' });
    const { width, height } = await picture.metadata();
    if (width * height > MOST_PIXELS)
      return `The picture has ${Math.round((width * height) / 1e6)} megapixels; at most ${MOST_PIXELS / 1e6} are kept.`;
    // To the last line of it: a report must not fail because of one picture.
    await picture.resize(64, 64, { fit: 'fill' }).raw().toBuffer();
    return null;
  } catch {
    return DAMAGED;
  }
}

/** A picture as it is kept: its bytes, null where they stay as they came, and what of its camera's words may stay. */
interface CleanPicture {
  mime: Photo['mime'];
  bytes: Buffer | null;
  shot?: Photo['shot'];
}

/** @throws Refusal where it is no picture that can be kept */
async function cleaned(path: string, mime: string): Promise<CleanPicture> {
  const problem = await pictureProblem(path, mime);
  if (problem) throw new Refusal('invalid', problem);
  return { mime: mime as Photo['mime'], ...(await cleanPicture(path, mime)) };
}

/** What phones make of pictures becomes a JPEG. @throws Refusal where it cannot be unpacked */
async function converted(path: string): Promise<CleanPicture> {
  const bytes = await jpegOfHeic(path, MOST_PIXELS);
  if (bytes === 'too large') throw new Refusal('invalid', `The picture has more than ${MOST_PIXELS / 1e6} megapixels.`);
  if (bytes === 'unreadable') throw new Refusal('invalid', DAMAGED);
  const shot = await shotOf(path);
  return { mime: 'image/jpeg', bytes, ...(shot ? { shot } : {}) };
}

/**
 * Keep a photograph; what it is is told by its bytes, not by its name. What its camera wrote of place and owner goes.
 *
 * @param chunks its bytes as they arrive
 * @throws Refusal where it is none, is damaged, or too large
 */
export async function addPhotograph(
  desk: Desk,
  by: string,
  chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
): Promise<Pick<Photo, 'sha256' | 'mime' | 'bytes' | 'shot' | 'original'>> {
  await allow(desk, by, 'addPhotograph');
  const received = await receiveFile(desk.store, 'photographs', chunks, LARGEST_PHOTO);
  if (!received) throw new Refusal('invalid', TOO_LARGE);
  try {
    if (received.bytes === 0) throw new Refusal('invalid', 'The file is empty.');
    const sent = (await fileTypeFromFile(received.path))?.mime ?? '';
    const clean = isHeic(sent) ? await converted(received.path) : await cleaned(received.path, sent);
    const { mime, shot } = clean;
    const file = clean.bytes
      ? await receiveFile(desk.store, 'photographs', [clean.bytes], Number.MAX_SAFE_INTEGER)
      : received;
    const { sha256, bytes } = await keepPhotograph(desk.store, file ?? received, mime, desk.now());
    await noteLook(desk, sha256);
    const keeps = clean.bytes !== null && (await readHouseRules(desk)).rules.house?.originals === true;
    const original = keeps ? await keepPhotograph(desk.store, received, sent, desk.now()) : null;
    return {
      sha256,
      mime,
      bytes,
      ...(shot ? { shot } : {}),
      ...(original ? { original: { sha256: original.sha256, mime: sent, bytes: original.bytes } } : {}),
    };
  } finally {
    await letGo(received);
  }
}

/** Widths at which screens show pictures, in px. */
export const SHOWN_WIDTHS = [320, 1600];

/**
 * A kept photograph, whole or as wide as a screen shows it.
 *
 * @param width one of `SHOWN_WIDTHS`; null for the picture as it is kept
 * @throws Refusal where that photograph is not kept here
 */
export async function photograph(
  desk: Desk,
  sha256: string,
  width: number | null = null,
): Promise<{ bytes: Uint8Array; mime: string }> {
  const row = /^[0-9a-f]{64}$/.test(sha256) ? await findPhotograph(desk.store, sha256) : null;
  if (!row) throw new Refusal('notFound', 'There is no such photograph at this desk.');
  if (width === null) return { bytes: await readPhotograph(desk.store, sha256), mime: row.mime };
  if (!SHOWN_WIDTHS.includes(width))
    throw new Refusal('invalid', `A picture is shown ${SHOWN_WIDTHS.join(' or ')} pixels wide.`);
  const key = `${sha256}/${width}`;
  const known = desk.memory.pictures.get(key);
  if (known) return { bytes: known, mime: 'image/jpeg' };
  const bytes = await sharp(await readPhotograph(desk.store, sha256), { limitInputPixels: false })
    .rotate()
    .resize({ width, withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 82 })
    .toBuffer();
  desk.memory.pictures.set(key, bytes);
  return { bytes, mime: 'image/jpeg' };
}
