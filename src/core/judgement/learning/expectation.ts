import { likelyAtLeast } from '../classes';
import { hypothesesOf } from '../hypotheses';
import { WORLDS } from '../worlds';
import { type CaseTable, DIFFERS, MEASURED } from './caseTable';
import { type Fit, type SharesAt, type Stated, sharesAt } from './fit';

/** How much each case counts on the copied side, for the shares of the classes and for the chances of the checks. */
export interface Fade {
  shares: Float64Array;
  chances: Float64Array;
}

/** What all cases come to under a fit: expected counts. Arrays are laid out like those of `Stated` and `Fit`. */
export interface Tally {
  differs: Float64Array;
  agrees: Float64Array;
  /** `strand * nodes + node`; the last node of the genuine ones stands for worlds in which quality says nothing. */
  usual: Float64Array;
  offDay: Float64Array;
  well: Float64Array;
  poorly: Float64Array;
  /** By the door: cases, and how many of them were copies. */
  channelCases: Float64Array;
  channelCopies: Float64Array;
  sellerCases: Float64Array;
  sellerCopies: Float64Array;
  /** Confirmed truths, and how many of them were wrong. */
  truths: number;
  wrongTruths: number;
  /** Logarithm of how likely all of it was. */
  log: number;
}

/** The part of such counts by strand and node that is one strand's. */
export function ofStrand(counts: Float64Array, strand: number, strands: number): Float64Array {
  const width = counts.length / strands;
  return counts.subarray(strand * width, (strand + 1) * width);
}

/** Places in the products of a strand: four classes for each of goods, packaging, link; then a link to nothing. */
const FOREIGN = 12;
const SEEN = 13;
const WIDTH = 14;

/** A hypothesis that is believed less than this is not counted. */
const NEGLIGIBLE = 1e-9;

/** Takes the expected counts of cases again and again, with the same scratch space. */
export class Expectation {
  readonly tally: Tally;
  private readonly shares: SharesAt;
  private readonly products: Float64Array;
  private readonly strandAt: Uint16Array;
  private readonly cells: Float64Array;
  private readonly from;
  private readonly checks: number;
  private readonly foreignAgrees: number;
  private readonly worldOf: Uint8Array;

  constructor(
    private readonly table: CaseTable,
    private readonly fit: Fit,
    private readonly stated: Stated,
    private readonly fade: Fade,
    /** Counts by release, `((release * 4 + of) * checks + check) * 2`, differs and agrees; null where not wanted. */
    private readonly byRelease: Float32Array | null = null,
  ) {
    const { checks, strands, channels, sellers } = table;
    this.checks = checks.length;
    this.shares = sharesAt(fit);
    this.products = new Float64Array(WIDTH * strands.length);
    this.strandAt = new Uint16Array(strands.length);
    const { from, count, genuineNodes, counterfeitNodes } = hypothesesOf(fit.quality);
    this.from = from;
    this.cells = new Float64Array(count);
    this.worldOf = Uint8Array.from({ length: count }, (_, at) => WORLDS.findLastIndex((world) => from[world] <= at));
    this.foreignAgrees = stated.rules.foreignAgrees;
    const zeros = (length: number) => new Float64Array(length);
    this.tally = {
      differs: zeros(4 * checks.length),
      agrees: zeros(4 * checks.length),
      usual: zeros(strands.length * (genuineNodes + 1)),
      offDay: zeros(strands.length * (genuineNodes + 1)),
      well: zeros(strands.length * counterfeitNodes),
      poorly: zeros(strands.length * counterfeitNodes),
      channelCases: zeros(channels.length),
      channelCopies: zeros(channels.length),
      sellerCases: zeros(sellers.length),
      sellerCopies: zeros(sellers.length),
      truths: 0,
      wrongTruths: 0,
      log: 0,
    };
  }

  /** Log-likelihood of one case, truth and all. */
  read(i: number): number {
    const strands = this.multiply(i);
    return this.believe(i, strands);
  }

  /** The same, and its expected counts added to the tally. */
  count(i: number): void {
    const strands = this.multiply(i);
    const log = this.believe(i, strands);
    const weight = this.table.weight[i] as number;
    if (!(weight > 0) || !Number.isFinite(log)) return;
    this.tally.log += weight * log;
    this.countCase(i, weight);
    let outcome = this.table.start[i] as number;
    for (let slot = 0; slot < strands; slot++) outcome = this.countStrand(i, slot, outcome, weight);
  }

  /** Log P(what was seen | goods and packaging of one copy) of a case. */
  logAsCopied(i: number): number {
    const log = this.read(i);
    let sum = 0;
    for (let at = this.from.copied; at < this.cells.length; at++) sum += this.cells[at] as number;
    return log + Math.log(sum) - Math.log(this.priors(i)[4]);
  }

