import type { AnswerForm, PairRule } from '@/core/checks/check';

/** How left and right should stand to each other. */
export const PAIR_WORDS: Record<PairRule, string> = {
  same: 'both alike',
  differ: 'never alike',
  mirror: 'mirror images',
  free: 'each for itself',
};

/** How the two sides of a check are to be looked at; null where it has no sides. */
export function sidesWords(answer: AnswerForm): string | null {
  if (answer.form === 'pair') return PAIR_WORDS[answer.rule];
  return answer.form === 'quantity' && answer.sides ? 'each is held against the record' : null;
}
