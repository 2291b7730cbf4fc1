import { describe, expect, it } from 'vitest';
import type { Grey } from '../imaging/grey';
import { type Cell, cellsOf } from './cells';
import type { FlatWord } from './eyes';
import { doubtfulFigures, withFigures } from './figures';
import { lettersOn } from './letters';
import { directionOf, slopeOf } from './slope';
import { backToPlace, type Strip, stripOf } from './strip';

/** Dark bars for letters on a light ground, each [x, y, width, height]. */
function printOf(letters: [number, number, number, number][], width = 400, height = 260): Grey {
  const data = new Uint8ClampedArray(width * height).fill(236);
  for (const [x, y, w, h] of letters)
    for (let row = Math.round(y); row < Math.round(y) + h; row++)
      data.fill(60, row * width + Math.round(x), row * width + Math.round(x) + w);
  return { width, height, data };
}

const lettersOf = (...args: Parameters<typeof printOf>) => lettersOn(printOf(...args));

/** A word of letters 12 px wide, 16 px apart. */
const word = (x: number, y: number, count: number, height = 24): [number, number, number, number][] =>
  Array.from({ length: count }, (_, i) => [x + 16 * i, y, 12, height]);

const boxes = (cells: Cell[]) => cells.map(({ x, y, width, height }) => [x, y, width, height]);

describe('runs of letters', () => {
  it('are parted where a caption stands before its value, and not at a dash or between words of one height', () => {
    const caption = word(40, 49, 3, 15);
    expect(boxes(cellsOf(lettersOf([...caption, ...word(96, 40, 2)])))).toEqual([
      [96, 40, 28, 24],
      [40, 49, 44, 15],
    ]);
    expect(cellsOf(lettersOf([...word(40, 40, 3), ...word(104, 40, 2)]))).toHaveLength(1);
    expect(cellsOf(lettersOf([...word(40, 40, 2), [76, 50, 12, 4], ...word(96, 40, 2)]))).toHaveLength(1);
  });

  it('say where a point stands among them', () => {
    const [cell] = cellsOf(lettersOf([...word(40, 40, 2), [73, 59, 5, 5], ...word(82, 40, 1)]));
    expect(cell?.point).toEqual({ behind: 2, of: 3 });
    const [raised] = cellsOf(lettersOf([...word(40, 40, 2), [73, 48, 5, 5], ...word(82, 40, 1)]));
    expect(raised?.point).toBeUndefined();
  });
});

describe('what is read on a sheet of runs', () => {
  const cell: Cell = { x: 100, y: 50, width: 24, height: 24 };
  const strip = stripOf(printOf(word(100, 50, 2)), [cell]);
  const [run] = strip.runs as [Strip['runs'][0]];
  const at = (copy: number, text: string, confidence = 0.9): FlatWord => ({
    text,
    confidence,
    x: 22 + copy * run.step,
    y: run.top,
    width: 30,
    height: 36,
  });
  const read = (words: FlatWord[], so: Cell = cell) =>
    backToPlace({ ...strip, runs: [{ ...run, cell: so }] }, words).flatMap(({ words: found }) => found);

  it('is what most copies of a short run say', () => {
    expect(run.copies).toBe(3);
    expect(read([at(0, '42'), at(1, 'L2'), at(2, '42')])).toMatchObject([{ text: '42', confidence: 0.9, y: 50 }]);
    const [divided] = read([at(0, '42', 0.8), at(1, 'L2', 0.7), at(2, '4Z', 0.6)]);
    expect(divided).toMatchObject({ text: '42' });
    expect(divided?.confidence).toBeLessThan(0.5);
  });

  it('is one of them where all were read as one word', () => {
    expect(read([{ ...at(0, '777'), width: 2 * run.step + 30 }])).toMatchObject([{ text: '7', x: 100 }]);
    expect(read([{ ...at(0, '778'), width: 2 * run.step + 30 }])).not.toMatchObject([{ text: '7' }]);
  });

  it('has the point that is seen among as many figures as there are, and no other', () => {
    const pointed = { ...cell, point: { behind: 2, of: 3 } };
    const thrice = (text: string) => [0, 1, 2].map((copy) => at(copy, text));
    expect(read(thrice('445'), pointed)).toMatchObject([{ text: '44.5' }]);
    expect(read(thrice('4450'), pointed)).toMatchObject([{ text: '4450' }]);
    expect(read(thrice('4L5'), pointed)).toMatchObject([{ text: '4L5' }]);
    expect(read(thrice('445'))).toMatchObject([{ text: '445' }]);
  });

  it('is asked for figures again where it is short and no sure figure, and says both', () => {
    const long: Cell = { ...cell, width: 200 };
    const sure: Cell = { ...cell, y: 90 };
    const runs = [
      { cell, words: [at(0, 'n', 0.7)] },
      { cell: sure, words: [at(0, '42', 0.95)] },
    ];
    const lost: Cell = { ...cell, y: 130 };
    expect(doubtfulFigures([cell, long, sure, lost], runs)).toEqual([cell, lost]);
    const both = withFigures(runs, [
      { cell, words: [at(0, '11', 0.8)] },
      { cell: lost, words: [at(0, '7', 0.9)] },
    ]);
    expect(both.map(({ words: [first] }) => [first?.text, first?.figures?.text])).toEqual([
      ['n', '11'],
      ['42', undefined],
      ['', '7'],
    ]);
  });
});

describe('lines of print', () => {
  const line = (degrees: number, x: number, y: number, count = 10) =>
    Array.from({ length: count }, (_, i): [number, number, number, number] => {
      const angle = (degrees * Math.PI) / 180;
      return [x + 20 * i * Math.cos(angle), y + 20 * i * Math.sin(angle), 12, 16];
    });

  it.each([-4, 0, 3, 5])('that run downhill by %d degrees are told', (degrees) => {
    const print = lettersOf([...line(degrees, 40, 80), ...line(degrees, 40, 140), ...line(degrees, 40, 200)]);
    expect((Math.atan(slopeOf(print)) * 180) / Math.PI).toBeCloseTo(degrees, 0);
  });

  it.each([-50, 37, 80])('that run at %d degrees are told', (degrees) => {
    const print = lettersOf(line(degrees, 200 - 70 * Math.cos(degrees / 57.3), degrees < 0 ? 220 : 40, 10));
    expect(((directionOf(print) ?? Number.NaN) * 180) / Math.PI).toBeCloseTo(degrees, -1);
  });

  it('are not told where there are hardly any letters', () => {
    expect(slopeOf(lettersOf(word(40, 40, 3)))).toBe(0);
    expect(directionOf(lettersOf(word(40, 40, 3)))).toBeNull();
  });
});