  /** P(goods counterfeit) of the case that was read last. */
  get copied(): number {
    let sum = 0;
    for (let at = this.from.transplanted; at < this.cells.length; at++) sum += this.cells[at] as number;
    return sum;
  }

  /** Products of what was seen, strand by strand; returns how many strands. */
  private multiply(i: number): number {
    const { start, outcomes, strandOf, bearingOf, densities, densityStart, release } = this.table;
    const { chance, ofRelease } = this.fit;
    const { products, checks } = this;
    const own = ofRelease && (release[i] as number) >= 0 ? (release[i] as number) * 4 * checks : -1;
    const source = own >= 0 ? (ofRelease as Float32Array) : chance;
    const base = Math.max(own, 0);
    let density = densityStart[i] as number;
    let slot = -1;
    let strand = -1;
    for (let at = start[i] as number; at < (start[i + 1] as number); at++) {
      const check = (outcomes[at] as number) >> 2;
      const outcome = (outcomes[at] as number) & 3;
      if ((strandOf[check] as number) !== strand) {
        strand = strandOf[check] as number;
        slot++;
        this.strandAt[slot] = strand;
        products.fill(1, slot * WIDTH, slot * WIDTH + SEEN);
        products[slot * WIDTH + SEEN] = 0;
      }
      const bearing = bearingOf[check] as number;
      const to = slot * WIDTH + 4 * bearing;
      products[slot * WIDTH + SEEN] = (products[slot * WIDTH + SEEN] as number) | (1 << bearing);
      if (outcome === MEASURED) {
        const genuine = densities[density] as number;
        this.times(to, genuine, genuine, densities[density + 1] as number, densities[density + 2] as number);
        if (bearing === 2) products[slot * WIDTH + FOREIGN] = (products[slot * WIDTH + FOREIGN] as number) * genuine;
        density += 3;
        continue;
      }
      const u = source[base + check] as number;
      const o = source[base + checks + check] as number;
      const w = source[base + 2 * checks + check] as number;
      const p = source[base + 3 * checks + check] as number;
      const differs = outcome === DIFFERS;
      if (differs) this.times(to, u, o, w, p);
      else this.times(to, 1 - u, 1 - o, 1 - w, 1 - p);
      if (bearing === 2) {
        const foreign = differs ? 1 - this.foreignAgrees : this.foreignAgrees;
        products[slot * WIDTH + FOREIGN] = (products[slot * WIDTH + FOREIGN] as number) * foreign;
      }
    }
    return slot + 1;
  }

  private times(to: number, usual: number, offDay: number, well: number, poorly: number): void {
    const { products } = this;
    products[to] = (products[to] as number) * usual;
    products[to + 1] = (products[to + 1] as number) * offDay;
    products[to + 2] = (products[to + 2] as number) * well;
    products[to + 3] = (products[to + 3] as number) * poorly;
  }

  /** Posterior of every hypothesis, into `cells`; returns the log-likelihood of the case. */
  private believe(i: number, strands: number): number {
    const { cells, worldOf, from } = this;
    const { genuineNodes, nodes } = this.shares;
    const prior = this.priors(i);
    for (let at = 0; at < cells.length; at++) {
      const world = worldOf[at] as number;
      cells[at] = (prior[world] as number) / (at < from.repackedMade ? genuineNodes : nodes);
    }
    let log = 0;
    for (let slot = 0; slot < strands; slot++) {
      this.weighStrand(slot);
      let largest = 0;
      for (let at = 0; at < cells.length; at++) if ((cells[at] as number) > largest) largest = cells[at] as number;
      if (largest === 0) return Number.NEGATIVE_INFINITY;
      for (let at = 0; at < cells.length; at++) cells[at] = (cells[at] as number) / largest;
      log += Math.log(largest);
    }
    let sum = 0;
    for (let at = 0; at < cells.length; at++) sum += cells[at] as number;
    for (let at = 0; at < cells.length; at++) cells[at] = (cells[at] as number) / sum;
    return log + Math.log(sum);
  }

