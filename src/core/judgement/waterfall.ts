import type { KindDefinition } from '../checks/check';
import type { Weighing } from './weigh';
import { genuineShare } from './worlds';

/** One step from the odds before to the odds now, in decibans. */
export interface WaterfallBar {
  /** The strand; `prior` and `interplay` for what is none. */
  id: string;
  name: string;
  weight: number;
  from: number;
  to: number;
}

export interface WaterfallSteps {
  bars: WaterfallBar[];
  low: number;
  high: number;
  /** The odds now, in decibans. */
  sum: number;
}

/**
 * From the odds before anything was seen to the odds now, strand by strand.
 *
 * @param leastInterplay an interplay of goods and packaging under so many decibans is left out
 */
export function waterfall(weighing: Weighing, kind: KindDefinition, leastInterplay = 0): WaterfallSteps {
  const before = genuineShare(weighing.prior);
  const steps = [
    { id: 'prior', name: 'Before anything was seen', weight: 10 * Math.log10(before / (1 - before)) },
    ...weighing.strands.map(({ strand, weight }) => ({ id: strand, name: kind.strands[strand] ?? strand, weight })),
    { id: 'interplay', name: 'Goods and packaging together', weight: weighing.interplay },
  ].filter(({ id, weight }) => id !== 'interplay' || Math.abs(weight) >= leastInterplay);
  let sum = 0;
  const bars = steps.map((step): WaterfallBar => {
    const from = sum;
    sum += step.weight;
    return { ...step, from, to: sum };
  });
  const ends = bars.map(({ to }) => to);
  return { bars, low: Math.min(0, ...ends), high: Math.max(0, ...ends), sum };
}
