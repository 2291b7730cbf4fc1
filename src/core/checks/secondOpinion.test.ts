import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type AnswerPair, cohensKappa } from './secondOpinion';

const pairs = (counts: [AnswerPair['first'], AnswerPair['second'], number][]): AnswerPair[] =>
  counts.flatMap(([first, second, n]) => Array.from({ length: n }, () => ({ first, second })));

describe('Cohen’s kappa', () => {
  it('follows a worked example: 20 and 15 of 50 alike, 5 and 10 not', () => {
    const kappa = cohensKappa(
      pairs([
        ['agrees', 'agrees', 20],
        ['agrees', 'differs', 5],
        ['differs', 'agrees', 10],
        ['differs', 'differs', 15],
      ]),
    );
    expect(kappa).toBeCloseTo(0.4, 9);
  });
  it('is one for full agreement, and cannot be told from nothing or from one answer alone', () => {
    expect(
      cohensKappa(
        pairs([
          ['agrees', 'agrees', 3],
          ['differs', 'differs', 2],
        ]),
      ),
    ).toBe(1);
    expect(cohensKappa([])).toBeNull();
    expect(cohensKappa(pairs([['agrees', 'agrees', 9]]))).toBeNull();
  });
  it('never exceeds one, is the same for both orders, and is near nought for answers by chance', () => {
    const answer = fc.constantFrom('agrees' as const, 'differs' as const, 'cantTell' as const);
    fc.assert(
      fc.property(fc.array(fc.record({ first: answer, second: answer }), { minLength: 1, maxLength: 40 }), (list) => {
        const kappa = cohensKappa(list);
        const turned = cohensKappa(list.map(({ first, second }) => ({ first: second, second: first })));
        if (kappa === null) expect(turned).toBeNull();
        else {
          expect(kappa).toBeLessThanOrEqual(1 + 1e-12);
          expect(turned).toBeCloseTo(kappa, 9);
        }
      }),
    );
  });
});
