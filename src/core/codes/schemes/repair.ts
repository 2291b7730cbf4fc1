import { confusablesIn } from '../confusables';
import type { CodeScheme } from './codeScheme';
import { charactersOf, decode, type Plausible, type SchemeReading } from './decode';
import { type Budget, lengthsFrom } from './parse';

/** A code that differs from what was read by characters that are taken for each other, and that fits. */
export interface SchemeRepair {
  code: string;
  /** Position among the letters and digits, what was read there and what may have been meant. */
  changes: { at: number; from: string; to: string }[];
  reading: SchemeReading;
}

const MOST_TRIES = 600;
/** All searches for repairs of one code together. */
export const REPAIR_STEPS = 12_000;
const MOST_REPAIRS = 6;
const LONGEST = 40;

/** Codes with one, then with two characters exchanged for confusable ones. */
function* neighbours(code: string): Generator<SchemeRepair['changes']> {
  const swaps = [...code].flatMap((from, at) => confusablesIn(from, () => true).map((to) => ({ at, from, to })));
  for (const swap of swaps) yield [swap];
  for (const [i, first] of swaps.entries())
    for (const second of swaps.slice(i + 1)) if (second.at !== first.at) yield [first, second];
}

const applied = (code: string, changes: SchemeRepair['changes']): string =>
  changes.reduce((text, { at, to }) => text.slice(0, at) + to + text.slice(at + 1), code);

/**
 * What a code that does not fit may have been, by confusable characters alone. Fewest changes first, then the
 * better fit to the item.
 *
 * @param raw a code for which `decode` found no reading
 * @param budget work that is shared with other searches
 */
export function repair(
  scheme: CodeScheme,
  raw: string,
  plausible?: Plausible,
  budget: Budget = { steps: REPAIR_STEPS },
): SchemeRepair[] {
  const code = charactersOf(scheme, raw);
  if (code.length > LONGEST) return [];
  const { least, most } = lengthsFrom(scheme);
  if (code.length < (least[0] as number) || code.length > (most[0] as number)) return [];
  const found: SchemeRepair[] = [];
  let tries = 0;
  for (const changes of neighbours(code)) {
    if (tries++ >= MOST_TRIES || budget.steps <= 0) break;
    const candidate = applied(code, changes);
    const [reading] = decode(scheme, candidate, plausible, budget).readings;
    if (reading) found.push({ code: candidate, changes, reading });
  }
  const misfit = ({ reading }: SchemeRepair) => Math.abs(reading.daysOff) + Math.abs(reading.daysOutOfUse);
  return found.sort((a, b) => a.changes.length - b.changes.length || misfit(a) - misfit(b)).slice(0, MOST_REPAIRS);
}
