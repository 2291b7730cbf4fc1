import { findPhotograph } from '@/store/photographs';
import { invalid } from '../refusal';
import type { Completion } from './completion';

export const photoAdded: Completion<'photoAdded'> = async (event, { desk }) => {
  const { sha256, mime, bytes } = event.body;
  const kept = await findPhotograph(desk.store, sha256);
  if (!kept) throw invalid('That photograph is not kept here.');
  if (kept.mime !== mime || kept.bytes !== bytes)
    throw invalid(`That photograph is kept here as ${kept.mime} of ${kept.bytes} bytes, not as ${mime} of ${bytes}.`);
  const { original } = event.body;
  const first = original && (await findPhotograph(desk.store, original.sha256));
  if (original && (first?.mime !== original.mime || first.bytes !== original.bytes))
    throw invalid('The bytes that came from the camera are not kept here as the entry says.');
  return event;
};
