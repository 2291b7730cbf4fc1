import { CURRENCIES } from '@/core/crossread/readers/plain';
import { invalid } from '../refusal';
import { samePictures } from '../samePictures';
import type { Completion } from './completion';
import { requireOwn } from './pictures';

export const comparablesStated: Completion<'comparablesStated'> = (event) => {
  const unknown = event.body.comparables.find(({ currency }) => !CURRENCIES.has(currency));
  if (unknown) throw invalid(`“${unknown.currency}” is no currency that is in use.`);
  return event;
};

export const pictureAnswered: Completion<'pictureAnswered'> = async (event, setting) => {
  const { desk, file } = setting;
  const { request, sha256 } = event.body;
  if (!file.requests.some((each) => each.request === request)) throw invalid('No such picture was asked for.');
  if (!sha256) return { ...event, body: { ...event.body, seenIn: undefined } };
  requireOwn(sha256, setting);
  const others = await samePictures(desk, sha256, file.id);
  return { ...event, body: { ...event.body, seenIn: others.map(({ number }) => number) } };
};

export const workPlanned: Completion<'workPlanned'> = (event, { file }) => {
  const { due } = event.body;
  if (due !== undefined && due < file.opened.at.slice(0, 10))
    throw invalid(`${due} lies before ${file.number} was opened; nothing can be due then.`);
  return event;
};
