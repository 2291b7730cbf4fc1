import sharp from 'sharp';
import { LOOK_HEIGHT, LOOK_WIDTH, lookAlike, pictureLook } from '@/core/imaging/pictureLook';
import { allLooks, casesWithPhotographs, keepLook, lookOf } from '@/store/looks';
import { readPhotograph } from '@/store/photographs';
import type { Desk } from './desk';
import { readLog } from './readLog';
import { requireCase } from './requireCase';

/** Another case that has the same picture. */
export interface SamePicture {
  number: string;
  /** False where it is nearly the same: cut, scaled or saved anew. */
  same: boolean;
}

/** What a kept photograph looks like. */
async function lookAt(desk: Desk, sha256: string): Promise<string> {
  const grey = await sharp(await readPhotograph(desk.store, sha256), { limitInputPixels: false })
    .rotate()
    .flatten({ background: '#ffffff' })
    .greyscale()
    .resize(LOOK_WIDTH, LOOK_HEIGHT, { fit: 'fill' })
    .raw()
    .toBuffer();
  return pictureLook(grey);
}

/** Let it be known what a photograph looks like, for those that come after it. */
export async function noteLook(desk: Desk, sha256: string): Promise<void> {
  if (!(await lookOf(desk.store, sha256))) await keepLook(desk.store, sha256, await lookAt(desk, sha256));
}

/**
 * Other cases that have a picture of this one, or nearly the same.
 *
 * @param caseId the case that it belongs to
 * @param looks of all photographs, where they are at hand
 */
export async function samePictures(
  desk: Desk,
  sha256: string,
  caseId: string,
  looks?: Awaited<ReturnType<typeof allLooks>>,
): Promise<SamePicture[]> {
  const look = (await lookOf(desk.store, sha256)) ?? (await lookAt(desk, sha256));
  const alike = (looks ?? (await allLooks(desk.store))).filter((each) => lookAlike(each.look, look));
  const hashes = [...new Set([sha256, ...alike.map((each) => each.sha256)])];
  const found = new Map<string, boolean>();
  for (const { number, sha256: other } of await casesWithPhotographs(desk.store, hashes, caseId))
    found.set(number, (found.get(number) ?? false) || other === sha256);
  return [...found].map(([number, same]) => ({ number, same }));
}

/** Other cases that have a picture of a case, by the hash of its picture; only pictures that have such. */
export async function casePictures(desk: Desk, number: string): Promise<Record<string, SamePicture[]>> {
  const { file } = await readLog(desk, await requireCase(desk, number));
  const found: Record<string, SamePicture[]> = {};
  for (const { sha256 } of file.photos) await noteLook(desk, sha256);
  const looks = await allLooks(desk.store);
  for (const { sha256 } of file.photos) {
    const same = await samePictures(desk, sha256, file.id, looks);
    if (same.length > 0) found[sha256] = same;
  }
  return found;
}
