import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DateOrder } from './dateOrder';
import { addDays, formatSpan } from './day';
import { daysOutside } from './interval';
import { readPrintedDate } from './printedDate';
import { compareWithRelease, readProductionWindow } from './productionWindow';

const TODAY = '2026-11-25';
const LEAD = { minDays: 30, maxDays: 300 };

const froms = (raw: string, preferred: DateOrder = 'DMY') =>
  readPrintedDate(raw, { preferred, latest: TODAY }).readings.map(({ from }) => from);

describe('printed dates', () => {
  it('keeps every order while the text leaves it open, the maker’s first', () => {
    expect(froms('03/11/24')).toEqual(['2024-11-03', '2024-03-11', '2003-11-24']);
    expect(froms('03/11/24', 'MDY')).toEqual(['2024-03-11', '2024-11-03', '2003-11-24']);
    expect(froms('23/11/2024', 'MDY')).toEqual(['2024-11-23']);
  });
  it('takes a person at their word: an order behind the date settles it', () =>
    expect(froms('04/11/25 MDY')).toEqual(['2025-04-11']));
  it('counts no order that only a day to come would bear out', () =>
    expect(readPrintedDate('31/02/25', { preferred: 'DMY', latest: TODAY }).failure).toMatchObject({
      impossible: true,
      sentence: expect.stringMatching(/no day 31 in Feb 2025/),
    }));
  it.each([
    ['2024-11-03', '2024-11-03', '2024-11-03', 'day'],
    ['3 NOV 2024', '2024-11-03', '2024-11-03', 'day'],
    ['3rd of November 2024', '2024-11-03', '2024-11-03', 'day'],
    ['August 11, 2019', '2019-08-11', '2019-08-11', 'day'],
    ['11 août 2019', '2019-08-11', '2019-08-11', 'day'],
    ['11. März 2019', '2019-03-11', '2019-03-11', 'day'],
    ['Sunday, 3 November 2024', '2024-11-03', '2024-11-03', 'day'],
    ['Lunes 11/03/2024', '2024-03-11', '2024-03-11', 'day'],
    ['Tue 05/03/2024', '2024-03-05', '2024-03-05', 'day'],
    ['Fri 05/03/2024', '2024-05-03', '2024-05-03', 'day'],
    ['3 de noviembre de 2024', '2024-11-03', '2024-11-03', 'day'],
    ['2024年11月3日', '2024-11-03', '2024-11-03', 'day'],
    ['11月3日2024年', '2024-11-03', '2024-11-03', 'day'],
    ['2024년 11월 3일', '2024-11-03', '2024-11-03', 'day'],
    ['3/XI/2024', '2024-11-03', '2024-11-03', 'day'],
    ['fab. 23∕11∕24', '2024-11-23', '2024-11-23', 'day'],
    ['2024-308', '2024-11-03', '2024-11-03', 'day'],
    ['2024-W44-7', '2024-11-03', '2024-11-03', 'day'],
    ['20190811', '2019-08-11', '2019-08-11', 'day'],
    ['11082019', '2019-08-11', '2019-08-11', 'day'],
    ['11AUG19', '2019-08-11', '2019-08-11', 'day'],
    ['11‑08‑2019', '2019-08-11', '2019-08-11', 'day'],
    ['11−08−2019', '2019-08-11', '2019-08-11', 'day'],
    ['AUG19', '2019-08-01', '2019-08-31', 'month'],
    ["AUG '19", '2019-08-01', '2019-08-31', 'month'],
    ['NOV 2024', '2024-11-01', '2024-11-30', 'month'],
    ['JUNE 2019', '2019-06-01', '2019-06-30', 'month'],
    ['SEPT 19', '2019-09-01', '2019-09-30', 'month'],
    ['OTT 2019', '2019-10-01', '2019-10-31', 'month'],
    ['02/2024', '2024-02-01', '2024-02-29', 'month'],
    ['24/11', '2024-11-01', '2024-11-30', 'month'],
    ['201908', '2019-08-01', '2019-08-31', 'month'],
    ['FAB 112024', '2024-11-01', '2024-11-30', 'month'],
    ['P: 11/24', '2024-11-01', '2024-11-30', 'month'],
    ['E 11|24', '2024-11-01', '2024-11-30', 'month'],
    ['MFG 11/24', '2024-11-01', '2024-11-30', 'month'],
    ['EXP. DATE: 11/24', '2024-11-01', '2024-11-30', 'month'],
    ['W32 2019', '2019-08-05', '2019-08-11', 'week'],
    ['32/2019', '2019-08-05', '2019-08-11', 'week'],
    ['2019-W32', '2019-08-05', '2019-08-11', 'week'],
    ['KW 32/19', '2019-08-05', '2019-08-11', 'week'],
    ['S32 19', '2019-08-05', '2019-08-11', 'week'],
    ['W3219', '2019-08-05', '2019-08-11', 'week'],
    ['Q3 2019', '2019-07-01', '2019-09-30', 'quarter'],
    ['3Q19', '2019-07-01', '2019-09-30', 'quarter'],
    ['2019 Q3', '2019-07-01', '2019-09-30', 'quarter'],
    ['H2 2019', '2019-07-01', '2019-12-31', 'span'],
    ['AW19', '2019-07-01', '2020-03-31', 'span'],
    ['Spring/Summer 2019', '2019-01-01', '2019-09-30', 'span'],
    ['F/W 2019', '2019-07-01', '2020-03-31', 'span'],
    ['FW 2019/20', '2019-07-01', '2020-03-31', 'span'],
    ['2024', '2024-01-01', '2024-12-31', 'year'],
  ])('reads %s with the precision it is printed in', (raw, from, to, precision) => {
    expect(readPrintedDate(raw, 'DMY').readings[0]).toMatchObject({ from, to, precision });
  });
  it.each([
    ['31/02/2025', /no day 31 in Feb 2025; that month has 28 days/, true],
    ['31 FEB 2025', /no day 31/, true],
    ['2025-13-01', /no month 13/, true],
    ['00/2025', /no month 00/, true],
    ['W54 2019', /2019 has no week 54/, true],
    ['53/2019', /2019 has no week 53/, true],
    ['Mon 3 Nov 2024', /3 Nov 2024 is a Sunday, not “MON”/, true],
    ['00/00/00', /no date is filled in/, false],
    ['5Q19', /no 5 of 4/, true],
    ['soon', /“SOON” has no meaning/, false],
    ['11 FLORIAL 2019', /“FLORIAL” has no meaning/, false],
    ['19 AUG', /is no date/, false],
    ['12345', /is no date/, false],
    ['<i>1/1/25</i>', /is no date/, false],
    ['', /empty/, false],
  ])('refuses %s', (raw, sentence, impossible) => {
    const { readings, failure } = readPrintedDate(raw, 'DMY');
    expect(readings).toEqual([]);
    expect(failure).toMatchObject({ sentence: expect.stringMatching(sentence), impossible });
  });
  const day = fc.integer({ min: 0, max: 9_000 }).map((offset) => addDays('2000-01-01', offset));
  const separator = fc.constantFrom('/', '.', '-', ' ', '–', '. ');
  it('reads back every day that it could have printed, in every order and with every separator', () => {
    const order = fc.constantFrom<DateOrder>('DMY', 'MDY', 'YMD');
    fc.assert(
      fc.property(day, separator, order, fc.boolean(), (at, mark, form, long) => {
        const [y, m, d] = at.split('-') as [string, string, string];
        const parts = { Y: long ? y : y.slice(2), M: m, D: d };
        const raw = [...form].map((each) => parts[each as 'Y']).join(mark);
        expect(readPrintedDate(raw, form).readings[0]?.from).toBe(at);
      }),
      { numRuns: 1000 },
    );
  });
  it('never calls a date impossible that some month name could have stood for', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 24 }), (raw) => {
        const { readings, failure } = readPrintedDate(raw, 'DMY');
        if (failure?.impossible) expect(/\d/.test(raw)).toBe(true);
        for (const { from, to } of readings) expect(from <= to).toBe(true);
      }),
      { numRuns: 1000 },
    );
  });
});

