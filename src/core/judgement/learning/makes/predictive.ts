import { chanceToDiffer, type MakePrior } from '../../makePrior';

/** Logarithms of P(agrees) and P(differs) after so many of each; asked for over and over. */
export class Predictive {
  private readonly known: (Float64Array | undefined)[][] = [];

  /** @param priors by check */
  constructor(private readonly priors: MakePrior[]) {}

  /** How many checks there are. */
  get checks(): number {
    return this.priors.length;
  }

  /** Log P(agrees) and log P(differs) at a check of a make that has shown so many of each. */
  logs(check: number, differs: number, agrees: number): Float64Array {
    let byCounts = this.known[check];
    if (!byCounts) {
      byCounts = [];
      this.known[check] = byCounts;
    }
    // Counts are small, so each pair has a place of its own.
    const at = ((differs + agrees) * (differs + agrees + 1)) / 2 + differs;
    let logs = byCounts[at];
    if (!logs) {
      const chance = Math.min(0.999, Math.max(0.001, chanceToDiffer(this.priors[check] as MakePrior, differs, agrees)));
      logs = Float64Array.of(Math.log(1 - chance), Math.log(chance));
      byCounts[at] = logs;
    }
    return logs;
  }
}
