import type { Cell } from './cells';
import { asOne, textOf, trustOf } from './flatWords';
import { isShort, type ReadRun } from './strip';

/** What may be a size in figures, */
const FIGURES = /^\d{1,3}(?:[.,]\d)?$/;
/** and is one for all that follows where it was read so surely. */
const SURE_FIGURE = 0.85;

/** Short runs that are no figures surely, and may be some. */
export const doubtfulFigures = (cells: Cell[], runs: ReadRun[]): Cell[] =>
  cells.filter((cell) => {
    if (!isShort(cell)) return false;
    const words = runs.find((run) => run.cell === cell)?.words ?? [];
    return words.length < 2 && !(FIGURES.test(textOf(words)) && trustOf(words) >= SURE_FIGURE);
  });

/** Runs with what they say where there are figures alone; such as were not read at all say nothing else. */
export function withFigures(runs: ReadRun[], figures: ReadRun[]): ReadRun[] {
  const read = figures.flatMap(({ cell, words }) => {
    const [word] = asOne(words, words.map(({ text }) => text).join(''));
    return word && FIGURES.test(word.text)
      ? [{ cell, word, is: { text: word.text, confidence: word.confidence } }]
      : [];
  });
  const known = runs.map(({ cell, words }) => {
    const found = read.find((each) => each.cell === cell);
    return { cell, words: found ? words.map((word) => ({ ...word, figures: found.is })) : words };
  });
  const unread = read.filter(({ cell }) => !runs.some((run) => run.cell === cell));
  return [
    ...known,
    ...unread.map(({ cell, word, is }) => ({ cell, words: [{ ...word, text: '', confidence: 0, figures: is }] })),
  ];
}
