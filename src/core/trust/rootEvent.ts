import type { DayRoot, Signature } from './statements';

/**
 * A day's root as an EPCIS 2.0 document with one event, so that a partner who keeps such events keeps it too: what the
 * desk held is observed at the end of the day. The root is in the identity of the event's object; the rest stands beside
 * it in the desk's own words.
 *
 * @param madeAt ISO instant
 * @source EPCIS Standard, release 2.0, JSON/JSON-LD binding
 */
export function rootEvent({ day, cases, root, previous, publicKey, signature }: DayRoot & Signature, madeAt: string) {
  return {
    '@context': ['https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld', { pinprick: 'urn:pinprick:' }],
    type: 'EPCISDocument',
    schemaVersion: '2.0',
    creationDate: madeAt,
    epcisBody: {
      eventList: [
        {
          type: 'ObjectEvent',
          action: 'OBSERVE',
          bizStep: 'inspecting',
          eventTime: `${day}T23:59:59.999Z`,
          eventTimeZoneOffset: '+00:00',
          epcList: [`urn:pinprick:root:${root}`],
          'pinprick:cases': cases,
          'pinprick:previous': previous,
          'pinprick:publicKey': publicKey,
          'pinprick:signature': signature,
        },
      ],
    },
  };
}
