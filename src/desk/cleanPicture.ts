import readExif from 'exif-reader';
import sharp, { type Metadata } from 'sharp';
import type { ShotData } from '@/core/casefile/events/photoAdded';

/** A number of an EXIF block that can be one. */
const positive = (value: unknown, most: number): number | undefined =>
  typeof value === 'number' && value > 0 && value <= most ? value : undefined;

const words = (value: unknown): string | undefined => {
  const text =
    typeof value === 'string'
      ? value
          .replace(/[^\p{L}\p{N}\p{P}\p{Zs}]/gu, '')
          .trim()
          .slice(0, 80)
      : '';
  return text === '' ? undefined : text;
};

/** When and how a picture was taken, of what its camera wrote beside it; nothing of where, by whom or with whose. */
function shotData(exif: Buffer | undefined): ShotData | undefined {
  if (!exif) return undefined;
  let photo: NonNullable<ReturnType<typeof readExif>['Photo']>;
  try {
    photo = readExif(exif).Photo ?? {};
  } catch {
    return undefined;
  }
  const taken = photo.DateTimeOriginal;
  const at = taken instanceof Date && !Number.isNaN(taken.getTime()) ? taken.toISOString().slice(0, 19) : undefined;
  const iso = Array.isArray(photo.ISOSpeedRatings) ? photo.ISOSpeedRatings[0] : photo.ISOSpeedRatings;
  const all: Record<keyof ShotData, unknown> = {
    takenAt: at,
    exposureSeconds: positive(photo.ExposureTime, 3600),
    aperture: positive(photo.FNumber, 128),
    iso: positive(iso, 10_000_000),
    focalLengthMm: positive(photo.FocalLength, 5000),
    lens: words(photo.LensModel),
  };
  const known = Object.entries(all).filter(([, value]) => value !== undefined);
  return known.length > 0 ? (Object.fromEntries(known) as ShotData) : undefined;
}

/** The same of a picture that is not unpacked here; undefined where it says nothing that can be read. */
export async function shotOf(path: string): Promise<ShotData | undefined> {
  const metadata = await sharp(path, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  return shotData(metadata?.exif);
}

const hasBlocks = ({ exif, iptc, xmp, comments, orientation }: Metadata): boolean =>
  Boolean(exif || iptc || xmp || comments?.length || (orientation ?? 1) > 1);

/**
 * A picture without what its camera wrote beside the pixels: place, owner, numbers of devices. Its orientation is baked in.
 *
 * @param path of a picture that was looked at already
 * @returns the new bytes, null where there is nothing to take out and the file stays as it came; with what may be kept
 */
export async function cleanPicture(path: string, mime: string): Promise<{ bytes: Buffer | null; shot?: ShotData }> {
  const picture = sharp(path, { limitInputPixels: false });
  const metadata = await picture.metadata();
  if (!hasBlocks(metadata)) return { bytes: null };
  const upright = picture.rotate().keepIccProfile();
  const written =
    mime === 'image/png'
      ? upright.png()
      : mime === 'image/webp'
        ? upright.webp({ quality: 95 })
        : upright.jpeg({ quality: 95, chromaSubsampling: '4:4:4' });
  const bytes = await written.toBuffer();
  const shot = shotData(metadata.exif);
  return { bytes, ...(shot ? { shot } : {}) };
}
