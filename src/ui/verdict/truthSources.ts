import type { TruthSource } from '@/core/casefile/events/truthConfirmed';

/** Who can say what an item really is, and how far each is usually to be trusted. */
export const SOURCES: { value: TruthSource; label: string; trust: number }[] = [
  { value: 'maker', label: 'the maker', trust: 1 },
  { value: 'laboratory', label: 'a laboratory', trust: 0.95 },
  { value: 'refund dispute', label: 'a refund dispute', trust: 0.8 },
  { value: 'consensus', label: 'consensus of checkers', trust: 0.7 },
];

export const sourceWords = (source: TruthSource): string =>
  SOURCES.find(({ value }) => value === source)?.label ?? source;
