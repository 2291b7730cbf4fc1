import { randomLcg } from 'd3-random';
import type { Copy } from './copiesOf';
import type { Predictive } from './predictive';

/** One way of sorting copies into makes: indexes of copies, largest make first. */
export type Sorting = number[][];

/** How readily a copy is taken for the first of a make of its own. */
const CONCENTRATION = 1;
const BURN_IN = 50;
const BETWEEN = 5;
const SAMPLES = 3;
const SEED = 0.5772156649;

/** What a copy showed: for each check that was looked at, twice its place, and one more where it differed. */
const shownBy = ({ outcomes }: Copy): Int32Array =>
  Int32Array.from([...outcomes].flatMap((outcome, check) => (outcome < 0 ? [] : [2 * check + outcome])));

/** A make while copies are sorted: what those in it showed, and what that makes of the next. */
class Make {
  readonly members = new Set<number>();
  /** By check, how many agreed and how many differed. */
  private readonly counts: Uint16Array;
  /** By check, log P(agrees) and log P(differs) of the next copy. */
  private readonly next: Float64Array;
  held: string | null = null;

  constructor(
    private readonly predictive: Predictive,
    empty: Float64Array,
  ) {
    this.counts = new Uint16Array(empty.length);
    this.next = empty.slice();
  }

  change(shown: Int32Array, by: 1 | -1): void {
    for (const at of shown) {
      this.counts[at] = (this.counts[at] as number) + by;
      const agrees = at & ~1;
      const logs = this.predictive.logs(at >> 1, this.counts[agrees + 1] as number, this.counts[agrees] as number);
      this.next[agrees] = logs[0] as number;
      this.next[agrees + 1] = logs[1] as number;
    }
  }

  /** Log P(what a copy shows | it is of this make). */
  logOf(shown: Int32Array): number {
    let log = 0;
    for (let i = 0; i < shown.length; i++) log += this.next[shown[i] as number] as number;
    return log;
  }
}

/** Copies that move together: those that a person sorted into one make, or one that nobody sorted. */
interface Unit {
  members: number[];
  held: string | null;
  /** Where it is now; null while it is moved. */
  make: Make | null;
}

function unitsOf(copies: Copy[]): Unit[] {
  const units = new Map<string, Unit>();
  for (const [i, { held }] of copies.entries()) {
    const name = held ?? `\0${i}`;
    const unit = units.get(name);
    if (unit) unit.members.push(i);
    else units.set(name, { members: [i], held, make: null });
  }
  return [...units.values()];
}

/**
 * Sort the copies of a release into makes: a collapsed Gibbs sampler of a Dirichlet-process mixture. What a person sorted
 * stays together, and apart from what the person sorted otherwise.
 *
 * @param predictive of the checks, in the order of the outcomes
 * @returns some ways of sorting them, the likeliest that was met first
 * @source Neal, Markov Chain Sampling Methods for Dirichlet Process Mixture Models, algorithm 3, 2000
 */
export function sortCopies(copies: Copy[], predictive: Predictive, burnIn = BURN_IN): Sorting[] {
  const random = randomLcg(SEED);
  const empty = Float64Array.from(
    Array.from({ length: predictive.checks }, (_, check) => [...predictive.logs(check, 0, 0)]).flat(),
  );
  const shown = copies.map(shownBy);
  const units = unitsOf(copies);
  const makes: Make[] = [];
  let spare = new Make(predictive, empty);

  const join = (unit: Unit, make: Make) => {
    for (const i of unit.members) {
      make.members.add(i);
      make.change(shown[i] as Int32Array, 1);
    }
    make.held = unit.held ?? make.held;
    unit.make = make;
  };
  const leave = (unit: Unit) => {
    const { make } = unit;
    if (!make) return;
    for (const i of unit.members) {
      make.members.delete(i);
      make.change(shown[i] as Int32Array, -1);
    }
    if (unit.held) make.held = null;
    if (make.members.size === 0) makes.splice(makes.indexOf(make), 1);
    unit.make = null;
  };
  /** Log P(what a unit shows | it is of that make), one copy after the other. */
  const logOfUnit = ({ members }: Unit, make: Make): number => {
    if (members.length === 1) return make.logOf(shown[members[0] as number] as Int32Array);
    let log = 0;
    for (const i of members) {
      log += make.logOf(shown[i] as Int32Array);
      make.change(shown[i] as Int32Array, 1);
    }
    for (const i of members) make.change(shown[i] as Int32Array, -1);
    return log;
  };
  /** Move every unit to a make drawn by how well it goes there. Returns how likely all of it came to be, as a logarithm. */
  const sweep = (): number => {
    let total = 0;
    for (const unit of units) {
      leave(unit);
      const open = unit.held === null ? makes.slice() : makes.filter((make) => make.held === null);
      open.push(spare);
      const logs = open.map((make) => Math.log(make.members.size || CONCENTRATION) + logOfUnit(unit, make));
      const largest = Math.max(...logs);
      const weights = logs.map((log) => Math.exp(log - largest));
      const sum = weights.reduce((all, each) => all + each, 0);
      let left = random() * sum;
      let at = 0;
      while (at < weights.length - 1 && left >= (weights[at] as number)) left -= weights[at++] as number;
      const chosen = open[at] as Make;
      if (chosen === spare) {
        makes.push(spare);
        spare = new Make(predictive, empty);
      }
      join(unit, chosen);
      total += logs[at] as number;
    }
    return total;
  };
  const sorted = (): Sorting =>
    makes.map(({ members }) => [...members].sort((a, b) => a - b)).sort((a, b) => b.length - a.length);

  const found: { sorting: Sorting; log: number }[] = [];
  for (let round = 0; round < burnIn + SAMPLES * BETWEEN; round++) {
    const log = sweep();
    if (round >= burnIn && (round - burnIn) % BETWEEN === 0) found.push({ sorting: sorted(), log });
  }
  return found.sort((a, b) => b.log - a.log).map(({ sorting }) => sorting);
}
