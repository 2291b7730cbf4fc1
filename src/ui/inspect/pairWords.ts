import type { PairRule } from '@/core/checks/check';

/** How left and right should stand to each other. */
export const PAIR_WORDS: Record<PairRule, string> = {
  same: 'both alike',
  differ: 'never alike',
  mirror: 'mirror images',
  free: 'each for itself',
};
