import { describe, expect, it } from 'vitest';
import { RELEASES } from '@/demo/releases';
import { caseWith, chose, findingsOf, GROUNDS, measured } from '@/demo/testing/bench';
import type { CaseFile } from '../casefile/caseFile';
import type { Grounds } from '../judgement/grounds';
import type { Release } from '../releases/release';
import type { CheckDefinition } from './check';
import { checkProblems, releaseProblems } from './checkKind';
import { checkFor, waysOf } from './expectation';
import { answerProblem, outcomeOf } from './outcome';

const release = RELEASES.find(({ id }) => id === 'tarn-court-low-fog') as Release;
const seam = release.checks.add.find(({ id }) => id === 'own.tongue-seam') as CheckDefinition;
const [vm7, qe2] = release.variants;

/** A case on which a factory code was read on the inner label. */
function fromFactory(code: string | null, findings: CaseFile['findings'] = {}): CaseFile {
  const stamp = { at: '2026-01-01T00:00:00Z', by: 'anyone' };
  const file = caseWith(findings);
  return code
    ? {
        ...file,
        facts: {
          innerLabel: {
            factoryCode: { ...stamp, place: 'innerLabel', fact: 'factoryCode', state: 'read', via: 'typed', raw: code },
          },
        },
      }
    : file;
}
const seamOf = (code: string | null, choice: string, grounds: Grounds = GROUNDS) =>
  findingsOf(fromFactory(code, { 'own.tongue-seam': chose('agrees', choice) }), grounds)['own.tongue-seam'];

describe('what a genuine item shows by its variant', () => {
  it.each([
    [null, 'Sand', 'agrees'],
    [null, 'Slate grey', 'agrees'],
    [null, 'White or black', 'differs'],
    ['VM7', 'Sand', 'agrees'],
    ['VM7', 'Slate grey', 'differs'],
    ['QE2', 'Sand', 'differs'],
    ['QE2', 'Slate grey', 'agrees'],
    // No variant has this factory: what is general holds.
    ['ZZ9', 'Slate grey', 'differs'],
  ])('factory %s, %s: %s', (code, choice, mark) => expect(seamOf(code, choice)?.mark).toBe(mark));

  it('is judged anew when the variant becomes known, with the answer left as it was given', () => {
    expect(seamOf(null, 'Sand')).toMatchObject({ mark: 'agrees', choice: 'Sand' });
    expect(seamOf('QE2', 'Sand')).toMatchObject({ mark: 'differs', choice: 'Sand' });
    expect(seamOf('QE2', 'Sand')?.check.expectedBy).toHaveLength(1);
    expect(seamOf('VM7', 'Sand')?.check.expectedBy).toEqual([]);
  });
  it('a factory code that was not surely read decides nothing', () => {
    const file = fromFactory('QE2', { 'own.tongue-seam': chose('agrees', 'Sand') });
    const entry = file.facts.innerLabel?.factoryCode;
    if (entry?.state === 'read') entry.raw = 'QE2?';
    expect(findingsOf(file)['own.tongue-seam']?.mark).toBe('agrees');
  });
  it('tells nothing while every answer fits some variant, and says what has to be known', () => {
    const two: CheckDefinition = {
      ...seam,
      answer: {
        form: 'choice',
        choices: [
          { label: 'Sand', outcome: 'agrees' },
          { label: 'Slate grey', outcome: 'differs' },
        ],
      },
    };
    const grounds = { ...GROUNDS, release: { ...release, checks: { add: [two], off: [] } } };
    const reason = expect.stringMatching(/until the factory is known/);
    expect(findingsOf(fromFactory(null), grounds)['own.tongue-seam']).toMatchObject({ mark: 'excused', reason });
    expect(seamOf(null, 'Sand', grounds)).toMatchObject({ mark: 'cantTell', reason });
    expect(findingsOf(fromFactory('QE2'), grounds)['own.tongue-seam']?.mark).toBe('open');
    expect(seamOf('QE2', 'Sand', grounds)?.mark).toBe('differs');
  });
  it('an answer may be kept as any variant would judge it, and as no other', () => {
    for (const outcome of ['agrees', 'differs'] as const)
      expect(answerProblem(seam, { outcome, choice: 'Sand' })).toBeNull();
    expect(answerProblem(seam, { outcome: 'agrees', choice: 'White or black' })).toMatch(/is no answer/);
    expect(answerProblem(seam, { outcome: 'agrees', choice: 'Pink' })).toMatch(/is no answer/);
  });
});

