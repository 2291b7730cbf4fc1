import { BENCH_CARDS } from '@/core/measure/benchCard';
import { invalid } from '../refusal';
import type { Completion, Setting } from './completion';

/** What is said of a photograph is said of one of the case's own. */
export function requireOwn(sha256: string, { file }: Setting): void {
  if (!file.photos.some((photo) => photo.sha256 === sha256)) throw invalid('That photograph is not in this case.');
}

export const photoScaled: Completion<'photoScaled'> = (event, setting) => {
  const { sha256, scale } = event.body;
  requireOwn(sha256, setting);
  if (scale?.by === 'benchCard' && !BENCH_CARDS.some(({ id }) => id === scale.card))
    throw invalid(`There is no bench card “${scale.card}”.`);
  return event;
};

export const pictureNoted: Completion<'pictureNoted'> = (event, setting) => {
  requireOwn(event.body.sha256, setting);
  return event;
};
