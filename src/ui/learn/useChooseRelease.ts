import type { ChosenRelease } from '@/core/casefile/events/releaseChosen';
import { useCaseBook } from '../casebook/CaseBook';
import { request } from '../request';

/** Hold the case against the record that was just made of it. */
export function useChooseRelease(): (id: string) => Promise<void> {
  const { file, record } = useCaseBook();
  return async (id) => {
    if (file.seal || file.closed) return;
    const release = await request<ChosenRelease>(`/api/releases/${id}`);
    await record('releaseChosen', { release, sizeKey: file.sizeKey, reason: 'the record learned from this item' });
  };
}
