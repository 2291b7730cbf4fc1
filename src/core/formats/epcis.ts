import type { Whereabouts } from '../casefile/events/itemMoved';

/** An item that was seen by its tag or its symbol. */
export interface Sighting {
  /** UUID of the entry that it comes from. */
  id: string;
  /** ISO 8601 instant, UTC. */
  at: string;
  /** Pure identity of the EPC: `urn:epc:id:sgtin:…`. */
  epc: string;
  /** Where it went; left out where it was read while it was inspected. */
  to?: Whereabouts;
}

/** What a move is called in the standard's vocabulary. */
const STEPS: Record<Whereabouts, Pick<EpcisEvent, 'action' | 'bizStep' | 'disposition'>> = {
  desk: { action: 'OBSERVE', bizStep: 'receiving', disposition: 'returned' },
  owner: { action: 'OBSERVE', bizStep: 'shipping', disposition: 'returned' },
  sale: { action: 'OBSERVE', bizStep: 'shipping', disposition: 'in_transit' },
  kept: { action: 'OBSERVE', bizStep: 'storing', disposition: 'non_sellable_other' },
  authority: { action: 'OBSERVE', bizStep: 'shipping', disposition: 'non_sellable_other' },
  destroyed: { action: 'DELETE', bizStep: 'destroying', disposition: 'destroyed' },
};

/** What is used of an event of an EPCIS document. */
export interface EpcisEvent {
  type: string;
  eventID?: string;
  eventTime: string;
  eventTimeZoneOffset: string;
  action?: 'OBSERVE' | 'ADD' | 'DELETE';
  bizStep?: string;
  disposition?: string;
  epcList?: string[];
}

export interface EpcisDocument {
  '@context': unknown;
  type: 'EPCISDocument';
  schemaVersion: string;
  creationDate: string;
  epcisBody: { eventList: EpcisEvent[] };
}

const CONTEXT = 'https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld';

/**
 * Sightings as an EPCIS document: one object event for each, of an item that is being inspected, leaves, or comes back.
 *
 * @param now ISO 8601 instant at which it is made
 * @source GS1 EPCIS and CBV 2.0
 */
export function epcisOf(sightings: Sighting[], now: string): EpcisDocument {
  return {
    '@context': [CONTEXT],
    type: 'EPCISDocument',
    schemaVersion: '2.0',
    creationDate: now,
    epcisBody: {
      eventList: sightings.map(({ id, at, epc, to }) => ({
        type: 'ObjectEvent',
        eventID: `urn:uuid:${id}`,
        eventTime: at,
        eventTimeZoneOffset: '+00:00',
        ...(to ? STEPS[to] : { action: 'OBSERVE', bizStep: 'inspecting' }),
        epcList: [epc],
      })),
    },
  };
}

/** The EPCs that an EPCIS document says were there: of object events that observe or add, in their order, each once. */
export function epcsIn({ epcisBody: { eventList } }: EpcisDocument): string[] {
  const seen = eventList.flatMap(({ type, action, epcList = [] }) =>
    type === 'ObjectEvent' && action !== 'DELETE' ? epcList : [],
  );
  return [...new Set(seen)];
}
