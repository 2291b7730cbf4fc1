import { readEpc } from '@/core/codes/epc';
import { addDays, type Day, isDay } from '@/core/dates/day';
import { type EpcisDocument, epcisOf } from '@/core/formats/epcis';
import { tagsSeenBetween } from '@/store/sightings';
import type { Desk } from './desk';
import { invalid } from './refusal';

const MOST = 50_000;

/**
 * The tags that were read into cases from a day to another, and those whose items left or came back, both days counted,
 * as an EPCIS document. What names no trade item is left out.
 *
 * @throws Refusal where they are no days
 */
export async function sightingsBetween(desk: Desk, from: Day, until: Day): Promise<EpcisDocument> {
  if (!isDay(from) || !isDay(until)) throw invalid('A period has two days, written 2026-03-09.');
  const rows = await tagsSeenBetween(desk.store, `${from}T00:00:00.000Z`, `${addDays(until, 1)}T00:00:00.000Z`, MOST);
  const sightings = rows.flatMap(({ id, at, raw, to }) => {
    const epc = readEpc(raw).reading?.pureUri;
    return epc ? [{ id, at, epc, ...(to ? { to } : {}) }] : [];
  });
  return epcisOf(sightings, desk.now());
}
