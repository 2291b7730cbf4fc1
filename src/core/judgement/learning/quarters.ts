import type { Memory } from '../statistics';
import type { LearningTask } from './em';
import { Expectation, type Tally } from './expectation';
import { fadeOf } from './fade';
import type { Fit } from './fit';

export const MONTHS_A_QUARTER = 3;

/** Older quarters are taken together. */
const MOST_QUARTERS = 16;

/** What was seen in one quarter. */
export interface Quarter {
  /** Quarters ago. */
  ago: number;
  tally: Tally;
  /** Confirmed counterfeits, by which what was learned before is judged. */
  copies: number[];
}

const isConfirmedCopy = ({ table }: LearningTask, i: number): boolean =>
  table.confirmed[i] === 1 && ((table.allowed[i] as number) & 7) === 0;

/** The counts of each quarter under the fit that holds so many quarters ago, the newest quarter first. */
export function quartersOf(task: LearningTask, fitAt: (ago: number) => Fit): Quarter[] {
  const { table, stated, cases } = task;
  const unfaded = fadeOf(table, { shares: null, chances: null });
  const byAgo = new Map<number, number[]>();
  for (const i of cases) {
    const ago = Math.min(MOST_QUARTERS, Math.floor((table.months[i] as number) / MONTHS_A_QUARTER));
    byAgo.set(ago, [...(byAgo.get(ago) ?? []), i]);
  }
  return [...byAgo]
    .sort(([a], [b]) => a - b)
    .map(([ago, own]) => {
      const expectation = new Expectation(table, fitAt(ago), stated, unfaded);
      for (const i of own) expectation.count(i);
      return { ago, tally: expectation.tally, copies: own.filter((i) => isConfirmedCopy(task, i)) };
    });
}

/** What is left of some quarters' counts after so many more quarters: genuine ones whole, copies faded. */
export function sumOf(quarters: Quarter[], now: number, memory: Memory): Tally {
  const first = (quarters[0] as Quarter).tally;
  const sum = (of: (tally: Tally) => Float64Array, fade: (ago: number, at: number) => number) => {
    const total = new Float64Array(of(first).length);
    for (const { ago, tally } of quarters) {
      const counts = of(tally);
      for (let at = 0; at < total.length; at++)
        total[at] = (total[at] as number) + (counts[at] as number) * fade(ago - now, at);
    }
    return total;
  };
  const kept = (halfLife: number | null, quartersPast: number) =>
    halfLife === null ? 1 : 0.5 ** ((quartersPast * MONTHS_A_QUARTER) / halfLife);
  const copiedFrom = first.differs.length / 2;
  const chances = (ago: number, at: number) => (at < copiedFrom ? 1 : kept(memory.chances, ago));
  const shares = (ago: number) => kept(memory.shares, ago);
  return {
    ...first,
    differs: sum(({ differs }) => differs, chances),
    agrees: sum(({ agrees }) => agrees, chances),
    usual: sum(
      ({ usual }) => usual,
      () => 1,
    ),
    offDay: sum(
      ({ offDay }) => offDay,
      () => 1,
    ),
    well: sum(({ well }) => well, shares),
    poorly: sum(({ poorly }) => poorly, shares),
  };
}
