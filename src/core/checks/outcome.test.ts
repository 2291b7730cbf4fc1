import { describe, expect, it } from 'vitest';
import { caseWith, findingsOf, GROUNDS } from '@/demo/testing/bench';
import type { RecordedFinding } from '../casefile/events/findingRecorded';
import type { CheckDefinition } from './check';
import { answerProblem, bothSides } from './outcome';

const toe = GROUNDS.kind.checks.find(({ id }) => id === 'outside.toe-height') as CheckDefinition;
const STAMP = { at: '2026-01-01T00:00:00Z', by: 'anyone', state: 'recorded' as const };

describe('a value measured left and right', () => {
  // 46 mm at size 42, tolerance 1.5 mm, rule 0.5 mm; from factory VM7, so that no other figure holds.
  const at = (left: number, right: number, factory = 'VM7') => {
    const answer = { outcome: 'agrees' as const, ...bothSides(String(left), String(right)) };
    const file = caseWith({ [toe.id]: { ...STAMP, ...answer } });
    const factoryCode = { ...STAMP, state: 'read' as const, place: 'innerLabel', fact: 'factoryCode', raw: factory };
    return findingsOf({ ...file, facts: { innerLabel: { factoryCode: { ...factoryCode, via: 'typed' } } } })[toe.id];
  };
  it.each([
    [46.2, 45.8, 'agrees', 46],
    // One shoe is out: it is not hidden by the mean.
    [46, 49, 'differs', 49],
    [43.1, 46, 'differs', 43.1],
    [49, 50, 'differs', 50],
    [43, 49.5, 'differs', 49.5],
  ])('left %s, right %s: %s, weighed as %s', (left, right, mark, value) =>
    expect(at(left, right)).toMatchObject({ mark, value, left: String(left), right: String(right) }),
  );
  it('is of one variant, whichever it may be', () => {
    // Either factory may have made it while the code cannot be read surely, but not one shoe each.
    expect(at(43.4, 43.1, 'QE?')).toMatchObject({ mark: 'agrees', nominal: { value: 43.2 } });
    expect(at(46.2, 45.9, 'QE?')?.mark).toBe('agrees');
    expect(at(46, 43.2, 'QE?')?.mark).toBe('differs');
  });
  it('is recorded with its mean, exact to six places, or refused', () => {
    expect(bothSides('46.2', '46.1').value).toBe(46.15);
    const given = (change: Partial<RecordedFinding>) => ({
      outcome: 'agrees' as const,
      ...bothSides('46', '47'),
      ...change,
    });
    expect(answerProblem(toe, given({}))).toBeNull();
    expect(answerProblem(toe, { outcome: 'agrees', value: 46 })).toBeNull();
    for (const wrong of [{ value: 46 }, { right: undefined }, { left: 'high' }])
      expect(answerProblem(toe, given(wrong))).toMatch(/one for the right, and their mean/);
  });
});

describe('a choice that is measured on a picture', () => {
  const straight = GROUNDS.kind.checks.find(({ id }) => id === 'label.straight') as CheckDefinition;
  const measured = (value: number, uncertainty = 0.2): RecordedFinding => ({
    outcome: 'agrees',
    value,
    supplied: { device: 'picture', uncertainty, working: 'Angle on a picture' },
  });
  const found = (answer: RecordedFinding) =>
    findingsOf(caseWith({ [straight.id]: { ...STAMP, ...answer } }))[straight.id];
  it.each([
    [0.8, 'agrees'],
    // Two lines drawn towards each other are as parallel.
    [179.1, 'agrees'],
    [2.1, 'agrees'],
    [3, 'differs'],
    [174, 'differs'],
  ])('%s degrees: %s, whatever was recorded with it', (value, mark) =>
    expect(found(measured(value))).toMatchObject({ mark, value, nominal: { unit: '°', tolerance: 2 } }),
  );
  it('is asked as the choice that it is, and is one or the other', () => {
    expect(found(measured(1))?.asked?.answer.form).toBe('choice');
    expect(found({ outcome: 'differs', choice: 'Crooked or off centre' })).toMatchObject({ mark: 'differs' });
    expect(found({ outcome: 'differs', choice: 'Crooked or off centre' })?.nominal).toBeUndefined();
    expect(answerProblem(straight, measured(1))).toBeNull();
    expect(answerProblem(straight, { ...measured(1), choice: 'Straight and centred' })).toMatch(/not both/);
    const print = GROUNDS.kind.checks.find(({ id }) => id === 'label.print') as CheckDefinition;
    expect(answerProblem(print, measured(1))).toMatch(/answered by no device/);
    const { supplied: _, ...figure } = measured(1);
    expect(answerProblem(print, figure)).toMatch(/wants one of its choices/);
  });
});
