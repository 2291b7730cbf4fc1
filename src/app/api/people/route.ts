import { changeRoster, invite, peopleState, type RosterChange } from '@/desk/people/people';
import { atDesk, bodyJson, respond } from '../respond';

/** POST { change, from } or { invite }: change who works here. Whoever is new or invited gets a word, shown once. */
export function POST(request: Request): Promise<Response> {
  return respond(async () => {
    const { desk, me } = await atDesk();
    const asked = await bodyJson<{ change?: RosterChange; from?: unknown; invite?: unknown }>(request);
    const id = asked.change
      ? await changeRoster(desk, me.id, asked.change, Number(asked.from))
      : typeof asked.invite === 'string'
        ? asked.invite
        : '';
    const word = asked.change && asked.change.change !== 'add' ? null : await invite(desk, me.id, id);
    return { ...(await peopleState(desk, me)), invited: word === null ? null : { id, word } };
  });
}
