import { addDays, type Day } from '@/core/dates/day';
import { isTimeZone } from '@/core/dates/instant';
import { UNNAMED_HOUSE } from '@/core/judgement/houseRules';
import type { Desk } from './desk';
import { readHouseRules } from './houseRules';

/** The day of any instant, by the clock on the wall of the house. */
export async function houseCalendar(desk: Desk): Promise<(at: string) => Day> {
  const { rules } = await readHouseRules(desk);
  const { timeZone } = rules.house ?? UNNAMED_HOUSE;
  // A desk may be moved to a machine that does not know the zone; its days go on by UTC.
  const zone = isTimeZone(timeZone) ? timeZone : 'UTC';
  const clock = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
  return (at) => clock.format(new Date(at));
}

/** Today, by the clock on the wall of the house. */
export const houseToday = async (desk: Desk): Promise<Day> => (await houseCalendar(desk))(desk.now());

/** The last fortnight, today with it. */
export async function lastFortnight(desk: Desk): Promise<{ from: Day; until: Day }> {
  const until = await houseToday(desk);
  return { from: addDays(until, -13), until };
}
