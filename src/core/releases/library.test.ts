import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CHARTS } from '@/demo/makers';
import { RELEASES } from '@/demo/releases';
import { gtinCheckDigit, readGtin } from '../codes/gtin';
import { bondsOf, indistinctVariants } from './bonds';
import { compareDocuments } from './compareDocuments';
import { copyAsColour } from './copyAsColour';
import { fillSizes, readFirstNumber, sizeRemarks } from './fillSizes';
import type { Release } from './release';
import { releaseGaps } from './releaseGaps';
import { releaseRemarks } from './releaseRemarks';
import { contradictions, follow, partOf, statementProblems } from './statement';
import { fitVariants, type Variant } from './variantFit';

const slate = RELEASES.find(({ id }) => id === 'tarn-court-mid-slate') as Release;
const court = CHARTS[0] as (typeof CHARTS)[number];

describe('the first number of a run of sizes', () => {
  it.each([
    ['9 521204 100064', '952120410006', 'a whole number'],
    ['952120410006', '952120410006', 'without its check digit, behind the maker’s prefix'],
    ['10006', '952120410006', 'an item number'],
    ['036000291452', '03600029145', 'a whole number of twelve digits'],
  ])('%s is %s: %s', (typed, body) => {
    expect(readFirstNumber(typed, ['9521204'])).toEqual({ body });
  });

  it.each([
    ['9521204100065', /ends in 5 and should end in 4/],
    ['12a', /digits only/],
    ['123456', /too many to go behind/],
  ])('%s is refused with a sentence', (typed, sentence) => {
    expect(readFirstNumber(typed, ['9521204']).sentence).toMatch(sentence);
  });

  it('counts on with right check digits, and never over its last digit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 0, max: 99_999 }), (count, item) => {
        const keys = Array.from({ length: count }, (_, i) => `s${i}`);
        const first = `9521204${String(item).padStart(5, '0')}`;
        const { sizes, sentence } = fillSizes(keys, first);
        expect(sizes.every(({ gtin }) => gtin.length === 13 && readGtin(gtin).readings[0]?.valid)).toBe(true);
        expect(new Set(sizes.map(({ gtin }) => gtin)).size).toBe(count);
        expect(sentence).toBeNull();
      }),
    );
    const { sizes, sentence } = fillSizes(['38', '39', '40'], '9999999');
    expect(sizes).toHaveLength(1);
    expect(sentence).toContain('39, 40');
  });
});

describe('what is odd about sizes', () => {
  const sizes = (keys: string[], skip = 0) =>
    keys.map((key, i) => {
      const body = `9521204${String(10_120 + i + (i > 1 ? skip : 0)).padStart(5, '0')}`;
      return { key, gtin: `${body}${gtinCheckDigit(body)}` };
    });
  it('says gaps, strangers, jumps and numbers of another maker', () => {
    const remarks = (list: ReturnType<typeof sizes>, prefixes = ['9521204']) =>
      sizeRemarks(list, court, prefixes).join(' ');
    expect(remarks(sizes(['38', '38.5', '39', '40']))).toBe('');
    expect(remarks(sizes(['38', '39', '40', '40.5']))).toContain('there is no 38.5');
    expect(remarks(sizes(['38', '38.5', '39', '61']))).toContain('has no size 61');
    expect(remarks(sizes(['38', '38.5', '39', '40', '40.5', '41'], 5))).toContain('but before 39');
    expect(remarks(sizes(['38', '38.5', '39', '40']), ['9521377'])).toContain('No number begins');
    const [first, ...others] = sizes(['38', '38.5', '39', '40']);
    const numberless = [{ key: '38', gtin: '' }, ...others];
    expect(first && remarks(numberless)).toContain('No barcode number is known of 38: one that');
    expect(remarks(numberless.map(({ key }) => ({ key, gtin: '' })))).toContain(
      'No barcode number is known of any size',
    );
  });
});

const variants: Variant[] = [
  { id: 'a', name: 'A', traits: { factory: ['F1'], country: ['X'], stamp: ['blue', 'red'] } },
  { id: 'b', name: 'B', traits: { factory: ['F2'], country: ['Y'], stamp: ['red'] } },
  { id: 'c', name: 'C', traits: { factory: ['F2'], country: ['X'] } },
];

describe('what variants forbid', () => {
  it('is what no variant shows together', () => {
    const bonds = bondsOf(variants);
    expect(
      bonds.find(({ trait, state, other }) => trait === 'country' && state === 'Y' && other === 'factory'),
    ).toMatchObject({
      allows: ['F2'],
      forbids: ['F1'],
    });
    // C says nothing of the stamp, so blue may come from F2 too.
    expect(bonds.some(({ trait, state, other }) => trait === 'stamp' && state === 'blue' && other === 'factory')).toBe(
      false,
    );
  });

  it('agrees with the chain: two states are forbidden exactly where together they break every variant', () => {
    const state = fc.subarray(['1', '2', '3'], { minLength: 1 });
    const variant = fc.record({ a: state, b: state, c: fc.option(state, { nil: undefined }) });
    fc.assert(
      fc.property(fc.array(variant, { minLength: 1, maxLength: 4 }), (list) => {
        const all = list.map((traits, i): Variant => {
          const { c, ...rest } = traits;
          return { id: String(i), name: String(i), traits: c ? { ...rest, c } : rest };
        });
        for (const bond of bondsOf(all))
          for (const other of [...bond.allows, ...bond.forbids])
            expect(
              fitVariants(all, [
                { trait: bond.trait, state: bond.state, label: '' },
                { trait: bond.other, state: other, label: '' },
              ]).holds,
            ).toBe(bond.allows.includes(other));
      }),
    );
  });

  it('names variants that nothing can tell apart', () => {
    expect(indistinctVariants(variants)).toEqual([]);
    const twin: Variant = { id: 'd', name: 'D', traits: { ...variants[1]?.traits } };
    expect(
      indistinctVariants([...variants, twin]).map(({ variant, from, alike }) => [variant.name, from.name, alike]),
    ).toEqual([['B', 'D', true]]);
    const narrow: Variant = { id: 'e', name: 'E', traits: { factory: ['F1'], country: ['X'], stamp: ['blue'] } };
    expect(
      indistinctVariants([variants[0] as Variant, narrow]).map(({ variant, alike }) => [variant.name, alike]),
    ).toEqual([['E', false]]);
  });
});

