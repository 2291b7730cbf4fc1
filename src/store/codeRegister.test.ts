import { v4 as uuid } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { CodeOutcome } from '@/core/casefile/events/codeMet';
import type { RegisterEntry } from '@/core/crossread/registered';
import { type TestDesk, testDesk } from '@/demo/testing/testDesk';
import { openCase } from '@/desk/openCase';
import { findCase } from './cases';
import { casesWithCode, codesOfCase, countCodes, lookUpCode, replaceCodes, searchCodes } from './codeRegister';

let at: TestDesk;
/** Ids and numbers of some cases to put codes on. */
const items: { id: string; number: string }[] = [];
beforeAll(async () => {
  at = await testDesk(true);
  for (let i = 0; i < 25; i++) {
    const id = uuid();
    const number = await openCase(at.desk, {
      caseId: id,
      query: `item ${i}`,
      circumstances: { channel: 'walk-in', condition: 'new', inHand: true, packaged: true },
      release: null,
      kind: 'fragrance',
      scanned: false,
      by: 'isolde-varr',
    });
    items.push({ id: (await findCase(at.desk.store, { number }))?.id ?? id, number });
  }
});
afterAll(() => at.close());

const code = (normal: string, change: Partial<RegisterEntry> = {}): RegisterEntry => ({
  fact: 'batchCode',
  scope: 'ilvane',
  normal,
  display: normal,
  place: 'boxBase',
  shared: true,
  ...change,
});
const put = (item: number, codes: RegisterEntry[], outcome: CodeOutcome = 'open', day = item + 1) =>
  at.desk.store.write((transaction) =>
    replaceCodes(
      at.desk.store,
      items[item]?.id ?? '',
      codes,
      outcome,
      `2026-01-${String(day).padStart(2, '0')}T00:00:00.000Z`,
      transaction,
    ),
  );
const met = (normal: string, change: Partial<RegisterEntry> = {}, except = '') =>
  lookUpCode(at.desk.store, code(normal, change), except);

beforeEach(async () => {
  for (let i = 0; i < items.length; i++) await put(i, []);
});

describe('where a code was met', () => {
  it('counts each other item once, by what came of it, the newest first', async () => {
    await put(0, [code('5A17'), code('5A17', { place: 'bottleBase' })], 'genuine');
    await put(1, [code('5A17')], 'counterfeit');
    await put(2, [code('5A17')]);
    const { counts, others } = await met('5A17', {}, items[2]?.id);
    expect(counts).toEqual({ open: 0, genuine: 1, counterfeit: 1, undecided: 0 });
    expect(others.map(({ number, place }) => [number, place])).toEqual([
      [items[1]?.number, 'boxBase'],
      [items[0]?.number, 'bottleBase'],
      [items[0]?.number, 'boxBase'],
    ]);
    expect((await casesWithCode(at.desk.store, code('5A17'), items[0]?.id ?? '')).sort()).toEqual(
      [items[1]?.id, items[2]?.id].sort(),
    );
  });
  it('keeps makers, facts and codes apart', async () => {
    await put(0, [code('5A17')]);
    for (const other of [{ scope: 'skerrow' }, { fact: 'dateCode' }, { normal: '5A17X' }, { normal: '5a17' }])
      expect((await met('5A17', other)).others).toEqual([]);
    expect((await met('5A17')).others).toHaveLength(1);
  });
  it('names the newest twenty and counts all', async () => {
    for (let i = 0; i < 25; i++) await put(i, [code('7C01')], 'counterfeit');
    const { counts, others } = await met('7C01');
    expect(counts.counterfeit).toBe(25);
    expect(others).toHaveLength(20);
    expect(others[0]?.number).toBe(items[24]?.number);
  });
  it('is no longer where an item’s codes were replaced', async () => {
    await put(0, [code('5A17'), code('S-1', { fact: 'serial', shared: false })]);
    await put(1, [code('5A17')]);
    await put(0, [code('6B22')], 'genuine');
    expect((await met('5A17')).others.map(({ number }) => number)).toEqual([items[1]?.number]);
    expect(await codesOfCase(at.desk.store, items[0]?.id ?? '')).toMatchObject([{ normal: '6B22', shared: true }]);
  });
  it('is told without harm for texts that mean something to a database', async () => {
    const nasty = `'; DROP TABLE code_register; --`;
    await put(0, [code(nasty)]);
    expect((await met(nasty)).others).toHaveLength(1);
    expect(await countCodes(at.desk.store)).toBeGreaterThan(0);
  });
});

describe('search by a beginning', () => {
  const found = async (beginning: string, limit = 50) =>
    (await searchCodes(at.desk.store, beginning, limit))
      .filter(({ number }) => items.some((item) => item.number === number))
      .map(({ normal }) => normal);
  it('is in order, exact, and takes no character for a joker', async () => {
    await put(0, [code('A%1'), code('A_1'), code('AB1'), code('A', { place: 'bottleBase' }), code('B1')]);
    expect(await found('A')).toEqual(['A', 'A%1', 'AB1', 'A_1']);
    expect(await found('A%')).toEqual(['A%1']);
    expect(await found('A_')).toEqual(['A_1']);
    expect(await found('a')).toEqual([]);
    expect(await found('A', 2)).toEqual(['A', 'A%1']);
  });
  it('without a beginning gives the newest', async () => {
    await put(3, [code('OLD')], 'open', 2);
    await put(4, [code('NEW')], 'open', 28);
    const all = await found('', 2000);
    expect(all.indexOf('NEW')).toBeLessThan(all.indexOf('OLD'));
  });
});
