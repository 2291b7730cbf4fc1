import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { align } from './align';
import { compareStyleCodes, normaliseStyleCode, readStyleCode, styleCodeKey } from './styleCode';

const SHAPE = 'AA9999-999';

describe('style code', () => {
  it('forgives case, spaces and every kind of dash', () => {
    for (const raw of ['vk4821-107', 'VK 4821 107', 'Vk4821–107', 'VK4821−107', ' vk.4821/107 ']) {
      expect(normaliseStyleCode(raw)).toBe('VK4821107');
      expect(readStyleCode(raw, SHAPE).reading).toMatchObject({ display: 'VK4821-107', repairs: [] });
    }
  });
  it('reads confusable characters by the class of their place and reports each', () => {
    const { reading } = readStyleCode('VK48Z1-1O7', SHAPE);
    expect(reading?.display).toBe('VK4821-107');
    expect(reading?.repairs).toEqual([
      { at: 4, from: 'Z', to: '2' },
      { at: 7, from: 'O', to: '0' },
    ]);
  });
  it.each([
    ['VK4821-10', 8, /ends after 8/],
    ['VK4821-1077', 9, /too many/],
    ['VK48X1-107', 4, /“X” where/],
    ['', 0, /ends after 0/],
  ])('says where %s fails', (raw, at, sentence) => {
    const { failure } = readStyleCode(raw, SHAPE);
    expect(failure?.at).toBe(at);
    expect(failure?.sentence).toMatch(sentence);
  });
  it('meets all spellings that differ by confusable characters under one key', () => {
    expect(styleCodeKey('VKO8Z1-1O7')).toBe(styleCodeKey('VK0B21-l07'));
    expect(styleCodeKey('VK4821-107')).not.toBe(styleCodeKey('VK4821-108'));
  });
  it('locates the differing characters', () => {
    const { steps } = compareStyleCodes('VK4821-107', 'VK4812-1O7');
    expect(steps.filter(({ op }) => op !== 'same')).toEqual([
      { op: 'swap', expectedAt: 4, foundAt: 4, expected: '21', found: '12', confusable: false },
      { op: 'substitute', expectedAt: 7, foundAt: 7, expected: '0', found: 'O', confusable: true },
    ]);
  });
});

describe('alignment', () => {
  const code = fc.stringMatching(/^[A-C0-2]{0,8}$/);
  it('is 0 only for equal strings and puts both strings together again', () => {
    fc.assert(
      fc.property(code, code, (a, b) => {
        const { steps, distance } = align(a, b);
        expect(steps.map(({ expected }) => expected).join('')).toBe(a);
        expect(steps.map(({ found }) => found).join('')).toBe(b);
        expect(distance === 0).toBe(a === b);
      }),
    );
  });
  it('never costs more than changing characters place by place', () => {
    fc.assert(
      fc.property(code, code, (a, b) => {
        const length = Math.max(a.length, b.length);
        const placewise = Array.from({ length }, (_, i) => Number(a[i] !== b[i])).reduce((sum, each) => sum + each, 0);
        expect(align(a, b).distance).toBeLessThanOrEqual(placewise);
      }),
    );
  });
});
