import { describe, expect, it } from 'vitest';
import footwear from '@/desk/shipped/footwear.json';
import { blankCheck } from './blankCheck';
import { checkOfJson } from './checkOfJson';

describe('a definition as JSON', () => {
  const before = { ...blankCheck({ layers: [], strands: {} }), id: 'box.flap', name: 'Fold of the flap' };
  it('is taken as it stands, but for its id', () => {
    const text = JSON.stringify({ ...before, id: 'other', name: 'Flap', answer: { form: 'count', measure: 'folds' } });
    expect(checkOfJson(text, before)).toEqual({ ...before, name: 'Flap', answer: { form: 'count', measure: 'folds' } });
    expect(checkOfJson('{}', before)).toEqual(before);
  });
  it('is taken for every check that ships', () => {
    for (const check of footwear.checks)
      expect(checkOfJson(JSON.stringify(check), { ...before, id: check.id }), check.id).toMatchObject(check);
  });
  it.each([
    '',
    '{"name": "Fl',
    'null',
    '[]',
    '7',
    '{"name": 7}',
    '{"notWhen": "worn"}',
    '{"answer": null}',
    '{"answer": {"form": "guess"}}',
    '{"answer": {"form": "choice"}}',
    '{"answer": {"form": "ordinal", "scale": "soft", "genuine": [0, 0]}}',
    '{"expectedBy": {}}',
    '{"drawing": {"genuine": {"lines": []}}}',
    '{"tools": null}',
    '{"after": [null]}',
    '{"disagree": [{"note": "found otherwise"}]}',
    '{"appliesWhen": {"traits": {"factory": "QE2"}}}',
    '{"appliesWhen": {"sizes": [41]}}',
    '{"answer": {"form": "choice", "choices": [{"label": "one", "outcome": "perhaps"}]}}',
    '{"answer": {"form": "choice", "choices": ["one"]}}',
  ])('%s is none', (text) => expect(checkOfJson(text, before)).toBeNull());
});
