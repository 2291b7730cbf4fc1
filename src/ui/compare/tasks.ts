import type { KeptScale, Spot } from '@/core/casefile/events/photoScaled';
import { INSTRUMENTS, MEASURING } from '@/core/instruments';
import { ID_1 } from '@/core/measure/plane';

/** Something for which points are marked on pictures. */
export interface Task {
  id: string;
  name: string;
  key: string;
  /** What each point is, in words. */
  points: string[];
  lines: [from: number, to: number][];
  areas?: [from: number, to: number][];
  /** Measures what it marks: on one picture, or on one against the other. */
  measures?: 'one' | 'two';
  /** Says how large things are; of what is asked for then. */
  scale?: { fields: ('length' | 'width' | 'height')[]; keep(spots: Spot[], mm: number[]): KeptScale };
  /** Asks for words about what it marks. */
  note?: true;
  /** Marks the same places on both pictures in turn. */
  both?: true;
  /** Lays one picture over the other by what it marks. */
  aligns?: true;
}

const CORNERS = ['upper left corner', 'upper right corner', 'lower right corner', 'lower left corner'];
const AROUND: Task['lines'] = [
  [0, 1],
  [1, 2],
  [2, 3],
  [3, 0],
];

const ON_ONE = new Set(INSTRUMENTS.map(({ id }) => id));

export const MEASURES: Task[] = MEASURING.map((marks) => ({
  ...marks,
  measures: ON_ONE.has(marks.id) ? 'one' : 'two',
  ...(ON_ONE.has(marks.id) ? {} : { both: true }),
}));

/** Ways to say how large things are in a picture without a bench card. */
export const SCALES: Task[] = [
  {
    id: 'idCard',
    name: 'bank card',
    key: 'o',
    points: CORNERS.map((corner) => `the card’s ${corner}`),
    lines: AROUND,
    scale: { fields: [], keep: (corners) => ({ by: 'rectangle', corners, ...ID_1 }) },
  },
  {
    id: 'known',
    name: 'length',
    key: 'p',
    points: ['one end of what is known', 'its other end'],
    lines: [[0, 1]],
    scale: { fields: ['length'], keep: (ends, [mm = 1]) => ({ by: 'length', ends, mm }) },
  },
  {
    id: 'rectangle',
    name: 'rectangle',
    key: 'k',
    points: CORNERS.map((corner) => `its ${corner}`),
    lines: AROUND,
    scale: {
      fields: ['width', 'height'],
      keep: (corners, [width = 1, height = 1]) => ({ by: 'rectangle', corners, width, height }),
    },
  },
];

const align = (count: number): Task => ({
  id: 'align',
  name: 'Align',
  key: 'j',
  points: ['first', 'second', 'third', 'fourth']
    .slice(0, count)
    .flatMap((nth) => [`${nth} place, on the left picture`, 'the same, on the right picture']),
  lines: [],
  both: true,
  aligns: true,
});

/** Lay the right picture over the left one by places that both show: two where their scales are known, else four. */
export const ALIGN = { scaled: align(2), unscaled: align(4) };

/** A note on a place of the item's picture. */
export const NOTE: Task = { id: 'note', name: 'Note', key: 'm', points: ['what it is about'], lines: [], note: true };
