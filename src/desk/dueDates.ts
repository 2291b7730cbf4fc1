import { dueCalendar } from '@/core/formats/calendar';
import type { CaseSummary } from '@/core/judgement/caseSummary';
import { listWaiting } from '@/store/waitingCases';
import type { Desk } from './desk';
import { houseToday } from './houseDay';
import { everybody } from './people/roster';

const MOST = 2000;

/** The due dates of the open cases as a calendar; those without one are left out. */
export async function dueDates(desk: Desk): Promise<string> {
  const now = desk.now();
  const names = new Map((await everybody(desk)).map(({ id, name }) => [id, name]));
  const rows = await listWaiting(desk.store, { sort: 'due' }, await houseToday(desk), { limit: MOST, offset: 0 });
  const dates = rows.flatMap(({ number, summary }) => {
    const { due, title, colourName, owner } = JSON.parse(summary) as Partial<CaseSummary>;
    const name = [title, colourName].filter(Boolean).join(', ');
    return due ? [{ number, title: name, due, owner: owner ? (names.get(owner) ?? owner) : null }] : [];
  });
  return dueCalendar(dates, now);
}
