import Papa from 'papaparse';
import { addDays, type Day, isDay } from '@/core/dates/day';
import { type Logbook, logbookOf } from '@/core/rounds/logbook';
import { entriesBetween } from '@/store/logEntries';
import type { Desk } from './desk';
import { houseCalendar } from './houseDay';
import { everybody } from './people/roster';
import { invalid } from './refusal';

/** More entries are no period that anybody looks at as one. */
const MOST = 300_000;
const MOST_DAYS = 366;

/** A logbook with the period that it is of. */
export interface DatedLogbook extends Logbook {
  from: Day;
  until: Day;
  /** True where there were more entries than are counted. */
  cut: boolean;
}

/**
 * What was done from a day to another, both counted, by the clock of the house.
 *
 * @throws Refusal where they are no days, or too far apart
 */
export async function readLogbook(desk: Desk, from: Day, until: Day): Promise<DatedLogbook> {
  if (!isDay(from) || !isDay(until)) throw invalid('A period has two days, written 2026-03-09.');
  if (from > until) throw invalid(`${from} comes after ${until}.`);
  if (addDays(from, MOST_DAYS) < until) throw invalid('A logbook goes over a year at most.');
  const dayOf = await houseCalendar(desk);
  // A zone is at most 14 hours off; what lies outside of the days is left out again.
  const entries = await entriesBetween(
    desk.store,
    `${addDays(from, -1)}T00:00:00.000Z`,
    `${addDays(until, 2)}T00:00:00.000Z`,
    MOST,
  );
  const within = entries.filter(({ at }) => dayOf(at) >= from && dayOf(at) <= until);
  return { ...logbookOf(within, dayOf), from, until, cut: entries.length === MOST };
}

/** The same as CSV, one row for a day and a person. */
export async function logbookCsv(desk: Desk, from: Day, until: Day): Promise<string> {
  const { days } = await readLogbook(desk, from, until);
  const names = new Map((await everybody(desk)).map(({ id, name }) => [id, name]));
  return Papa.unparse(
    days.map(({ by, minutes, ...line }) => ({ ...line, by: names.get(by) ?? by, hours: (minutes / 60).toFixed(2) })),
    { escapeFormulae: true },
  );
}
