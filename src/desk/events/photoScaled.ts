import { BENCH_CARDS } from '@/core/measure/benchCard';
import { invalid } from '../refusal';
import type { Completion } from './completion';

export const photoScaled: Completion<'photoScaled'> = (event, { file }) => {
  const { sha256, scale } = event.body;
  if (!file.photos.some((photo) => photo.sha256 === sha256)) throw invalid('That photograph is not in this case.');
  if (scale?.by === 'benchCard' && !BENCH_CARDS.some(({ id }) => id === scale.card))
    throw invalid(`There is no bench card “${scale.card}”.`);
  return event;
};
