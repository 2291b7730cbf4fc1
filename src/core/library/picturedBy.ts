import type { Photo } from '../casefile/events/photoAdded';

/**
 * For which check each photograph was taken, as far as that is known.
 *
 * @param before what was known of other photographs
 */
export function picturedBy(
  photos: Photo[],
  before: Record<string, string> = {},
): { pictured?: Record<string, string> } {
  const known = [
    ...Object.entries(before),
    ...photos.flatMap(({ sha256, check }): [string, string][] => (check ? [[sha256, check]] : [])),
  ].slice(-40);
  return known.length > 0 ? { pictured: Object.fromEntries(known) } : {};
}
