import { brightnessAt, type Grey } from '../imaging/grey';
import type { Cell } from './cells';
import type { FlatWord } from './eyes';
import { asOne, textOf, trustOf } from './flatWords';
import { GROUND } from './prepare';

/** Height that runs are brought to, and what is left free around them, in px. */
const RUN_HEIGHT = 36;
const FREE = 22;

/** Runs shorter than this, in their heights, are written out several times beside each other: one alone is lost or misread. */
const SHORT = 3.6;
const COPIES = 3;
/** What lies between two copies, in px. */
const BETWEEN = 40;
/** Labels are set in narrow letters; the recognition of text was taught with wider ones. */
const STRETCH = 1.3;

/** True for a run of a few letters. */
export const isShort = ({ width, height }: Cell): boolean => width < SHORT * height;

/** Runs of letters under each other on one sheet, each brought to one height. */
export interface Strip {
  sheet: Grey;
  runs: StripRun[];
}

interface StripRun {
  cell: Cell;
  top: number;
  scale: number;
  /** How often it stands there, and how far apart, in px. */
  copies: number;
  step: number;
}

/**
 * Write out all runs under each other: the recognition of text reads such a sheet far more surely than a label with
 * tables, frames and letters of many heights.
 */
export function stripOf(grey: Grey, cells: Cell[]): Strip {
  const runs = cells.map((cell, i): StripRun => {
    const scale = RUN_HEIGHT / cell.height;
    return {
      cell,
      top: FREE + i * (RUN_HEIGHT + 2 * FREE),
      scale,
      copies: isShort(cell) ? COPIES : 1,
      step: Math.ceil(cell.width * scale * STRETCH) + BETWEEN,
    };
  });
  const width = Math.ceil(Math.max(200, ...runs.map(({ copies, step }) => copies * step))) + 2 * FREE;
  const height = FREE + runs.length * (RUN_HEIGHT + 2 * FREE);
  const data = new Uint8ClampedArray(width * height).fill(GROUND);
  for (const { cell, top, scale, copies, step } of runs) {
    const margin = 0.16 * RUN_HEIGHT;
    for (let y = Math.ceil(-margin); y < RUN_HEIGHT + margin; y++) {
      for (let x = Math.ceil(-margin); x < cell.width * scale * STRETCH + margin; x++) {
        const level = sampled(
          grey,
          cell.x + (x + 0.5) / (scale * STRETCH) - 0.5,
          cell.y + (y + 0.5) / scale - 0.5,
          1 / scale,
        );
        for (let copy = 0; copy < copies; copy++) data[(top + y) * width + FREE + copy * step + x] = level;
      }
    }
  }
  return { sheet: { width, height, data }, runs };
}

/** Brightness at a point, averaged over what one new pixel stands for. */
function sampled(grey: Grey, x: number, y: number, step: number): number {
  const reach = Math.max(0, (step - 1) / 2);
  if (reach < 0.25) return brightnessAt(grey, x, y);
  const near = reach / 2;
  return (
    (brightnessAt(grey, x - near, y - near) +
      brightnessAt(grey, x + near, y - near) +
      brightnessAt(grey, x - near, y + near) +
      brightnessAt(grey, x + near, y + near)) /
    4
  );
}

/** Marks that are no part of a code or word where they stand at its end. */
const isMark = (word: FlatWord | undefined): boolean => /^[^\p{L}\p{N}]+$/u.test(word?.text ?? '');

/** Of a text that not all copies say alike. */
const DISSENT = 0.6;

/** What most copies of a run say alike, with how sure they are of it. */
function agreedOf(copies: FlatWord[][]): FlatWord[] {
  const texts = copies.map(textOf);
  const votes = (i: number) => (texts[i] === '' ? 0 : texts.filter((other) => other === texts[i]).length);
  const [best] = copies
    .map((words, i) => ({ words, votes: votes(i) }))
    .sort((a, b) => b.votes - a.votes || trustOf(b.words) - trustOf(a.words));
  if (!best) return [];
  const agree = best.votes > copies.length / 2;
  return best.words.map((word) => ({ ...word, confidence: word.confidence * (agree ? 1 : DISSENT) }));
}

/** Copies that stand too close to be told apart, and were read as one word: `777`. */
function repeated(words: FlatWord[], copies: number): string | null {
  const whole = words.map(({ text }) => text).join('');
  const once = whole.slice(0, whole.length / copies);
  return once !== '' && once.repeat(copies) === whole ? once : null;
}

/** Figures with the point that stands among them. */
function pointed(words: FlatWord[], { point }: Cell): FlatWord[] {
  const text = words.map((word) => word.text).join('');
  if (!point || !/^\d+$/.test(text) || text.length !== point.of) return words;
  return asOne(words, `${text.slice(0, point.behind)}.${text.slice(point.behind)}`);
}

/** A run with the words that it says. */
export interface ReadRun {
  cell: Cell;
  words: FlatWord[];
}

/** The words of a strip, put back to where their runs stand. */
export function backToPlace({ runs }: Strip, words: FlatWord[]): ReadRun[] {
  return runs.flatMap(({ cell, top, scale, copies, step }) => {
    const inRow = words
      .filter(({ y, height }) => {
        const middle = y + height / 2;
        return middle > top - FREE && middle < top + RUN_HEIGHT + FREE;
      })
      .sort((a, b) => a.x - b.x);
    const each = Array.from({ length: copies }, (_, copy) => {
      const own = inRow
        .filter(({ x, width }) => copies === 1 || Math.floor((x + width / 2 - FREE + BETWEEN / 2) / step) === copy)
        .map((word) => ({ ...word, x: word.x - FREE - copy * step }));
      while (own.length > 0 && isMark(own[0])) own.shift();
      while (own.length > 0 && isMark(own.at(-1))) own.pop();
      return pointed(own, cell);
    });
    const once = each.some((own) => own.length === 0) ? repeated(inRow, copies) : null;
    const whole = { x: 0, y: top, width: cell.width * scale * STRETCH, height: RUN_HEIGHT };
    const read = once ? pointed([{ ...whole, text: once, confidence: trustOf(inRow) }], cell) : agreedOf(each);
    const placed = read.map((word) => ({
      ...word,
      x: cell.x + word.x / (scale * STRETCH),
      width: word.width / (scale * STRETCH),
      y: cell.y,
      height: cell.height,
    }));
    return placed.length > 0 ? [{ cell, words: placed }] : [];
  });
}
