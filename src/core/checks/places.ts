import type { Place } from './check';

/** Places that a reader or the seller speaks for; no picture shows what stands there. */
const NOT_SEEN = new Set(['listing', 'rfid', 'barcodeScan']);

/** True for places of which no picture of the item tells anything. */
export const notFoundOnPictures = ({ id, side }: Pick<Place, 'id' | 'side'>): boolean =>
  side === 'said' || NOT_SEEN.has(id);
