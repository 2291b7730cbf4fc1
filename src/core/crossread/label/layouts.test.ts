import { describe, expect, it } from 'vitest';
import { layoutsOf, scoreLayouts } from '@/demo/testing/layouts';

describe('label layouts', () => {
  it.each([
    ['layouts.txt', 0.97],
    ['heldOutLayouts.txt', 0.97],
  ])('%s: almost all facts come out, and none in a wrong field', (file, bar) => {
    const { facts, missed, wrong, right } = scoreLayouts(layoutsOf(file));
    expect(wrong).toEqual([]);
    expect([right / facts >= bar, missed]).toEqual([true, expect.anything()]);
  });
});
