import { describe, expect, it } from 'vitest';
import { isSettled, NOTHING_HEARD, type TagRead, whereTagsLie, withRound } from './inventory';

const A = '30364520D009C60000011319';
const B = '30364520D009C60000011320';
const CHIP_1 = 'E280F0222000000000001267';
const CHIP_2 = 'E280F0222000000000009999';
const read = (epc: string, more: Partial<TagRead> = {}): TagRead => ({ epc, rssi: -50, ...more });
const heardIn = (...rounds: TagRead[][]) => rounds.reduce(withRound, NOTHING_HEARD);
const times = (count: number, round: TagRead[]) => Array.from({ length: count }, () => round);

describe('an inventory', () => {
  it('counts a tag once a round, however often it answers, and keeps its strongest answer', () => {
    const { tags, rounds } = heardIn([read(A), read(A, { rssi: -44 })], [read(A.toLowerCase())]);
    expect({ tags, rounds }).toEqual({ tags: [{ epc: A, heard: 2, rssi: -44 }], rounds: 2 });
  });

  it('tells two chips with one EPC apart, in whatever order they name themselves', () => {
    const one = read(A, { tid: CHIP_1 });
    const other = read(A, { tid: CHIP_2 });
    for (const rounds of [
      [[one], [other]],
      [[read(A)], [other], [one]],
      [
        [read(A), one],
        [other, read(A)],
      ],
    ]) {
      const { tags } = heardIn(...rounds);
      expect(tags.map(({ tid }) => tid).sort()).toEqual([CHIP_1, CHIP_2]);
    }
  });

  it('keeps user memory that one answer brought and the next did not', () => {
    expect(heardIn([read(A, { user: '4142' })], [read(A)]).tags[0]?.user).toBe('4142');
  });

  it('lets what came cut off count for nothing', () => {
    const { tags, garbled } = heardIn([
      read('30364520D0'),
      read('not hex at all'),
      read(A, { rssi: Number.NaN }),
      read(A),
    ]);
    expect(tags).toHaveLength(1);
    expect(garbled).toBe(3);
  });

  it('settles once seven rounds brought no new tag, and begins anew with a late one', () => {
    const quiet = heardIn([read(A)], ...times(7, []));
    expect(isSettled(quiet)).toBe(true);
    expect(isSettled(heardIn([read(A)], ...times(6, [])))).toBe(false);
    expect(isSettled(withRound(quiet, [read(B)]))).toBe(false);
  });

  it('holds a tag for a neighbour’s only where it is both weak and seldom heard', () => {
    const near = read(A, { rssi: -48 });
    const far = read(B, { rssi: -63 });
    expect(whereTagsLie(heardIn([near, far], ...times(7, [near]))).beside.map(({ epc }) => epc)).toEqual([B]);
    expect(whereTagsLie(heardIn(...times(8, [near, far]))).beside).toEqual([]);
    expect(whereTagsLie(heardIn([near, read(B, { rssi: -55 })], ...times(7, [near]))).beside).toEqual([]);
  });
});
