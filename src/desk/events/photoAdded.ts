import { findPhotograph } from '@/store/photographs';
import { invalid } from '../refusal';
import type { Completion } from './completion';

export const photoAdded: Completion<'photoAdded'> = async (event, { desk }) => {
  if (!(await findPhotograph(desk.store, event.body.sha256))) throw invalid('That photograph is not kept here.');
  return event;
};
