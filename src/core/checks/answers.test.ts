import { describe, expect, it } from 'vitest';
import { answersOf } from './answers';
import { expectedMeasure } from './exemplars';
import { pairOutcome, textOutcome } from './outcome';

const outcomes = (answer: Parameters<typeof answersOf>[0]['answer']) =>
  answersOf({ answer }).map(({ outcome }) => outcome);

describe('answers by digit', () => {
  it('come from the form of the check', () => {
    expect(outcomes({ form: 'presence', expected: 'present' })).toEqual(['agrees', 'missing', 'differs']);
    expect(outcomes({ form: 'presence', expected: 'absent' })).toEqual(['agrees', 'differs']);
    expect(outcomes({ form: 'ordinal', scale: ['dry', 'soft', 'oily', 'wet'], genuine: [1, 2] })).toEqual([
      'differs',
      'agrees',
      'agrees',
      'differs',
    ]);
    expect(outcomes({ form: 'quantity', measure: 'm', uncertainty: 1 })).toEqual([]);
  });
  it.each([
    ['same', 'in', 'in', 'agrees'],
    ['same', 'in', 'out', 'differs'],
    ['differ', 'in', 'out', 'agrees'],
    ['differ', 'in', 'in', 'differs'],
    ['mirror', 'in', 'out', 'agrees'],
    ['mirror', 'mid', 'mid', 'agrees'],
    ['mirror', 'in', 'mid', 'differs'],
    ['free', 'in', 'mid', 'agrees'],
    ['free', 'in', 'gone', 'differs'],
  ] as const)('of a pair that must be %s: %s and %s %s', (rule, left, right, outcome) => {
    const pair = { form: 'pair' as const, rule, states: ['in', 'mid', 'out'], genuine: ['in', 'mid', 'out'] };
    expect(pairOutcome(pair, left, right)).toBe(outcome);
  });
  it('as words forgive case and order', () => {
    expect(textOutcome({ form: 'text', expected: ['Made by hand'] }, 'HAND made BY')).toBe('agrees');
    expect(textOutcome({ form: 'text', expected: ['Made by hand'] }, 'hand made')).toBe('differs');
  });
});

describe('what a genuine item should measure', () => {
  const measure = { value: 30, tolerance: 1, unit: 'mm', perSize: 0.4, atSize: 42, source: 'record' };
  const at = (size: number, value: number) => ({ size, value, source: 'ours' });
  it('is the record’s figure, grown to the size, while exemplars are few', () => {
    expect(expectedMeasure(measure, [at(42, 33)], 44)).toMatchObject({ value: 30.8, tolerance: 1 });
    expect(expectedMeasure(measure, [at(42, 33)], 44).predictive).toBeUndefined();
  });
  it('is the exemplars’ mean, brought to the size, and wider than their scatter', () => {
    const { value, predictive } = expectedMeasure(measure, [at(42, 30), at(42, 31), at(44, 31.8)], 42);
    expect(value).toBeCloseTo(30.667, 2);
    expect(predictive?.freedom).toBe(2);
    expect(predictive?.scale).toBeGreaterThan(0.577);
  });
  it('is a line in size where three sizes are known, less sure far from them', () => {
    const line = [40, 41, 42, 43].map((size, i) => at(size, 2 * size + (i % 2 ? 0.3 : -0.3)));
    const [near, far] = [41.5, 48].map((size) => expectedMeasure(measure, line, size));
    expect(near?.value).toBeCloseTo(83, 0);
    expect(far?.predictive?.scale ?? 0).toBeGreaterThan(2 * (near?.predictive?.scale ?? 0));
  });
  it('never claims that genuine items do not stray', () => {
    const same = [1, 2, 3].map(() => at(42, 30));
    expect(expectedMeasure(measure, same, 42).predictive?.scale).toBeCloseTo(0.2, 9);
  });
});