describe('a record', () => {
  it('of the demo world lacks nothing, and is odd in nothing', () => {
    for (const release of RELEASES) {
      const chart = CHARTS.find(({ id }) => id === release.chart) ?? null;
      expect([release.id, releaseGaps(release), statementProblems(release)]).toEqual([release.id, [], []]);
      // Eras overlap while old boxes are used up.
      const odd = releaseRemarks(release, chart, null).filter((remark) => !remark.startsWith('The era'));
      expect([release.id, odd]).toEqual([release.id, []]);
    }
  });

  it('says where an exemplar is far out and where eras overlap', () => {
    const [first, ...rest] = slate.shelf ?? [];
    const odd: Release = {
      ...slate,
      shelf: first ? [{ ...first, values: { 'emblem-height': 47 } }, ...rest] : [],
      eras: [
        { id: 'old', name: 'old', from: '2020-01-01', until: '2025-01-01' },
        { id: 'new', name: 'new', from: '2024-06-01', until: null },
      ],
    };
    const remarks = releaseRemarks(odd, court, null).join(' ');
    expect(remarks).toMatch(/emblem height of an exemplar .* is 47 mm, 1[45] tolerances from/);
    expect(remarks).toContain('The era “old” ends 1 Jan 2025, and “new” begins 1 Jun 2024');
  });

  it('is copied as another colour without what belongs to the first', () => {
    const copy = copyAsColour(slate);
    expect(copy).toMatchObject({ name: slate.name, styleCode: '', colourName: '', releaseDate: null });
    expect(copy.sizes).toEqual(slate.sizes.map(({ key }) => ({ key, gtin: '' })));
    expect([copy.shelf, copy.copies, copy.statements]).toEqual([undefined, undefined, undefined]);
    expect(copy.variants).toEqual(slate.variants);
  });
});

describe('two sources that contradict', () => {
  const at = (slate.statements ?? []).findIndex(({ about }) => about === 'releaseDate');
  it('stand side by side until somebody decides', () => {
    expect(contradictions(slate).map(({ about }) => about)).toEqual(['releaseDate']);
    const decided = follow(slate, at, 'the calendar was right');
    expect(decided.releaseDate).toBe('2024-11-29');
    expect(contradictions(decided)).toEqual([]);
    // What was held before is not lost, and can be followed again.
    const back = decided.statements?.findIndex(({ says }) => says === '2024-10-25') ?? -1;
    expect(follow(decided, back, 'it was not').releaseDate).toBe('2024-10-25');
  });

  it('may be about one figure', () => {
    const said: Release = {
      ...slate,
      statements: [
        {
          about: 'nominal.emblem-height',
          source: 'another desk',
          on: '2025-03-01',
          support: 'measured',
          says: { ...slate.nominal['emblem-height'], value: 33 },
        },
      ],
    };
    expect(partOf(follow(said, 0, 'measured'), 'nominal.emblem-height')).toMatchObject({ value: 33 });
  });
});

describe('comparing revisions', () => {
  it('names what changed by its name, not by its place', () => {
    const [first, second, ...rest] = slate.sizes;
    const moved = { ...slate, sizes: [second, { ...first, gtin: '9521204100064' }, ...rest], releaseDate: null };
    expect(compareDocuments(slate, moved)).toEqual([
      { where: ['releaseDate'], before: slate.releaseDate, after: null },
      { where: ['sizes', '38'], before: first?.gtin, after: '9521204100064' },
    ]);
  });
  it('shows what came or went as a whole field by field, under its name', () => {
    const [make] = slate.copies ?? [];
    const noted = {
      ...slate,
      copies: [{ ...make, id: 'late', note: '', signs: [{ check: 'box.corners', shows: 'gaps' }] }],
    };
    const changes = compareDocuments({ ...slate, copies: [] }, noted);
    expect(changes).toContainEqual({
      where: ['copies', 'late', 'signs', 'box.corners'],
      before: undefined,
      after: 'gaps',
    });
    expect(changes.some(({ where }) => ['id', 'note', 'pictures'].includes(where.at(-1) ?? ''))).toBe(false);
    const gone = compareDocuments(noted, { ...noted, nominal: {} });
    expect(gone).toContainEqual({ where: ['nominal', 'emblem-height', 'perSize'], before: 0.4, after: undefined });
  });
});
