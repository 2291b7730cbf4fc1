import { describe, expect, it } from 'vitest';
import { RELEASES } from '@/demo/releases';
import { caseWith, GROUNDS } from '@/demo/testing/bench';
import type { CaseFile } from '../casefile/caseFile';
import type { Finding } from '../checks/finding';
import { toleranceStrip } from '../checks/toleranceStrip';
import type { KnownCopy } from '../releases/knownCopy';
import type { Release } from '../releases/release';
import { likeMakes, mergeMakes, noteCopy, signsOf } from './copyFromCase';
import { wantedItems, whatTheyTell, widening } from './exemplarAdvice';
import { nearestExemplar } from './nearestExemplar';

const slate = RELEASES.find(({ id }) => id === 'tarn-court-mid-slate') as Release;

describe('what exemplars tell', () => {
  it('widens as Student’s t does', () => {
    expect([2, 3, 5, 10].map((n) => Number(widening(n).toFixed(2)))).toEqual([4.7, 2.05, 1.42, 1.17]);
    expect(widening(1)).toBe(Number.POSITIVE_INFINITY);
    for (let n = 3; n < 60; n++) expect(widening(n)).toBeLessThan(widening(n - 1));
  });
  it('says of one that it shows no width', () => {
    expect(whatTheyTell(1).cannot).toContain('how far genuine items stray');
    expect(whatTheyTell(3).cannot).toContain('2.0 times');
  });
});

describe('which item would be worth most next', () => {
  it('is one of a variant of which none is known', () => {
    expect(wantedItems(slate, GROUNDS.kind)[0]).toMatchObject({ what: 'Gulf, VT4, harbour' });
  });
  it('is the size farthest from those that are known, for a measure that grows', () => {
    const two = { ...slate, shelf: slate.shelf?.slice(0, 1), variants: [] };
    expect(wantedItems(two, GROUNDS.kind).map(({ what }) => what)).toEqual(['2 more, of any size', 'size 47']);
  });
});

describe('the exemplar to hold beside a suspect', () => {
  const suspect = { sizeKey: '44', size: 44, condition: 'new' as const, traits: {} };
  it('is the nearest in size and variant', () => {
    expect(nearestExemplar(slate, suspect)?.item.sizeKey).toBe('43');
    expect(nearestExemplar(slate, { ...suspect, traits: { factory: 'QE2' } })?.item.sizeKey).toBe('45');
    expect(nearestExemplar({ shelf: [] }, suspect)).toBeNull();
  });
  it('is said with what it is not alike in', () => {
    expect(nearestExemplar(slate, { ...suspect, traits: { factory: 'QE2' } })).toMatchObject({
      alike: ['factory QE2'],
      unlike: ['size 45', 'worn'],
    });
  });
});

const finding = (id: string, mark: Finding['mark']): Finding => {
  const check = GROUNDS.kind.checks.find((each) => each.id === id);
  if (!check) throw new Error(`no check ${id}`);
  return { check, mark, choice: 'as seen', problems: [] };
};

