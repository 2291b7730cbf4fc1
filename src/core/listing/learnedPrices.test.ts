import { describe, expect, it } from 'vitest';
import { madeUpConfirmed } from '@/demo/testing/madeUpConfirmed';
import houseRules from '@/desk/shipped/house-rules.json';
import type { HouseRules } from '../judgement/houseRules';
import { learnedPrices } from './learnedPrices';
import { PRICE_TABLE, priceTableProblem } from './priceTable';

const RULES = houseRules as unknown as HouseRules;
const DAY = '2026-11-24';
const cases = (goods: 'genuine' | 'counterfeit', count: number, ratio: number, logSd = 0.001) =>
  Array.from({ length: count }, () => madeUpConfirmed(goods, {}, { price: { ratio, logSd } }));
const learnedFrom = (...all: ReturnType<typeof cases>[]) => learnedPrices(all.flat(), RULES, DAY);

describe('a table of prices, learned', () => {
  it('moves towards where confirmed items stood, the stated shares counting as thirty', () => {
    const learned = learnedFrom(cases('genuine', 30, 0.7), cases('counterfeit', 10, 0.3));
    expect([learned?.genuine, learned?.counterfeit]).toEqual([30, 10]);
    expect(learned?.table[2]?.genuine).toBeCloseTo((30 * 0.2 + 30) / 60, 6);
    expect(learned?.table[0]?.counterfeit).toBeCloseTo((30 * 0.1 + 10) / 40, 6);
    expect(priceTableProblem(learned?.table ?? [])).toBeNull();
  });
  it('spreads a price whose middle is hardly known over its bands', () => {
    const table = learnedFrom(cases('genuine', 30, 0.6, 0.4))?.table ?? [];
    expect(table[1]?.genuine).toBeGreaterThan(PRICE_TABLE[1]?.genuine ?? 1);
    expect(table[2]?.genuine).toBeGreaterThan(PRICE_TABLE[2]?.genuine ?? 1);
    expect(priceTableProblem(table)).toBeNull();
  });
  it('forgets counterfeits as the house does, and trusts a truth as far as its source', () => {
    const old = madeUpConfirmed('counterfeit', {}, { price: { ratio: 0.3, logSd: 0.01 }, at: '2016-11-24' });
    const doubted = madeUpConfirmed(
      'genuine',
      {},
      {
        price: { ratio: 1, logSd: 0.01 },
        truth: { goods: 'genuine', packaging: 'own', trust: 0.5 },
      },
    );
    const learned = learnedPrices([old, doubted], RULES, DAY);
    expect(learned?.counterfeit).toBeLessThan(0.1);
    expect(learned?.genuine).toBe(0.5);
  });
  it('learns nothing of items without a price, or that were bought to learn from', () => {
    const [bought] = cases('genuine', 1, 0.3);
    const reference = { ...bought, circumstances: { ...bought?.circumstances, reference: true } };
    expect(learnedPrices([madeUpConfirmed('genuine', {}), reference as never], RULES, DAY)).toBeNull();
  });
});