  private weighStrand(slot: number): void {
    const { products: q, cells, from } = this;
    const { genuineNodes, nodes, offDayAt, wellCopiedAt, offDay } = this.shares;
    const b = slot * WIDTH;
    const s = this.strandAt[slot] as number;
    const f = q[b + FOREIGN] as number;
    const gU = q[b + 0] as number;
    const gO = q[b + 1] as number;
    const gW = q[b + 2] as number;
    const gP = q[b + 3] as number;
    const pU = q[b + 4] as number;
    const pO = q[b + 5] as number;
    const pW = q[b + 6] as number;
    const pP = q[b + 7] as number;
    const lU = q[b + 8] as number;
    const lO = q[b + 9] as number;
    const lW = q[b + 10] as number;
    const lP = q[b + 11] as number;
    const off = offDay[s] as number;
    for (let n = 0; n < genuineNodes; n++) {
      const o = offDayAt[s * genuineNodes + n] as number;
      cells[from.own + n] = (cells[from.own + n] as number) * ((1 - o) * gU * pU * lU + o * gO * pO * lO);
      const apart = ((1 - o) * gU * pU + o * gO * pO) * f;
      cells[from.repackedGenuine + n] = (cells[from.repackedGenuine + n] as number) * apart;
    }
    const goods = ((1 - off) * gU + off * gO) * f;
    const packaging = ((1 - off) * pU + off * pO) * f;
    for (let n = 0; n < nodes; n++) {
      const w = wellCopiedAt[s * nodes + n] as number;
      const made = goods * (w * pW + (1 - w) * pP);
      const transplanted = packaging * (w * gW + (1 - w) * gP);
      const copied = w * gW * pW * lW + (1 - w) * gP * pP * lP;
      cells[from.repackedMade + n] = (cells[from.repackedMade + n] as number) * made;
      cells[from.transplanted + n] = (cells[from.transplanted + n] as number) * transplanted;
      cells[from.copied + n] = (cells[from.copied + n] as number) * copied;
    }
  }

  /** The worlds before anything was seen, with what the confirmed truth leaves of them. */
  private priors(i: number): [number, number, number, number, number] {
    const { rules } = this.stated;
    const { seller, channel, allowed, confirmed, door } = this.table;
    const from = (seller[i] as number) >= 0 ? this.fit.sellers[seller[i] as number] : undefined;
    const stated = (door[i] ? from : undefined) ?? (this.fit.channels[channel[i] as number] as number);
    // A house that takes copies for impossible, or for certain, still learns from its truths.
    const share = likelyAtLeast(stated);
    const genuine = 1 - share;
    const worlds: [number, number, number, number, number] = [
      genuine * (1 - rules.repacked),
      (genuine * rules.repacked) / 2,
      (genuine * rules.repacked) / 2,
      share * rules.transplanted,
      share * (1 - rules.transplanted),
    ];
    if (!confirmed[i]) return worlds;
    const mask = allowed[i] as number;
    const wrong = this.fit.truthErrors;
    const saysGenuine = (mask & 7) !== 0;
    for (let w = 0; w < 5; w++) {
      const right = saysGenuine === w < 3;
      if (right) worlds[w] = (worlds[w] as number) * (mask & (1 << w) ? 1 - wrong : 0);
      else worlds[w] = (worlds[w] as number) * wrong;
    }
    return worlds;
  }

  private countCase(i: number, weight: number): void {
    const { table, tally } = this;
    const copied = this.copied;
    if (table.door[i]) {
      const channel = table.channel[i] as number;
      tally.channelCases[channel] = (tally.channelCases[channel] as number) + 1;
      tally.channelCopies[channel] = (tally.channelCopies[channel] as number) + copied;
      const seller = table.seller[i] as number;
      if (seller >= 0) {
        tally.sellerCases[seller] = (tally.sellerCases[seller] as number) + 1;
        tally.sellerCopies[seller] = (tally.sellerCopies[seller] as number) + copied;
      }
    }
    if (!table.confirmed[i]) return;
    const saysGenuine = ((table.allowed[i] as number) & 7) !== 0;
    tally.truths += weight;
    tally.wrongTruths += weight * (saysGenuine ? copied : 1 - copied);
  }

