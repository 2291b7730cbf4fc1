import type { Bearing } from '../checks/check';
import type { Finding } from '../checks/finding';
import { type Evidence, logsOf, type Piece, pieceOf, shareOf } from './evidence';
import { weighedSide } from './flips';
import type { Thresholds } from './houseRules';
import { updateAll } from './hypotheses';
import { logLikelihoods, multiply, type Products, productsOf } from './strandLikelihood';

/** The lowest and the highest P(genuine) that the open checks can still bring about, whatever they show. */
export interface Bound {
  lowest: number;
  highest: number;
}

const BEARINGS: Bearing[] = ['goods', 'packaging', 'link'];

/** Distances at which a measured value may come out, in tolerances; the last is as far as any slip reaches. */
const DISTANCES = [0, 1, 2, 4, 10, 50];

/** Passes of a climb; each moves every check to where it serves best. */
const MOST_PASSES = 8;

/** An open check with all that it may come out as; the first agrees, the second differs, neither is what it is now. */
interface Open {
  strand: string;
  bearing: Bearing;
  ways: [agrees: Piece, differs: Piece, ...others: Piece[]];
}

function waysOf(finding: Finding, evidence: Evidence): Open[] {
  const { parameters, rules } = evidence;
  const { check, nominal } = finding;
  const piece = (change: Partial<Finding>) => pieceOf({ ...finding, ...change }, parameters, rules);
  const plain = [piece({ mark: 'agrees' }), piece({ mark: 'differs' })];
  const measured = check.answer.form === 'quantity' || check.answer.form === 'count';
  const ways =
    measured && nominal
      ? DISTANCES.flatMap((by) => [by, -by]).map((by) =>
          piece({ mark: by > 1 ? 'differs' : 'agrees', value: nominal.value + by * nominal.tolerance }),
        )
      : plain;
  const shift = parameters.shift(finding);
  if (measured && nominal && shift) ways.push(piece({ mark: 'differs', value: nominal.value + shift.mean }));
  const known = ways.filter((each) => each !== null);
  const [agrees, differs] = measured && nominal ? [known[0], known[8]] : known;
  return agrees && differs
    ? [{ strand: check.strand, bearing: check.bearsOn, ways: [agrees, differs, ...known.slice(1)] }]
    : [];
}

/** P(genuine) with each open check come out one way, and ways changed one by one at little cost. */
class Outcomes {
  private readonly logs: Map<string, Float64Array>;
  private readonly total: Float64Array;
  private readonly inStrand: Map<string, number[]>;
  private laidOut = false;

  constructor(
    private readonly evidence: Evidence,
    private readonly open: Open[],
    /** Of each hypothesis, before anything was seen. */
    private readonly prior: Float64Array,
    /** By open check: the way in which it came out; -1 where it stays open. */
    private readonly chosen: number[],
  ) {
    this.total = logsOf(evidence);
    this.logs = new Map([...evidence.strands].map(([strand, { logs }]) => [strand, logs]));
    this.inStrand = new Map();
    open.forEach(({ strand }, i) => {
      const known = this.inStrand.get(strand);
      if (known) known.push(i);
      else this.inStrand.set(strand, [i]);
    });
  }

  /** The same outcomes, to be changed on their own. */
  copy(): Outcomes {
    return new Outcomes(this.evidence, this.open, this.prior, [...this.chosen]);
  }

  /** Counts in what was chosen; most corners are never asked for. */
  private layOut(): void {
    if (this.laidOut) return;
    this.laidOut = true;
    for (const strand of this.inStrand.keys()) this.take(strand, this.logsOf(strand, this.productsWithout(strand, -1)));
  }

  /** The products of a strand with all of its open checks as they came out, one left out. */
  private productsWithout(strand: string, leftOut: number): Products {
    let products: Products = this.evidence.strands.get(strand)?.products ?? productsOf([]);
    for (const i of this.inStrand.get(strand) ?? []) {
      const piece = i === leftOut ? undefined : this.open[i]?.ways[this.chosen[i] as number];
      if (piece) products = multiply(products, piece);
    }
    return products;
  }

  private logsOf(strand: string, products: Products): Float64Array {
    return logLikelihoods(products, this.evidence.parameters.shares(strand));
  }

