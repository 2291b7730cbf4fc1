import type { Place } from './check';

/** The packaging that prints a fact: what every item comes in, before what only some come in. */
export function packagingWith(places: Place[], fact: string): Place | undefined {
  const printing = places.filter(({ side, facts }) => side === 'packaging' && facts.includes(fact));
  return printing.find(({ more }) => !more) ?? printing[0];
}

/** Places that a reader or the seller speaks for; no picture shows what stands there. */
const NOT_SEEN = new Set(['listing', 'rfid', 'barcodeScan']);

/** True for places of which no picture of the item tells anything. */
export const notFoundOnPictures = ({ id, side }: Pick<Place, 'id' | 'side'>): boolean =>
  side === 'said' || NOT_SEEN.has(id);