  /** How much of the strand each class accounts for, by bearing, added to the counts; returns where the next begins. */
  private countStrand(i: number, slot: number, outcome: number, weight: number): number {
    const { products: q, cells, from } = this;
    const { genuineNodes, nodes, offDayAt, wellCopiedAt, offDay } = this.shares;
    const b = slot * WIDTH;
    const s = this.strandAt[slot] as number;
    const seen = q[b + SEEN] as number;
    const gU = q[b + 0] as number;
    const gO = q[b + 1] as number;
    const gW = q[b + 2] as number;
    const gP = q[b + 3] as number;
    const pU = q[b + 4] as number;
    const pO = q[b + 5] as number;
    const pW = q[b + 6] as number;
    const pP = q[b + 7] as number;
    const lU = q[b + 8] as number;
    const lO = q[b + 9] as number;
    const lW = q[b + 10] as number;
    const lP = q[b + 11] as number;
    this.part.fill(0);
    const alone = s * (genuineNodes + 1) + genuineNodes;
    this.weights[0] = weight;
    this.weights[1] = weight * (this.fade.shares[i] as number);
    for (let n = 0; n < genuineNodes; n++) {
      const o = offDayAt[s * genuineNodes + n] as number;
      const at = s * (genuineNodes + 1) + n;
      this.addGenuine(cells[from.own + n] as number, at, (1 - o) * gU * pU * lU, o * gO * pO * lO, 7);
      if (seen & 3) this.addGenuine(cells[from.repackedGenuine + n] as number, at, (1 - o) * gU * pU, o * gO * pO, 3);
    }
    const off = offDay[s] as number;
    for (let n = 0; n < nodes; n++) {
      const made = cells[from.repackedMade + n] as number;
      const transplanted = cells[from.transplanted + n] as number;
      const copied = cells[from.copied + n] as number;
      if (made + transplanted + copied < NEGLIGIBLE) continue;
      const w = wellCopiedAt[s * nodes + n] as number;
      const at = s * nodes + n;
      if (seen & 1) {
        this.addGenuine(made, alone, (1 - off) * gU, off * gO, 1);
        this.addCopied(transplanted, at, w * gW, (1 - w) * gP, 1);
      }
      if (seen & 2) {
        this.addCopied(made, at, w * pW, (1 - w) * pP, 2);
        this.addGenuine(transplanted, alone, (1 - off) * pU, off * pO, 2);
      }
      this.addCopied(copied, at, w * gW * pW * lW, (1 - w) * gP * pP * lP, 7);
    }
    return this.countOutcomes(i, s, outcome, weight);
  }

  /** Of the strand that is counted: what each class of each bearing accounts for. */
  private readonly part = new Float64Array(12);
  /** Of the case that is counted: its weight, and that weight faded. */
  private readonly weights = new Float64Array(2);

  /** Adds one hypothesis' share of a case to the genuine classes of some bearings, given as bits. */
  private addGenuine(p: number, at: number, first: number, second: number, bearings: number): void {
    if (p < NEGLIGIBLE) return;
    const usual = (p * first) / (first + second);
    const offDay = p - usual;
    const weight = this.weights[0] as number;
    const { tally, part } = this;
    tally.usual[at] = (tally.usual[at] as number) + weight * usual;
    tally.offDay[at] = (tally.offDay[at] as number) + weight * offDay;
    for (let k = 0; k < 3; k++) {
      if ((bearings & (1 << k)) === 0) continue;
      part[4 * k] = (part[4 * k] as number) + usual;
      part[4 * k + 1] = (part[4 * k + 1] as number) + offDay;
    }
  }

  /** The same for the copied classes. */
  private addCopied(p: number, at: number, first: number, second: number, bearings: number): void {
    if (p < NEGLIGIBLE) return;
    const well = (p * first) / (first + second);
    const poorly = p - well;
    const weight = this.weights[1] as number;
    const { tally, part } = this;
    tally.well[at] = (tally.well[at] as number) + weight * well;
    tally.poorly[at] = (tally.poorly[at] as number) + weight * poorly;
    for (let k = 0; k < 3; k++) {
      if ((bearings & (1 << k)) === 0) continue;
      part[4 * k + 2] = (part[4 * k + 2] as number) + well;
      part[4 * k + 3] = (part[4 * k + 3] as number) + poorly;
    }
  }

  private countOutcomes(i: number, strand: number, first: number, weight: number): number {
    const { start, outcomes, strandOf, bearingOf, release } = this.table;
    const { part, tally, checks, byRelease } = this;
    const end = start[i + 1] as number;
    const fadeChances = weight * (this.fade.chances[i] as number);
    const own = byRelease && (release[i] as number) >= 0 ? (release[i] as number) * 4 * checks : -1;
    let at = first;
    for (; at < end; at++) {
      const check = (outcomes[at] as number) >> 2;
      if ((strandOf[check] as number) !== strand) break;
      const outcome = (outcomes[at] as number) & 3;
      if (outcome === MEASURED) continue;
      const counts = outcome === DIFFERS ? tally.differs : tally.agrees;
      const bearing = 4 * (bearingOf[check] as number);
      for (let of = 0; of < 4; of++) {
        const more = (of < 2 ? weight : fadeChances) * (part[bearing + of] as number);
        counts[of * checks + check] = (counts[of * checks + check] as number) + more;
        if (own < 0 || !byRelease) continue;
        const cell = 2 * (own + of * checks + check) + (outcome === DIFFERS ? 0 : 1);
        byRelease[cell] = (byRelease[cell] as number) + more;
      }
    }
    return at;
  }
}
