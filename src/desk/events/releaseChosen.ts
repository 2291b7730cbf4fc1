import type { Release } from '@/core/releases/release';
import { isKept, readPinned } from '@/store/documents';
import { invalid } from '../refusal';
import type { Completion } from './completion';

export const releaseChosen: Completion<'releaseChosen'> = async (event, { desk }) => {
  const { release, sizeKey } = event.body;
  const chosen = await readPinned<Release>(desk.store, 'release', release.hash);
  if (!chosen || !(await isKept(desk.store, 'release', release)))
    throw invalid(`There is no release record “${release.id}” of revision ${release.revision} with that content.`);
  if (sizeKey !== null && !chosen.body.sizes.some((size) => size.key === sizeKey)) {
    const sizes = chosen.body.sizes.map((size) => size.key);
    throw invalid(`${chosen.body.name} was not made in size ${sizeKey}; its sizes are ${sizes.join(', ')}.`);
  }
  return event;
};
