import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { forgiven, wordsKey } from './words';

describe('words', () => {
  it.each([
    ['FOG / ALDER', 'Fog/Alder', ['case']],
    ['Alder & Fog', 'Fog / Alder', ['order']],
    ['BLK/WHT', 'Black / White', ['BLK for BLACK', 'WHT for WHITE']],
    ['Älder', 'Alder', ['accents']],
    ['Fog / Alder', 'Fog / Alder', []],
    ['Fog-Alder', 'Fog Alder', ['punctuation']],
  ])('takes “%s” for “%s” and says what it forgave', (a, b, reasons) => {
    expect(wordsKey(a)).toBe(wordsKey(b));
    expect(forgiven(a, b)).toEqual(reasons);
  });
  it.each([
    ['Fog / Alder', 'Fog / Aldr'],
    ['Fog', 'Fog / Alder'],
    ['Low 2', 'Low'],
    ['Fog Fog', 'Fog'],
  ])('does not take “%s” for “%s”', (a, b) => {
    expect(forgiven(a, b)).toBeNull();
  });
  it('is the same for every order and case of any words', () => {
    const word = fc.stringMatching(/^[a-z]{3,8}$/);
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 5 }), (list) => {
        expect(wordsKey([...list].reverse().join(' / ').toUpperCase())).toBe(wordsKey(list.join(' ')));
      }),
    );
  });
  it('takes anything without harm', () => {
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (text) => void wordsKey(text)));
  });
});
