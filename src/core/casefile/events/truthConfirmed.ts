import type { EventKind } from './eventKind';

/** Who says what an item really is. */
export type TruthSource = 'maker' | 'laboratory' | 'refund dispute' | 'consensus';

/** What was found out later about an item. */
export interface Truth {
  goods: 'genuine' | 'counterfeit';
  /** `foreign`: of another item, or made up for it. */
  packaging: 'own' | 'foreign' | 'unknown';
  /** How far the source is to be trusted, over 0.5 to 1. */
  trust: number;
}

/** What an item proved to be, learned after the verdict. */
export interface ConfirmedTruth extends Truth {
  source: TruthSource;
  note: string;
}

export const truthConfirmed: EventKind<'truthConfirmed'> = {
  type: 'truthConfirmed',
  apply: (file, { body }, stamp) => ({ ...file, truth: { ...body, ...stamp } }),
  refusal: ({ seal, number }) =>
    seal ? null : `${number} is not sealed; a truth is confirmed of a verdict that was given.`,
  isWork: false,
};
