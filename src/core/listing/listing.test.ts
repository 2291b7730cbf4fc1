import { describe, expect, it } from 'vitest';
import type { Comparable } from './comparable';
import { moneyOf } from './money';
import { pricePosition } from './pricePosition';
import { PRICE_TABLE, priceChances, priceTableProblem } from './priceTable';
import { readComparables } from './readComparables';
import { readMessage } from './readMessage';
import { conditionSaid, extrasSaid } from './saidWords';
import { readOffered, sizeRun } from './sizeRun';
import { DEAL_COSTS, expectedGain, payableUpTo, worthOfAnswer } from './worth';

const TODAY = '2026-05-04';
const EUR = (amount: number) => ({ amount, currency: 'EUR' });
const price = (amount: number, more: Partial<Comparable> = {}): Comparable => ({
  ...EUR(amount),
  sold: true,
  condition: 'worn',
  ...more,
});
const WORN_42 = { condition: 'worn', size: '42' } as const;

describe('a price among those of others', () => {
  it('is held against their middle, however absurd a few of them are', () => {
    const { position } = pricePosition(
      EUR(60),
      [118, 120, 122, 119, 121, 999_999, 1].map((at) => price(at)),
      WORN_42,
    );
    expect(position?.centre).toBeCloseTo(120, 6);
    expect(position?.ratio).toBeCloseTo(0.5, 6);
    expect(position?.interval[0]).toBeLessThan(120);
    expect(position?.interval[1]).toBeGreaterThan(120);
  });
  it('is held against what is alike, where there is enough of it', () => {
    const sold = [100, 101, 102, 99, 98].map((at) => price(at, { size: '42' }));
    const asked = [200, 201, 202, 203, 204].map((at) => price(at, { sold: false }));
    expect(pricePosition(EUR(100), [...asked, ...sold], WORN_42).position).toMatchObject({
      alike: 'sold, worn, size 42',
      centre: expect.closeTo(100, 6),
      leftOut: ['5 that are less alike'],
    });
  });
  it('counts a seller once, and one seller is no market', () => {
    const one = [50, 51, 52, 53, 54, 55].map((at) => price(at, { seller: 'Lot 9' }));
    expect(pricePosition(EUR(60), one, WORN_42)).toMatchObject({
      position: null,
      why: expect.stringMatching(/one seller/),
    });
    const { position } = pricePosition(EUR(60), [...one, price(120), price(121), price(122), price(123)], WORN_42);
    expect(position?.sellers).toBe(5);
    expect(position?.centre).toBeCloseTo(121, 6);
  });
  it('is not held against other currencies', () => {
    const foreign = [price(100, { currency: 'USD' }), price(90, { currency: 'SEK' })];
    expect(pricePosition(EUR(60), foreign, WORN_42)).toMatchObject({
      position: null,
      why: expect.stringMatching(/currenc/),
    });
    expect(pricePosition(EUR(60), [], WORN_42)).toMatchObject({ position: null });
  });
});

describe('the table of prices', () => {
  it('weighs the less the less the middle is known', () => {
    const weight = (logSd: number) => {
      const { genuine, counterfeit } = priceChances(PRICE_TABLE, { ratio: 0.3, logSd });
      return Math.log10(genuine / counterfeit);
    };
    expect(weight(0.02)).toBeCloseTo(-1, 1);
    expect(weight(0.8)).toBeGreaterThan(weight(0.3));
    expect(weight(0.3)).toBeGreaterThan(weight(0.02));
    expect(weight(0.8)).toBeLessThan(0);
  });
  it('shares out all prices', () => {
    for (const ratio of [0.05, 0.6, 1, 3]) {
      const chances = priceChances(
        [
          { below: 0.6, genuine: 1, counterfeit: 1 },
          { below: null, genuine: 1, counterfeit: 1 },
        ],
        {
          ratio,
          logSd: 0.2,
        },
      );
      expect(chances.genuine).toBeCloseTo(1, 9);
    }
    expect(priceTableProblem(PRICE_TABLE)).toBeNull();
    expect(priceTableProblem(PRICE_TABLE.slice(1))).toMatch(/come to 99.0 %|come to 9/);
    expect(priceTableProblem([...PRICE_TABLE].reverse())).toMatch(/rise/);
  });
});

