import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ageInMonths, type DateConstraint, type DatedFact, holdTogether } from './contradictions';
import { addDays, daysBetween } from './day';
import type { DayInterval } from './interval';

const span = (from: string, to = from): DayInterval => ({ from, to, precision: 'day' });
const fact = (id: string, ...readings: DayInterval[]): DatedFact => ({ id, name: `the ${id}`, readings });
const follows = (earlier: string, later: string, min = 0, max = 100_000): DateConstraint => ({
  earlier,
  later,
  min,
  max,
  why: 'it comes after',
});

describe('dates together', () => {
  it('names the pair that cannot both be right, and by how many days at least', () => {
    const { contradictions } = holdTogether(
      [fact('made', span('2024-05-10', '2024-05-31')), fact('bought', span('2024-05-02'))],
      [follows('made', 'bought')],
    );
    expect(contradictions).toMatchObject([{ earlier: 'made', later: 'bought', days: 8, kind: 'tooClose' }]);
    expect(contradictions[0]?.sentence).toBe(
      'The made (10 May 2024 – 31 May 2024) and the bought (2 May 2024) contradict by 8 days: it comes after.',
    );
  });
  it('settles the order of day and month by another date, and says which one settled it', () => {
    const { kept, settled, contradictions } = holdTogether(
      [fact('made', span('2024-11-03'), span('2024-03-11')), fact('bought', span('2024-06-01'))],
      [follows('made', 'bought')],
    );
    expect(kept.made).toEqual([span('2024-03-11')]);
    expect(settled).toEqual([{ fact: 'made', by: ['bought'] }]);
    expect(contradictions).toEqual([]);
  });
  it('keeps all readings where none will do', () => {
    const { kept, contradictions } = holdTogether(
      [fact('made', span('2025-11-03'), span('2025-03-11')), fact('bought', span('2024-06-01'))],
      [follows('made', 'bought')],
    );
    expect(kept.made).toHaveLength(2);
    expect(contradictions).toMatchObject([{ days: daysBetween('2024-06-01', '2025-03-11') }]);
  });
  it('tells two pieces that were made too far apart', () => {
    const { contradictions } = holdTogether(
      [fact('left', span('2025-01-01')), fact('right', span('2025-04-01'))],
      [follows('left', 'right', -40, 40)],
    );
    expect(contradictions).toMatchObject([{ kind: 'tooFar', days: 50 }]);
  });
  it('finds a contradiction exactly where no days can be picked that keep a constraint, and its size', () => {
    const day = fc.integer({ min: 0, max: 40 });
    const interval = fc.tuple(day, fc.integer({ min: 0, max: 6 })).map(([from, length]) => [from, from + length]);
    const limits = fc.tuple(fc.integer({ min: -10, max: 10 }), fc.integer({ min: 0, max: 12 }));
    const at = (days: number) => addDays('2024-01-01', days);
    fc.assert(
      fc.property(interval, interval, limits, (a, b, [min, width]) => {
        const max = min + width;
        const [from, to] = [a, b].map(([first = 0, last = 0]) => span(at(first), at(last))) as [
          DayInterval,
          DayInterval,
        ];
        const { contradictions } = holdTogether([fact('a', from), fact('b', to)], [follows('a', 'b', min, max)]);
        let least = Number.POSITIVE_INFINITY;
        for (let x = a[0] as number; x <= (a[1] as number); x++)
          for (let y = b[0] as number; y <= (b[1] as number); y++)
            least = Math.min(least, Math.max(0, min - (y - x), y - x - max));
        expect(contradictions[0]?.days ?? 0).toBe(least);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('age', () => {
  it('is a range of full months where the day is not known', () => {
    expect(ageInMonths({ from: '2025-03-01', to: '2025-03-31', precision: 'month' }, '2026-03-15')).toEqual([11, 12]);
    expect(ageInMonths(span('2026-12-01'), '2026-03-15')).toEqual([0, 0]);
  });
});