const windowsOf = (raw: string, order: DateOrder = 'DMY') =>
  readProductionWindow(raw, { preferred: order, latest: TODAY }).windows?.map(({ start, end }) => [start.from, end.to]);

describe('production window', () => {
  it('takes both dates in one order and keeps the others', () =>
    expect(windowsOf('03/11/24 - 05/02/25')).toEqual([
      ['2024-11-03', '2025-02-05'],
      ['2024-03-11', '2025-05-02'],
      ['2003-11-24', '2005-02-25'],
    ]));
  it('mixes no orders: what one end settles holds for the other', () =>
    expect(windowsOf('03/11/2024 - 25/02/2025')).toEqual([['2024-11-03', '2025-02-25']]));
  it.each([
    ['2024-11-03 / 2025-02-05', '2024-11-03', '2025-02-05'],
    ['11/24 – 02/25', '2024-11-01', '2025-02-28'],
    ['11-24-02-25', '2024-11-01', '2025-02-28'],
    ['2024-11/2025-02', '2024-11-01', '2025-02-28'],
    ['03/11/24-05/02/25', '2024-11-03', '2025-02-05'],
    ['03.11.24-05.02.25', '2024-11-03', '2025-02-05'],
    ['03-11-24-05-02-25', '2024-11-03', '2025-02-05'],
    ['03/11/24 ~ 05/02/25', '2024-11-03', '2025-02-05'],
    ['03/11/24 to 05/02/25', '2024-11-03', '2025-02-05'],
    ['3 nov. 2024 - 5 fév. 2025', '2024-11-03', '2025-02-05'],
    ['AUG - SEP 2019', '2019-08-01', '2019-09-30'],
    ['28/11 - 05/02/25', '2024-11-28', '2025-02-05'],
    ['AUG19-SEP19', '2019-08-01', '2019-09-30'],
    ['2019-2020', '2019-01-01', '2020-12-31'],
    ['2024-11', '2024-11-01', '2024-11-30'],
  ])('reads %s', (raw, from, to) => expect(windowsOf(raw)?.[0]).toEqual([from, to]));
  it('tells an expiry from a day of making', () => {
    const both = readProductionWindow('MFG 11/24 EXP 11/27', 'DMY');
    expect([both.windows?.[0]?.start.from, both.expires?.[0]?.from]).toEqual(['2024-11-01', '2027-11-01']);
    expect(readProductionWindow('BEST BEFORE END 11/27', 'DMY')).toMatchObject({ windows: [] });
  });
  it('refuses a window that ends before it starts in every order', () => {
    const { failure } = readProductionWindow('05/08/2025 - 03/06/2024', 'DMY');
    expect(failure).toMatchObject({ impossible: true, sentence: expect.stringMatching(/before it starts/) });
  });
  it.each([
    ['2025-01-10', 0, /within the record/],
    ['2024-01-10', -129, /too early/],
    ['2025-03-01', 17, /too late/],
    ['2025-05-01', 78, /after the release/],
  ])('held against the release, %s is %i days off', (day, daysOff, sentence) => {
    const [window] = readProductionWindow(day, 'YMD').windows ?? [];
    const verdict = window && compareWithRelease(window, '2025-03-14', LEAD);
    expect(verdict?.daysOff).toBe(daysOff);
    expect(verdict?.sentence).toMatch(sentence);
  });
  it('gives a month the benefit of all its days', () => {
    const month = { from: '2024-05-01', to: '2024-05-31', precision: 'month' as const };
    expect(daysOutside(month, '2024-05-18', '2025-02-12')).toBe(0);
    expect(daysOutside(month, '2024-06-02', '2025-02-12')).toBe(-2);
  });
  it('says spans as a person would', () => {
    expect([1, 45, 200, 1100].map(formatSpan)).toEqual(['1 day', '45 days', '7 months', '3 years']);
  });
});
