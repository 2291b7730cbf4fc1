import { confusable } from './confusables';

export type AlignmentOp = 'same' | 'substitute' | 'insert' | 'delete' | 'swap';

/** One step of turning what was expected into what was found. Indices are into the two strings. */
export interface AlignmentStep {
  op: AlignmentOp;
  expectedAt: number;
  foundAt: number;
  expected: string;
  found: string;
  /** Only for `substitute`: the two characters are often taken for each other. */
  confusable: boolean;
}

export interface Alignment {
  steps: AlignmentStep[];
  /** Weighted number of slips: 1 each, 0.4 for a confusable character. */
  distance: number;
}

const CONFUSABLE_COST = 0.4;

/**
 * The cheapest way to explain a found code as slips in an expected one: optimal string alignment, that is
 * Levenshtein distance with swaps of neighbours, where a confusable character costs less than another.
 *
 * @param expected the code as the record has it
 * @param found the code as it was read
 * @source Damerau 1964, in the restricted form of Oommen and Loke 1997
 * @example align('VK15', 'VKI5').steps.filter((s) => s.op !== 'same').length // 1
 */
export function align(expected: string, found: string): Alignment {
  const rows = expected.length + 1;
  const columns = found.length + 1;
  const cost = new Float64Array(rows * columns);
  const cell = (i: number, j: number) => i * columns + j;
  const at = (i: number, j: number) => cost[cell(i, j)] as number;
  for (let i = 0; i < rows; i++) cost[cell(i, 0)] = i;
  for (let j = 0; j < columns; j++) cost[cell(0, j)] = j;

  const substitution = (i: number, j: number) => {
    const a = expected.charAt(i - 1);
    const b = found.charAt(j - 1);
    if (a === b) return 0;
    return confusable(a, b) ? CONFUSABLE_COST : 1;
  };
  const swapped = (i: number, j: number) =>
    i > 1 &&
    j > 1 &&
    expected[i - 1] === found[j - 2] &&
    expected[i - 2] === found[j - 1] &&
    expected[i - 1] !== expected[i - 2];

  for (let i = 1; i < rows; i++) {
    for (let j = 1; j < columns; j++) {
      let best = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + substitution(i, j));
      if (swapped(i, j)) best = Math.min(best, at(i - 2, j - 2) + 1);
      cost[cell(i, j)] = best;
    }
  }

  const steps: AlignmentStep[] = [];
  let i = expected.length;
  let j = found.length;
  const push = (op: AlignmentOp, width: number, confusing = false) => {
    const fromExpected = op === 'insert' ? 0 : width;
    const fromFound = op === 'delete' ? 0 : width;
    i -= fromExpected;
    j -= fromFound;
    steps.push({
      op,
      expectedAt: i,
      foundAt: j,
      expected: expected.slice(i, i + fromExpected),
      found: found.slice(j, j + fromFound),
      confusable: confusing,
    });
  };
  const near = (a: number, b: number) => Math.abs(a - b) < 1e-9;
  while (i > 0 || j > 0) {
    if (i > 0 && j > 0 && near(at(i, j), at(i - 1, j - 1) + substitution(i, j))) {
      const weight = substitution(i, j);
      push(weight === 0 ? 'same' : 'substitute', 1, weight === CONFUSABLE_COST);
    } else if (swapped(i, j) && near(at(i, j), at(i - 2, j - 2) + 1)) push('swap', 2);
    else if (i > 0 && near(at(i, j), at(i - 1, j) + 1)) push('delete', 1);
    else push('insert', 1);
  }
  return { steps: steps.reverse(), distance: at(expected.length, found.length) };
}

/**
 * True where two codes are equal or differ by one character missing, too many or wrong, or by two neighbours swapped.
 * Much cheaper than `align`, for choosing what is worth aligning.
 */
export function withinOneSlip(a: string, b: string): boolean {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (long.length - short.length > 1) return false;
  let i = 0;
  while (i < short.length && short[i] === long[i]) i++;
  const rest = long.slice(i + 1);
  if (short.slice(i) === rest || (short.length === long.length && short.slice(i + 1) === rest)) return true;
  return (
    short.length === long.length &&
    short[i] === long[i + 1] &&
    short[i + 1] === long[i] &&
    short.slice(i + 2) === long.slice(i + 2)
  );
}
