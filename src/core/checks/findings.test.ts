import { describe, expect, it } from 'vitest';
import { caseWith, chose, findingsOf, GROUNDS, measured } from '@/demo/testing/bench';
import type { Release } from '../releases/release';
import type { CheckDefinition } from './check';
import { checksFor } from './findings';

const release = GROUNDS.release as Release;

describe('findings', () => {
  it('excuse what says nothing on worn goods, from pictures, or without packaging, whatever was answered', () => {
    const answers = {
      'outside.symmetry': chose('differs'),
      'senses.uv': chose('agrees'),
      'box.corners': chose('differs'),
    };
    expect(findingsOf(caseWith(answers, { condition: 'worn' }))['outside.symmetry']).toMatchObject({
      mark: 'excused',
      reason: 'says nothing on worn goods',
    });
    expect(findingsOf(caseWith(answers, { inHand: false }))['senses.uv']).toMatchObject({
      mark: 'excused',
      reason: 'needs the item in hand',
    });
    const bare = findingsOf(caseWith(answers, { packaged: false }));
    expect(bare['box.corners']).toMatchObject({ mark: 'excused', reason: 'came without packaging' });
    expect(bare['link.size']?.mark).toBe('excused');
    expect(bare['inner.style']?.mark).toBe('open');
    expect(findingsOf(caseWith(answers))['outside.symmetry']?.mark).toBe('differs');
  });
  it('hold a measure against the record at the claimed size, with the uncertainty of the instrument', () => {
    const at = (value: number, sizeKey: string | null) =>
      findingsOf({ ...caseWith({ 'outside.emblem': measured(value) }), sizeKey })['outside.emblem'];
    // 31 mm at size 42, 0.4 mm more for each size; tolerance 1 mm, calipers 0.3 mm.
    expect(at(31, '42')?.nominal?.value).toBeCloseTo(31);
    expect(at(33, '47')?.nominal?.value).toBeCloseTo(33);
    expect(at(33, null)?.nominal?.value).toBeCloseTo(31);
    expect([29.7, 29.6].map((value) => at(value, '42')?.mark)).toEqual(['agrees', 'differs']);
    expect(at(33, '47')?.mark).toBe('agrees');
    expect(at(33, '42')?.mark).toBe('differs');
  });
  it('excuse a measure that the record gives no figure for', () => {
    const bare = { ...GROUNDS, release: { ...release, nominal: {} } };
    expect(findingsOf(caseWith({ 'senses.weight': measured(402) }), bare)['senses.weight']).toMatchObject({
      mark: 'excused',
      reason: expect.stringMatching(/no figure/),
    });
  });
  it('come in the order of the layers', () => {
    const order = GROUNDS.kind.layers.map(({ id }) => id);
    const layers = Object.values(findingsOf(caseWith({}))).map(({ check }) => order.indexOf(check.layer));
    expect(layers).toEqual([...layers].sort((a, b) => a - b));
  });
  it('leave a check open whose rule nobody knows, so that a newer document breaks nothing', () => {
    const strange = {
      ...(GROUNDS.kind.checks[0] as CheckDefinition),
      id: 'strange',
      answer: { form: 'codes' as const, rule: 'fromTheFuture', places: ['boxLabel'] },
    };
    const grounds = { ...GROUNDS, kind: { ...GROUNDS.kind, checks: [strange] } };
    expect(findingsOf(caseWith({}), grounds).strange).toMatchObject({
      mark: 'open',
      reason: 'no rule “fromTheFuture”',
    });
  });
});

it('a release adds checks, replaces those of the same name, and switches some off', () => {
  const own = { ...(GROUNDS.kind.checks[0] as CheckDefinition), name: 'as this release has it' };
  const checks = checksFor(GROUNDS.kind, { ...release, checks: { add: [own], off: ['senses.uv'] } });
  expect(checks.filter(({ id }) => id === own.id).map(({ name }) => name)).toEqual(['as this release has it']);
  expect(checks.some(({ id }) => id === 'senses.uv')).toBe(false);
  expect(checksFor(GROUNDS.kind, null)).toEqual(GROUNDS.kind.checks);
});
