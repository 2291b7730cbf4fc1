import type { Outcome } from '@/core/checks/check';
import { MARK_WORDS } from '@/core/crossread/mark';

/** What an answer can count as. */
export const OUTCOMES: Outcome[] = ['agrees', 'differs', 'missing', 'cantTell'];

/** The same as they are chosen from a list. */
export const OUTCOME_OPTIONS = OUTCOMES.map((value) => ({ value, label: MARK_WORDS[value] }));
