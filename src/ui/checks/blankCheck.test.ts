import { describe, expect, it } from 'vitest';
import type { AnswerForm, CheckDefinition } from '@/core/checks/check';
import { checkProblems } from '@/core/checks/checkKind';
import { blankAnswer, blankCheck, FORM_NAMES, tidyCheck, unfilled } from './blankCheck';

const blank = blankCheck({ layers: [{ id: 'box', name: 'Box' }], strands: { print: 'Print' } });
const words = {
  name: ' Fold of the flap ',
  instruction: 'Look at the flap.',
  expected: 'One fold.',
  copies: 'Two folds.',
  source: 'a shop',
};
const filled: Record<AnswerForm['form'], Partial<AnswerForm>> = {
  choice: {
    choices: [
      { label: 'one', outcome: 'agrees' },
      { label: 'two', outcome: 'differs' },
    ],
  },
  presence: {},
  ordinal: { scale: ['soft', 'hard'] },
  pair: { states: ['in', 'out'], genuine: ['in'] },
  quantity: { measure: 'flap' },
  count: { measure: 'folds' },
  text: { expected: ['Keep dry'] },
  codes: { places: ['boxLabel'] },
};

describe('a new check', () => {
  it('says what it has not got yet, and nothing more once it has', () => {
    expect(unfilled(blank)).toHaveLength(6);
    expect(unfilled({ ...blank, ...words })).toEqual(['An answer has no words.']);
  });
  it.each<[Partial<CheckDefinition>, RegExp]>([
    [{ appliesWhen: { traits: { '': ['QE2'] } } }, /its name and a state/],
    [{ appliesWhen: { traits: { factory: [] } } }, /its name and a state/],
    [{ appliesWhen: { checks: { 'box.edge': [] } } }, /after which outcomes/],
    [{ drawing: { genuine: { lines: [{ d: 'M0 0 H9' }] }, copy: { lines: [{ d: ' ' }] } } }, /has no line/],
    [{ disagree: [{ note: 'seen otherwise', source: ' ' }] }, /need what they found and a source/],
    [{ expectedBy: [{ trait: 'factory', state: '', expected: 'other' }] }, /a trait, its state, and words/],
  ])('with a part begun and not ended says so: %j', (part, sentence) => {
    expect(unfilled({ ...blank, ...words, answer: blankAnswer('presence'), ...part })).toEqual([
      expect.stringMatching(sentence),
    ]);
  });
  it.each(Object.keys(FORM_NAMES) as AnswerForm['form'][])('answered by %s: begins unfilled, ends sound', (form) => {
    const begun: CheckDefinition = { ...blank, ...words, answer: blankAnswer(form) };
    if (form !== 'presence') expect(unfilled(begun)).toHaveLength(form === 'pair' ? 2 : 1);
    const whole = tidyCheck({ ...begun, answer: { ...begun.answer, ...filled[form] } as AnswerForm }, 'box', []);
    expect(unfilled(whole)).toEqual([]);
    expect(checkProblems(whole)).toEqual([]);
  });
  it('keeps what the form before it can hand on', () => {
    expect(blankAnswer('count', { form: 'quantity', measure: 'flap', uncertainty: 1 })).toMatchObject({
      measure: 'flap',
    });
    expect(blankAnswer('pair', { form: 'ordinal', scale: ['a', 'b'], genuine: [0, 0] })).toMatchObject({
      states: ['a', 'b'],
    });
  });
});

describe('a check as it is kept', () => {
  const whole: CheckDefinition = { ...blank, ...words };
  it('has no empty fields, and trimmed words', () => {
    const messy = {
      ...whole,
      caution: ' ',
      recordBefore: '',
      trait: '',
      tools: [],
      expectedBy: [],
      disagree: [],
      appliesWhen: {},
      intrusiveness: 0 as const,
      whenRead: false,
    };
    expect(tidyCheck(messy, 'box', [])).toEqual({ ...whole, id: 'box.fold-of-the-flap', name: 'Fold of the flap' });
    expect(tidyCheck({ ...messy, intrusiveness: 1, tools: ['loupe'] }, 'box', [])).toMatchObject({
      intrusiveness: 1,
      tools: ['loupe'],
    });
  });
  it('gets an id of its own, once', () => {
    const taken = ['box.fold-of-the-flap', 'box.fold-of-the-flap-2'];
    expect(tidyCheck(whole, 'box', taken).id).toBe('box.fold-of-the-flap-3');
    expect(tidyCheck({ ...whole, id: 'box.old' }, 'box', taken).id).toBe('box.old');
    expect(tidyCheck({ ...whole, name: '折り' }, 'own', []).id).toBe('own.check');
  });
});
