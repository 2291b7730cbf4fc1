import { describe, expect, it } from 'vitest';
import { caseWith, chose, findingsOf, GROUNDS } from '@/demo/testing/bench';
import type { Circumstances } from '../casefile/events/circumstancesStated';
import { type ItemCircumstances, notApplicable, waitForOthers } from './applies';
import type { CheckDefinition } from './check';
import type { Finding } from './finding';

const [some] = GROUNDS.kind.checks as [CheckDefinition];
const plain: CheckDefinition = { ...some, id: 'plain', bearsOn: 'goods', notWhen: [], inHand: false, tools: [] };

const reasonFor = (
  change: Partial<CheckDefinition>,
  circumstances: Partial<Circumstances> = {},
  item: Partial<ItemCircumstances> = {},
) =>
  notApplicable(
    { ...plain, ...change },
    { file: caseWith({}, circumstances), variants: [], seen: [], age: null, size: null, ...item },
  );

describe('when a check says nothing', () => {
  it.each<[string, Partial<CheckDefinition>, Partial<Circumstances>, RegExp]>([
    ['on worn goods', { notWhen: ['worn'] }, { condition: 'worn' }, /nothing on worn goods/],
    ['from pictures', { inHand: true }, { inHand: false }, /item in hand/],
    ['without packaging', { bearsOn: 'packaging' }, { packaged: false }, /without packaging/],
    ['without its tool', { tools: ['uv', 'scale'] }, { toolsMissing: ['uv'] }, /^not at hand: UV torch$/],
  ])('%s', (_, change, circumstances, reason) => {
    expect(reasonFor(change)).toBeNull();
    expect(reasonFor(change, circumstances)).toMatch(reason);
  });
  it('where no variant that is still possible shows the trait', () => {
    const appliesWhen = { traits: { factory: ['QE2'] } };
    const variant = (factory: string) => ({ id: factory, name: factory, traits: { factory: [factory] } });
    expect(reasonFor({ appliesWhen }, {}, { variants: [variant('VM7'), variant('QE2')] })).toBeNull();
    expect(reasonFor({ appliesWhen }, {}, { variants: [variant('VM7')] })).toBe('only where factory is QE2');
    // Nothing is possible, or nothing is known: then it is not for the trait to excuse it.
    expect(reasonFor({ appliesWhen })).toBeNull();
  });
  it.each<[ItemCircumstances['age'], number | null, RegExp | null]>([
    [null, null, null],
    [[10, 12], 41, null],
    [[2, 4], 41, /only from 6 months on/],
    [[40, 44], 41, /only up to 36 months of age/],
    // It may be young enough: the benefit of the doubt.
    [[30, 40], 41, null],
    [[10, 12], 47, /only in sizes 38 to 44/],
  ])('at an age of %o months and in size %s', (age, size, reason) => {
    const said = reasonFor({ appliesWhen: { minAgeMonths: 6, maxAgeMonths: 36, sizes: [38, 44] } }, {}, { age, size });
    if (reason) expect(said).toMatch(reason);
    else expect(said).toBeNull();
  });
});

describe('a check that waits for another', () => {
  it('applies only after the other came out as it says', () => {
    const open = findingsOf(caseWith({}))['underneath.guide-holes'];
    expect(open).toMatchObject({
      mark: 'excused',
      reason: expect.stringMatching(/only after “Insole print and glue”/),
    });
    const lifted = findingsOf(caseWith({ 'underneath.insole': chose('differs') }))['underneath.guide-holes'];
    expect(lifted?.mark).toBe('open');
  });
  it('is excused where the other one is not there at all', () => {
    const finding: Finding = {
      check: { ...plain, appliesWhen: { checks: { gone: ['agrees'] } } },
      mark: 'agrees',
      problems: [],
    };
    expect(waitForOthers([finding])[0]?.mark).toBe('excused');
  });
  it('an answer that was given before a tool went missing counts no longer, and comes back with it', () => {
    const answered = { 'senses.uv': chose('differs') };
    expect(findingsOf(caseWith(answered))['senses.uv']?.mark).toBe('differs');
    expect(findingsOf(caseWith(answered, { toolsMissing: ['uv'] }))['senses.uv']?.mark).toBe('excused');
  });
});
