import type { ConfirmedCase } from '@/core/judgement/confirmedCase';

/** A confirmed case with the outcome of each check by id; the walk-in of 24 November 2026, in its own packaging. */
export const madeUpConfirmed = (
  goods: 'genuine' | 'counterfeit',
  differing: Record<string, boolean>,
  over: Partial<ConfirmedCase> = {},
): ConfirmedCase => ({
  number: 'PP-0001',
  kind: 'k',
  release: 'r',
  truth: { goods, packaging: 'own', trust: 1 },
  at: '2026-11-24',
  circumstances: { channel: 'walk-in', inHand: true, packaged: true },
  without: [],
  chain: 'open',
  findings: Object.fromEntries(Object.entries(differing).map(([id, differs]) => [id, { differs }])),
  ...over,
});
