import type { Picture } from '@/core/imaging/grey';

/** Larger pictures are looked at in this size, in px along their longer side. */
const LONGEST = 4096;

/** The pixels of a picture, upright as its camera says, not larger than is looked at. */
export async function pixelsOf(file: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  context?.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const { data } = (context as OffscreenCanvasRenderingContext2D).getImageData(0, 0, width, height);
  return { width, height, data: data as Uint8ClampedArray };
}