describe('sizes on offer', () => {
  const sizes = ['40', '41', '42', '43'].map((key) => ({ key, gtin: '' }));
  const supply = { run: 4000, shops: 500, halfLifeDays: 10, source: 'made up' };
  const keys = sizes.map(({ key }) => key);
  it.each([
    ['41, 42 x 3', { '41': 1, '42': 3 }],
    ['40-43', { '40': 1, '41': 1, '42': 1, '43': 1 }],
    ['40 to 42', { '40': 1, '41': 1, '42': 1 }],
    ['all sizes', { '40': 1, '41': 1, '42': 1, '43': 1 }],
    ['42 (2) and 43', { '42': 2, '43': 1 }],
  ])('%s', (text, counts) => {
    expect(Object.fromEntries((readOffered(text, keys) ?? []).map(({ size, count }) => [size, count]))).toEqual(counts);
  });
  it.each(['', '<script>', '42 x 0'])('“%s” names none', (text) => expect(readOffered(text, keys)).toBeNull());
  it('are the less likely the older the release and the more there are', () => {
    const at = (text: string, today: string) =>
      sizeRun(readOffered(text, keys) ?? [], { releaseDate: '2026-04-01', sizes, supply }, today);
    expect(at('all', '2026-04-01')?.p).toBeCloseTo(1, 6);
    // Two of each at first; after one half-life each is there with one half: (1 - 1/4)^4.
    expect(at('all', '2026-04-11')?.p).toBeCloseTo(0.75 ** 4, 6);
    expect(at('42 x 2', '2026-04-11')?.p).toBeCloseTo(0.25, 6);
    expect(at('42 x 3', '2026-04-02')?.p).toBe(0);
    const late = at('all', '2026-05-11');
    expect(late?.range[1]).toBeGreaterThan(late?.p ?? 1);
    expect(late?.range[0]).toBeLessThan(late?.p ?? 0);
    expect(sizeRun([], { releaseDate: null, sizes, supply }, TODAY)).toBeNull();
  });
});

describe('what a deal is worth', () => {
  const fixed = (value: number) => ({ value, low: value, high: value });
  const costs = { ...DEAL_COSTS, missed: 0, mistake: 0 };
  it('breaks even at the price up to which it pays', () => {
    const deal = {
      p: { value: 0.8, low: 0.7, high: 0.9 },
      resale: { value: 120, low: 100, high: 150 },
      costs: DEAL_COSTS,
    };
    const { value, low, high } = payableUpTo(deal);
    expect(expectedGain(deal, value)).toBeCloseTo(0, 9);
    expect(low).toBeLessThan(value);
    expect(high).toBeGreaterThan(value);
  });
  it('is the resale less selling and the check where there is no doubt, and nothing for a sure copy', () => {
    expect(payableUpTo({ p: fixed(1), resale: fixed(100), costs }).value).toBeCloseTo(88 - 12, 9);
    expect(payableUpTo({ p: fixed(0), resale: fixed(100), costs }).value).toBe(0);
  });
  it('an answer is worth what it saves: nothing where it changes nothing, never less', () => {
    const deal = { p: fixed(0.5), resale: fixed(100), costs };
    expect(worthOfAnswer(deal, 60, [{ chance: 1, p: 0.5 }])).toBe(0);
    const perfect = worthOfAnswer(deal, 60, [
      { chance: 0.5, p: 1 },
      { chance: 0.5, p: 0 },
    ]);
    // Bought only where genuine: half of 88 - 60 - 12.
    expect(perfect).toBeCloseTo(8, 9);
  });
});

describe('prices of others as a table', () => {
  const known = { currency: 'EUR', sizes: ['42', '43'], today: TODAY };
  it('has headings of many languages, semicolons and decimal commas', () => {
    const text =
      'Datum;Preis;Währung;Zustand;Verkäufer;Status\n03.04.2026;1.290,50;EUR;getragen;"Haus; am Kai";verkauft\n';
    expect(readComparables(text, known)).toEqual({
      comparables: [{ ...price(1290.5), day: '2026-04-03', seller: 'Haus; am Kai' }],
      wrong: [],
    });
  });
  it('needs none', () => {
    expect(readComparables('€120, sold, worn, 42\n99.50 USD, asked, new, 43, 2026-04-01', known).comparables).toEqual([
      { ...EUR(99.5), currency: 'USD', sold: false, condition: 'new', size: '43', day: '2026-04-01' },
      { ...price(120), size: '42' },
    ]);
  });
  it('leaves out what is no price, with its line', () => {
    const text =
      'price,currency,date\n0,EUR,\n1000000000000,EUR,\n12,QQQ,\n12,EUR,2031-01-01\n=1+2,EUR,\n,EUR,\n77,EUR,2026-01-02';
    const { comparables, wrong } = readComparables(text, known);
    expect(comparables).toEqual([{ ...EUR(77), sold: false, day: '2026-01-02' }]);
    expect(wrong.map(({ line }) => line)).toEqual([2, 3, 4, 5, 6, 7]);
  });
  it('keeps the newest of very many', () => {
    const rows = Array.from(
      { length: 2000 },
      (_, i) => `${i + 1},EUR,2026-01-${String((i % 28) + 1).padStart(2, '0')}`,
    );
    const { comparables, wrong } = readComparables(`price,currency,date\n${rows.join('\n')}`, known);
    expect(comparables).toHaveLength(500);
    expect(comparables.every(({ day = '' }) => day >= '2026-01-21')).toBe(true);
    expect(wrong[0]?.why).toMatch(/2,000/);
    expect(() => readComparables('1,EUR\n'.repeat(50_002), known)).toThrow(/50,000/);
  });
});