  private take(strand: string, logs: Float64Array): void {
    const before = this.logs.get(strand);
    for (let at = 0; at < this.total.length; at++)
      this.total[at] = (this.total[at] as number) - (before?.[at] ?? 0) + (logs[at] as number);
    this.logs.set(strand, logs);
  }

  /** P(genuine), with one strand otherwise than it is where that is asked. */
  share(before?: Float64Array, instead?: Float64Array): number {
    this.layOut();
    const { total, prior } = this;
    const sums = new Float64Array(total.length);
    let largest = Number.NEGATIVE_INFINITY;
    for (let at = 0; at < sums.length; at++) {
      const changed = before && instead ? (instead[at] as number) - (before[at] as number) : 0;
      sums[at] = (total[at] as number) + changed;
      if ((sums[at] as number) > largest) largest = sums[at] as number;
    }
    let [genuine, copied] = [0, 0];
    for (let at = 0; at < sums.length; at++) {
      const value = (prior[at] as number) * Math.exp((sums[at] as number) - largest);
      if (at < this.evidence.hypotheses.from.transplanted) genuine += value;
      else copied += value;
    }
    return genuine / (genuine + copied);
  }

  /** Move a check to where P(genuine) goes furthest in a direction; returns whether it moved. */
  improve(i: number, direction: 1 | -1): boolean {
    this.layOut();
    const { strand, ways } = this.open[i] as Open;
    const before = this.logs.get(strand) as Float64Array;
    const rest = this.productsWithout(strand, i);
    let best = this.share() * direction;
    let found: { way: number; logs: Float64Array } | null = null;
    for (let way = -1; way < ways.length; way++) {
      if (way === this.chosen[i]) continue;
      const piece = ways[way];
      const logs = this.logsOf(strand, piece ? multiply(rest, piece) : rest);
      const p = this.share(before, logs) * direction;
      if (p > best + 1e-12) [best, found] = [p, { way, logs }];
    }
    if (!found) return false;
    this.chosen[i] = found.way;
    this.take(strand, found.logs);
    return true;
  }
}

/** Every way in which all checks on goods, all on packaging and all links may fall, and none of them. */
function cornersOf(findings: Finding[], evidence: Evidence): { open: Open[]; corners: Outcomes[] } {
  const open = findings.filter(({ mark }) => mark === 'open').flatMap((finding) => waysOf(finding, evidence));
  const { hypotheses } = evidence;
  const prior = updateAll(hypotheses, evidence.prior, new Float64Array(hypotheses.count));
  const ways = Array.from({ length: 2 ** BEARINGS.length }, (_, corner) =>
    open.map(({ bearing }) => (corner >> BEARINGS.indexOf(bearing)) & 1),
  );
  // All agreeing and all differing first: mostly they tell already that the case is open.
  const ordered = [ways[0] as number[], ways[ways.length - 1] as number[], open.map(() => -1), ...ways.slice(1, -1)];
  return { open, corners: ordered.map((chosen) => new Outcomes(evidence, open, prior, chosen)) };
}

/** From the best of some outcomes as far as single checks lead, one way. */
function climb(corners: Outcomes[], checks: number, direction: 1 | -1): number {
  const best = corners.reduce((a, b) => (b.share() * direction > a.share() * direction ? b : a)).copy();
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    let moved = false;
    for (let i = 0; i < checks; i++) if (best.improve(i, direction)) moved = true;
    if (!moved) break;
  }
  return best.share();
}

/**
 * How far the checks that are left could still move the weighing. They need not all fall one way: a link that
 * differs explains a bad box away. Begins at the corners (goods, packaging and link checks all agreeing or all
 * differing, each) and climbs from the best of them over single checks until none moves it further.
 *
 * @param findings every check of the case
 */
export function bound(findings: Finding[], evidence: Evidence): Bound {
  const { open, corners } = cornersOf(findings, evidence);
  return { lowest: climb(corners, open.length, -1), highest: climb(corners, open.length, 1) };
}

/**
 * True where nothing that is left can move the weighing across a threshold.
 *
 * @param findings every check of the case
 */
export function isSettled(findings: Finding[], evidence: Evidence, limits: Thresholds): boolean {
  const side = (p: number) => weighedSide(p, limits);
  const { open, corners } = cornersOf(findings, evidence);
  const now = side(shareOf(evidence));
  if (corners.some((corner) => side(corner.share()) !== now)) return false;
  return side(climb(corners, open.length, -1)) === now && side(climb(corners, open.length, 1)) === now;
}