describe('known makes of copies', () => {
  const findings = [
    finding('underneath.sole-letters', 'differs'),
    finding('label.print', 'agrees'),
    finding('label.straight', 'differs'),
  ];
  it('are alike by the signs that show and those that do not', () => {
    expect(likeMakes(slate, findings)).toMatchObject([{ shown: 1, notShown: 1 }]);
    expect(likeMakes(slate, [finding('label.straight', 'differs')])).toEqual([]);
  });
  it('list what was measured with its unit, of both hands where both were', () => {
    const emblem = { ...finding('outside.emblem', 'differs'), choice: undefined, value: 34.8 };
    const of = (more: object, size: number | null = null) =>
      signsOf([{ ...emblem, nominal: { unit: 'mm' }, ...more } as Finding], size)[0]?.shows;
    expect([of({}), of({ left: 34.8, right: 34.7 })]).toEqual(['34.8 mm', 'left 34.8, right 34.7 mm']);
    expect(of({}, 42)).toBe('34.8 mm at size 42');
  });
  it('keep each measurement at its size, and stand there beside genuine ones', () => {
    const emblem = { ...finding('outside.emblem', 'differs'), choice: undefined, value: 34.8 };
    const copies = noteCopy(slate, { id: 'low', name: 'low' }, caseWith({}), [emblem], 46).copies ?? [];
    expect(copies.at(-1)?.measured).toEqual([{ measure: 'emblem-height', size: 46, value: 34.8 }]);
    const again = noteCopy({ ...slate, copies }, { id: 'low', name: 'low' }, caseWith({}), [emblem], 46).copies;
    expect(again?.at(-1)?.measured).toHaveLength(1);
    const across = (of: KnownCopy[]) =>
      toleranceStrip({ ...slate, copies: of }, 'emblem-height')?.known.flatMap(({ at, of }) =>
        of === 'copy' ? [at.x] : [],
      );
    const [at = 0] = across(copies.slice(-1)) ?? [];
    expect(at).toBeGreaterThan(200);
    // A value that nobody kept the size of cannot be placed where the measure grows.
    expect(across([{ ...(copies[0] as KnownCopy), measured: [], values: { 'emblem-height': 29 } }])).toEqual([]);
  });
  it('stand at their value where sizes tell nothing apart, as the words under the strip say', () => {
    const alone = { ...slate, chart: null, copies: [] as KnownCopy[], shelf: [] };
    const strip = toleranceStrip(alone, 'emblem-height', { size: null, value: 60, uncertainty: 0.1 });
    const right = Math.max(...(strip?.range ?? []).map(({ x }) => x));
    expect(strip?.item?.at.x).toBeGreaterThan(right);
    expect(strip?.item?.ends[1].x).toBeCloseTo((strip?.width ?? 0) - 9);
    expect(strip?.labels[2]).toBe('60.2 mm');
  });
  it('grow by one more case and lose nothing', () => {
    const make = { id: 'touching-letters-first', name: 'touching letters' };
    const file = { ...caseWith({}), opened: { at: '2026-02-01T08:00:00Z', by: 'anyone' } };
    const copy = noteCopy(slate, make, file, findings, 42).copies?.[0];
    expect(copy).toMatchObject({ firstMet: '2025-02-11', lastMet: '2026-02-01', cases: ['PP-0001'] });
    expect(copy?.signs.map(({ check }) => check)).toContain('label.straight');
    expect(copy?.signs).toHaveLength(4);
  });
  it('count in how many cases a sign was met, and lose what a case that is taken out alone had', () => {
    const one = { id: 'one', name: 'one' };
    const emblem = { ...finding('outside.emblem', 'differs'), choice: undefined, value: 34.8 } as Finding;
    const second = { ...caseWith({}), number: 'PP-0009', opened: { at: '2025-01-05T08:00:00Z', by: 'anyone' } };
    const bare = { ...slate, copies: [] };
    const both = noteCopy(noteCopy(bare, one, caseWith({}), [...findings, emblem], 42), one, second, findings, 44);
    const signs = (release: Release, id: string) =>
      release.copies?.find((each) => each.id === id)?.signs.map(({ check, cases }) => `${check} ${cases}`);
    expect(signs(both, 'one')).toEqual(['underneath.sole-letters 2', 'label.straight 2', 'outside.emblem 1']);
    expect(both.copies?.[0]).toMatchObject({ firstMet: '2025-01-05', cases: ['PP-0001', 'PP-0009'] });
    // Noted once more it changes nothing.
    expect(noteCopy(both, one, second, findings, 44)).toBe(both);
    const photos = [{ sha256: 'a', check: 'label.straight' }] as CaseFile['photos'];
    const [made] = both.copies as [KnownCopy];
    const shot = { ...made, pictures: ['a', 'b'], pictured: { a: 'label.straight', b: 'outside.emblem' } };
    const pictured = { ...both, copies: [shot] };
    const first = { ...caseWith({}), photos };
    const split = noteCopy(pictured, { id: 'other', name: 'other' }, first, [...findings, emblem], 42);
    const left = split.copies?.find(({ id }) => id === 'one');
    expect([left?.pictures, left?.pictured]).toEqual([['b'], { b: 'outside.emblem' }]);
    expect(split.copies?.find(({ id }) => id === 'other')?.pictured).toEqual({ a: 'label.straight' });
    expect(signs(split, 'one')).toEqual(['underneath.sole-letters 1', 'label.straight 1']);
    expect(split.copies?.find(({ id }) => id === 'one')).toMatchObject({ cases: ['PP-0009'], measured: [] });
    expect(signs(split, 'other')).toHaveLength(3);
  });
  it('that turn out to be one are merged, and nothing of either is lost', () => {
    const [known] = slate.copies as [KnownCopy];
    const late: KnownCopy = { ...known, id: 'late', name: 'late', lastMet: '2026-05-01', cases: ['PP-0009'] };
    late.signs = [{ check: 'label.straight', shows: 'leans' }];
    const [merged, ...more] = mergeMakes([known, late], 'late', known.id);
    expect(more).toEqual([]);
    expect(merged).toMatchObject({ name: known.name, firstMet: known.firstMet, lastMet: '2026-05-01' });
    expect(merged?.cases).toEqual([...known.cases, 'PP-0009']);
    expect(merged?.signs).toEqual([...known.signs, ...late.signs]);
    expect(mergeMakes([known], known.id, known.id)).toEqual([known]);
  });
});
