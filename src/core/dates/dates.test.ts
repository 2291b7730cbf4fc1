import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, formatSpan } from './day';
import { daysOutside } from './interval';
import { readPrintedDate } from './printedDate';
import { compareWithRelease, readProductionWindow } from './productionWindow';

const LEAD = { minDays: 30, maxDays: 300 };

describe('printed dates', () => {
  it('keeps both orders while the text leaves them open, the maker’s first', () => {
    expect(readPrintedDate('03/11/24', 'DMY').readings.map(({ from }) => from)).toEqual(['2024-11-03', '2024-03-11']);
    expect(readPrintedDate('03/11/24', 'MDY').readings.map(({ from }) => from)).toEqual(['2024-03-11', '2024-11-03']);
    expect(readPrintedDate('23/11/24', 'MDY').readings.map(({ from }) => from)).toEqual(['2024-11-23']);
  });
  it.each([
    ['2024-11-03', '2024-11-03', '2024-11-03', 'day'],
    ['3 NOV 2024', '2024-11-03', '2024-11-03', 'day'],
    ['NOV 2024', '2024-11-01', '2024-11-30', 'month'],
    ['02/2024', '2024-02-01', '2024-02-29', 'month'],
    ['2024', '2024-01-01', '2024-12-31', 'year'],
  ])('reads %s with the precision it is printed in', (raw, from, to, precision) => {
    expect(readPrintedDate(raw, 'DMY').readings[0]).toMatchObject({ from, to, precision });
  });
  it.each([
    ['31/02/2025', /no day 31 in Feb 2025; that month has 28 days/, true],
    ['31 FEB 2025', /no day 31/, true],
    ['2025-13-01', /no month 13/, true],
    ['00/2025', /no month 00/, true],
    ['soon', /is no date/, false],
    ['<i>1/1/25</i>', /is no date/, false],
    ['', /empty/, false],
  ])('refuses %s', (raw, sentence, impossible) => {
    const { readings, failure } = readPrintedDate(raw, 'DMY');
    expect(readings).toEqual([]);
    expect(failure).toMatchObject({ sentence: expect.stringMatching(sentence), impossible });
  });
  it('reads back every day that it could have printed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (offset) => {
        const day = addDays('2000-01-01', offset);
        const [y, m, d] = day.split('-');
        expect(readPrintedDate(`${d}/${m}/${y}`, 'DMY').readings[0]?.from).toBe(day);
        expect(daysBetween('2000-01-01', day)).toBe(offset);
      }),
    );
  });
});

describe('production window', () => {
  it('takes both dates in one order and keeps the other as an alternative', () => {
    const { window, alternatives } = readProductionWindow('03/11/24 - 05/02/25', 'DMY');
    expect([window?.start.from, window?.end.to]).toEqual(['2024-11-03', '2025-02-05']);
    expect(alternatives?.map(({ start }) => start.from)).toEqual(['2024-03-11']);
  });
  it.each([
    ['2024-11-03 / 2025-02-05', '2024-11-03', '2025-02-05'],
    ['11/24 – 02/25', '2024-11-01', '2025-02-28'],
    ['03/11/24-05/02/25', '2024-11-03', '2025-02-05'],
    ['2024-11', '2024-11-01', '2024-11-30'],
  ])('reads %s', (raw, from, to) => {
    const { window } = readProductionWindow(raw, 'DMY');
    expect([window?.start.from, window?.end.to]).toEqual([from, to]);
  });
  it('refuses a window that ends before it starts', () => {
    const { failure } = readProductionWindow('05/08/25 - 03/06/24', 'DMY');
    expect(failure).toMatchObject({ impossible: true, sentence: expect.stringMatching(/before it starts/) });
  });
  it.each([
    ['2025-01-10', 0, /within the record/],
    ['2024-01-10', -129, /too early/],
    ['2025-03-01', 17, /too late/],
    ['2025-05-01', 78, /after the release/],
  ])('held against the release, %s is %i days off', (day, daysOff, sentence) => {
    const { window } = readProductionWindow(day, 'YMD');
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