describe('a figure by its variant', () => {
  const toe = (code: string | null, value: number) =>
    findingsOf(fromFactory(code, { 'outside.toe-height': measured(value) }))['outside.toe-height'];
  it('is the nearest of those still possible, then the one of the variant', () => {
    // 46 mm, from the second factory 43.2 mm; tolerance 1.5 mm, rule 0.5 mm.
    expect(toe(null, 43)).toMatchObject({ mark: 'agrees', nominal: { value: 43.2, when: 'factory QE2' } });
    expect(toe(null, 46.4)).toMatchObject({ mark: 'agrees', nominal: { value: 46 } });
    expect(toe('VM7', 43)).toMatchObject({ mark: 'differs', nominal: { value: 46 } });
    expect(toe('QE2', 46.4)?.mark).toBe('differs');
    expect(toe('QE2', 43)?.nominal?.or).toBeUndefined();
  });
  it('shows both while it is open, the general one first', () => {
    const { nominal } = findingsOf(fromFactory(null))['outside.toe-height'] ?? {};
    expect([nominal?.value, nominal?.when, nominal?.or?.map(({ value }) => value)]).toEqual([46, undefined, [43.2]]);
  });
  it('moves with size and exemplars as the general one does', () => {
    const exemplars = { 'toe-height': [45.8, 46.1, 46.6].map((value) => ({ size: 42, value, source: 'ours' })) };
    const grounds = { ...GROUNDS, release: { ...release, exemplars } };
    const at = (sizeKey: string) =>
      findingsOf({ ...fromFactory('QE2'), sizeKey }, grounds)['outside.toe-height']?.nominal;
    expect(at('42')?.value).toBeCloseTo(46.167 - 2.8, 2);
    expect(at('44')?.value).toBeCloseTo(46.167 - 2.8 + 1, 2);
    expect(at('42')?.predictive?.freedom).toBe(2);
  });
});

describe('other forms of answer', () => {
  const by = (genuine: string[]) => [{ trait: 'factory', state: 'QE2', expected: 'otherwise', genuine }];
  const qe2Only = { variants: qe2 ? [qe2] : [], seen: [] };
  it.each<[string, CheckDefinition['answer'], string[], Parameters<typeof outcomeOf>[1], string]>([
    ['presence', { form: 'presence', expected: 'present' }, ['Not there'], { choice: 'There' }, 'differs'],
    [
      'absence',
      { form: 'presence', expected: 'absent' },
      ['There, where none belongs'],
      { choice: 'Not there' },
      'differs',
    ],
    [
      'a scale',
      { form: 'ordinal', scale: ['dry', 'soft', 'wet'], genuine: [0, 0] },
      ['soft'],
      { choice: 'dry' },
      'differs',
    ],
    ['a text', { form: 'text', expected: ['Keep dry'] }, ['Trocken halten'], { text: 'trocken HALTEN' }, 'agrees'],
    [
      'a pair',
      { form: 'pair', rule: 'same', states: ['in', 'out'], genuine: ['in'] },
      ['out'],
      { left: 'out', right: 'out' },
      'agrees',
    ],
  ])('%s', (_, answer, genuine, found, outcome) => {
    const check = checkFor({ ...seam, answer, expectedBy: by(genuine) }, qe2Only);
    expect(outcomeOf({ check }, found)).toBe(outcome);
  });
  it('a variant that does not name the trait has what is general', () => {
    const silent = { id: 'any', name: 'any', traits: {} };
    expect(waysOf(by(['x']), { variants: [silent], seen: [] })).toEqual([null]);
    expect(waysOf(by(['x']), { variants: vm7 && qe2 ? [vm7, qe2] : [], seen: [] })).toEqual([null, by(['x'])[0]]);
  });
});

describe('expectations that cannot be', () => {
  const variant = { trait: 'factory', state: 'QE2', expected: 'otherwise' };
  it.each<[string, Partial<CheckDefinition>, RegExp]>([
    ['an answer that is none', { expectedBy: [{ ...variant, genuine: ['Pink'] }] }, /calls “Pink” genuine by variant/],
    [
      'two traits at once',
      { expectedBy: [variant, { ...variant, trait: 'market', state: 'Isles' }] },
      /varies by factory and market/,
    ],
    ['one state twice', { expectedBy: [variant, variant] }, /twice what is expected where it is QE2/],
    [
      'answers where a figure is wanted',
      {
        answer: { form: 'quantity', measure: 'toe-height', uncertainty: 1 },
        expectedBy: [{ ...variant, genuine: ['Sand'] }],
      },
      /none are picked/,
    ],
  ])('%s', (_, change, sentence) => expect(checkProblems({ ...seam, ...change }).join(' ')).toMatch(sentence));
  it('a state that no variant of the release has', () => {
    const toe = { ...release.nominal['toe-height'], by: [{ trait: 'factory', state: 'QE9', value: 1 }] };
    const wrong = { ...release, nominal: { 'toe-height': toe } } as Release;
    expect(releaseProblems(wrong).join(' ')).toMatch(/varies by factory QE9, which no variant has/);
    const add = [{ ...seam, expectedBy: [{ ...variant, state: 'QE9' }] }];
    expect(releaseProblems({ ...release, checks: { add, off: [] } }).join(' ')).toMatch(/what factory QE9 shows/);
  });
});
