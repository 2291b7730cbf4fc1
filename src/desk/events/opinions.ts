import { may } from '@/core/people/permissions';
import { everybody } from '../people/roster';
import { invalid, Refusal } from '../refusal';
import type { Completion } from './completion';

export const opinionAsked: Completion<'opinionAsked'> = async (event, { desk, file, by }) => {
  const { to, checks } = event.body;
  if (to === by) throw invalid('A second opinion is another person’s.');
  const asked = (await everybody(desk)).find(({ id, retired }) => id === to && !retired);
  if (!asked) throw invalid(`“${to}” does not work at this desk, so nobody can answer.`);
  if (!may(asked.role, 'opinionGiven'))
    throw invalid(`${asked.name} is here as ${asked.role}, and cannot give an opinion.`);
  const unanswered = checks.find((id) => file.findings[id]?.state !== 'recorded');
  if (unanswered) throw invalid(`“${unanswered}” was not answered yet, so there is nothing to answer again.`);
  return event;
};

export const opinionGiven: Completion<'opinionGiven'> = (event, { file, by }) => {
  const asked = file.opinions.find(({ id }) => id === event.body.asked);
  if (!asked) throw invalid('Nobody asked for that opinion.');
  if (asked.to !== by) throw new Refusal('forbidden', `That opinion was asked of “${asked.to}”.`);
  if (asked.given) throw invalid('That opinion was given already.');
  const other = Object.keys(event.body.answers).find((id) => !asked.checks.includes(id));
  if (other) throw invalid(`“${other}” is none of the checks that were asked about.`);
  return event;
};
