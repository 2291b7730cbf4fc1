import { verdictBody } from '@/core/judgement/verdictBody';
import { Refusal } from '../refusal';
import type { Completion } from './completion';

/** Only what the desk itself computes is sealed. */
export const verdictSealed: Completion<'verdictSealed'> = (event, { file, grounds }) => {
  const body = verdictBody(file, grounds);
  const { goods, packaging, pGenuine } = event.body;
  if (goods !== body.goods || packaging !== body.packaging || pGenuine !== body.pGenuine)
    throw new Refusal('conflict', 'The assessment is no longer the one that was shown. Read it again before sealing.');
  return { ...event, body };
};
