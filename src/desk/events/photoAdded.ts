import { findPhotograph } from '@/store/photographs';
import { invalid } from '../refusal';
import type { Completion } from './completion';

export const photoAdded: Completion<'photoAdded'> = async (event, { desk }) => {
  const { sha256, mime, bytes } = event.body;
  const kept = await findPhotograph(desk.store, sha256);
  if (!kept) throw invalid('That photograph is not kept here.');
  if (kept.mime !== mime || kept.bytes !== bytes)
    throw invalid(`That photograph is kept here as ${kept.mime} of ${kept.bytes} bytes, not as ${mime} of ${bytes}.`);
  return event;
};