describe('what a seller promises', () => {
  it.each<[string, [string, boolean][]]>([
    [
      'with box, no receipt',
      [
        ['packaging', true],
        ['receipt', false],
      ],
    ],
    [
      'no box but with tags',
      [
        ['packaging', false],
        ['tag', true],
      ],
    ],
    [
      'mit Karton, ohne Etikett',
      [
        ['packaging', true],
        ['tag', false],
      ],
    ],
    [
      'avec boîte et lacets',
      [
        ['packaging', true],
        ['laces', true],
      ],
    ],
    ['OVP', [['packaging', true]]],
    ['a boxer’s shoe, nothing else', []],
  ])('%s', (text, said) => {
    expect([...extrasSaid(text)].sort()).toEqual(said.sort());
  });
  it.each([
    ['never worn, a gift', 'new'],
    ['Jamais portées', 'new'],
    ['worn twice', 'worn'],
    ['nicht getragen', 'new'],
    ['zweimal getragen', 'worn'],
    ['brand new laces, shoes worn once', null],
    ['with new laces', null],
    ['renewed every year', null],
  ])('“%s” is %s', (text, condition) => {
    expect(conditionSaid(text)).toBe(condition);
  });
});

describe('a seller’s message', () => {
  const facts = (text: string) =>
    Object.fromEntries(
      readMessage(text, TODAY).flatMap(({ fact, raw }) => (fact === 'sellerSays' ? [] : [[fact, raw]])),
    );
  it.each([
    [
      'Selling for €90, was 180 €. Bought in June 2024 at Tarn Quay store, comes with box and receipt.',
      {
        priceAsked: '€90',
        priceStruck: '180 €',
        boughtOn: 'June 2024',
        boughtWhere: 'Tarn Quay',
        included: 'box and receipt',
      },
    ],
    [
      'EUR 1,250.00, purchased 14/06/2025, sizes 41, 42 and 43',
      { priceAsked: 'EUR 1,250.00', boughtOn: '14/06/2025', sizesOffered: '41, 42 and 43' },
    ],
    [
      'Verkaufe für 90 EUR statt 180 EUR. Gekauft im Juni 2024 bei Tarn Quay, inkl. Karton und Rechnung.',
      {
        priceAsked: '90 EUR',
        priceStruck: '180 EUR',
        boughtOn: 'Juni 2024',
        boughtWhere: 'Tarn Quay',
        included: 'Karton und Rechnung',
      },
    ],
    [
      'Je vends 75 €, prix neuf 150 €. Achetées en juin 2024 chez Tarn Quay, pointures 41, 42 et 43, avec boîte.',
      {
        priceAsked: '75 €',
        priceStruck: '150 €',
        boughtOn: 'juin 2024',
        boughtWhere: 'Tarn Quay',
        sizesOffered: '41, 42 et 43',
        included: 'boîte',
      },
    ],
    [
      'Vendo por 60 €, compradas en junio de 2024 en Tarn Quay, sin caja.',
      { priceAsked: '60 €', boughtOn: 'junio de 2024', boughtWhere: 'Tarn Quay', included: 'sin caja' },
    ],
    [
      'Vendo a 60 €, comprate nel giugno 2024 da Tarn Quay, con scatola e scontrino, taglie 41 e 42',
      {
        priceAsked: '60 €',
        boughtOn: 'giugno 2024',
        boughtWhere: 'Tarn Quay',
        included: 'scatola e scontrino',
        sizesOffered: '41 e 42',
      },
    ],
    ['Asking 75 GBP. No box.', { priceAsked: '75 GBP', included: 'No box' }],
    ['call 0123 456789, worn twice', {}],
    ['bought with love for 5 stars', {}],
  ])('%s', (text, expected) => expect(facts(text)).toEqual(expected));
  it('is never taken for more than it is', () => {
    expect(readMessage('', TODAY)).toEqual([]);
    expect(readMessage('x'.repeat(100_000), TODAY)[0]?.raw).toHaveLength(400);
    expect(moneyOf('QQQ 90')).toBeNull();
  });
});
