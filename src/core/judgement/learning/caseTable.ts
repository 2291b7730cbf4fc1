import type { Truth } from '../../casefile/events/truthConfirmed';
import type { Bearing, CheckDefinition } from '../../checks/check';
import { type Day, daysBetween } from '../../dates/day';
import type { SealedCase } from '../confirmedCase';
import { EDITIONS, NEWEST_EDITION } from '../edition';
import { residualChances } from '../outcomeChances';
import { WORLDS } from '../worlds';

export const DAYS_A_MONTH = 30.44;

/** How an outcome is written beside its check: `check * 4 + outcome`. */
export const AGREES = 0;
export const DIFFERS = 1;
export const MEASURED = 2;

const BEARINGS: Bearing[] = ['goods', 'packaging', 'link'];

/** Sealed cases of one kind as columns: tens of thousands are read again and again. */
export interface CaseTable {
  /** Strand by strand. */
  checks: CheckDefinition[];
  strands: string[];
  /** By check: its strand, and 0 goods, 1 packaging, 2 link. */
  strandOf: Uint16Array;
  bearingOf: Uint8Array;
  cases: number;
  /** Outcomes of case i: `outcomes` from `start[i]` to before `start[i + 1]`, in the order of the checks. */
  start: Uint32Array;
  outcomes: Uint32Array;
  /** Densities of the measured outcomes, in their order: genuine, well, poorly; case i's begin at `densityStart[i]`. */
  densityStart: Uint32Array;
  densities: Float64Array;
  /** One bit for each of `WORLDS` that the confirmed truth allows; all where nothing is confirmed. */
  allowed: Uint8Array;
  confirmed: Uint8Array;
  /** How far the truth's source is trusted; 1 where nothing is confirmed. */
  weight: Float64Array;
  /** Age in months. */
  months: Float64Array;
  /** Index into `channels`, `sellers`, `releases`; -1 where there is none. */
  channel: Int32Array;
  seller: Int32Array;
  release: Int32Array;
  channels: string[];
  /** Channel and the house's label of the seller, with a slash between. */
  sellers: string[];
  releases: string[];
  /** 1 for what came by the door, 0 for what was bought to learn from. */
  door: Uint8Array;
}

const ALL = (1 << WORLDS.length) - 1;
const bits = (...worlds: (typeof WORLDS)[number][]): number =>
  worlds.reduce((mask, world) => mask | (1 << WORLDS.indexOf(world)), 0);

/** The worlds that a confirmed truth leaves. */
export function worldsAllowed({ goods, packaging }: Truth): number {
  if (goods === 'genuine') {
    if (packaging === 'own') return bits('own');
    return packaging === 'foreign'
      ? bits('repackedGenuine', 'repackedMade')
      : bits('own', 'repackedGenuine', 'repackedMade');
  }
  if (packaging === 'own') return bits('copied');
  return packaging === 'foreign' ? bits('transplanted') : bits('transplanted', 'copied');
}

/** Names by number, each once. */
class Index {
  readonly names: string[] = [];
  private readonly at = new Map<string, number>();
  of(name: string): number {
    const known = this.at.get(name);
    if (known !== undefined) return known;
    this.at.set(name, this.names.length);
    return this.names.push(name) - 1;
  }
}

/**
 * Gathers sealed cases into columns, one after the other, so that they need not all be held as objects.
 *
 * @param checks every check that may have been answered; findings of others are left out
 * @param asOf the day from which ages are counted
 * @param toldApart releases that are told from their kind; others are taken for the kind
 */
export function caseTable(
  checks: CheckDefinition[],
  asOf: Day,
  toldApart: ReadonlySet<string>,
): { add(each: SealedCase): void; table(): CaseTable } {
  const strands = [...new Set(checks.map(({ strand }) => strand))];
  const ordered = strands.flatMap((strand) => checks.filter((check) => check.strand === strand));
  const place = new Map(ordered.map(({ id }, i) => [id, i]));
  const [channels, sellers, releases] = [new Index(), new Index(), new Index()];
  const start = [0];
  const densityStart = [0];
  const columns = {
    outcomes: [] as number[],
    densities: [] as number[],
    allowed: [] as number[],
    confirmed: [] as number[],
    weight: [] as number[],
    months: [] as number[],
    channel: [] as number[],
    seller: [] as number[],
    release: [] as number[],
    door: [] as number[],
  };
  const { slips } = EDITIONS[NEWEST_EDITION];
  return {
    add({ truth, at, findings, circumstances, release }) {
      const seen: [at: number, finding: SealedCase['findings'][string]][] = [];
      for (const id in findings) {
        const index = place.get(id);
        if (index !== undefined) seen.push([index, findings[id] as SealedCase['findings'][string]]);
      }
      seen.sort((a, b) => a[0] - b[0]);
      for (const [index, { differs, residual }] of seen) {
        columns.outcomes.push(index * 4 + (residual ? MEASURED : differs ? DIFFERS : AGREES));
        if (!residual) continue;
        const { usual, well, poorly } = residualChances(residual, null, slips);
        columns.densities.push(usual, well, poorly);
      }
      start.push(columns.outcomes.length);
      densityStart.push(columns.densities.length);
      columns.allowed.push(truth ? worldsAllowed(truth) : ALL);
      columns.confirmed.push(truth ? 1 : 0);
      columns.weight.push(truth?.trust ?? 1);
      columns.months.push(Math.max(0, daysBetween(at, asOf)) / DAYS_A_MONTH);
      const { channel, seller, reference } = circumstances;
      columns.channel.push(channels.of(channel));
      columns.seller.push(seller ? sellers.of(`${channel}/${seller}`) : -1);
      columns.release.push(release !== null && toldApart.has(release) ? releases.of(release) : -1);
      columns.door.push(reference ? 0 : 1);
    },
    table: () => ({
      checks: ordered,
      strands,
      strandOf: Uint16Array.from(ordered, ({ strand }) => strands.indexOf(strand)),
      bearingOf: Uint8Array.from(ordered, ({ bearsOn }) => BEARINGS.indexOf(bearsOn)),
      cases: start.length - 1,
      start: Uint32Array.from(start),
      outcomes: Uint32Array.from(columns.outcomes),
      densityStart: Uint32Array.from(densityStart),
      densities: Float64Array.from(columns.densities),
      allowed: Uint8Array.from(columns.allowed),
      confirmed: Uint8Array.from(columns.confirmed),
      weight: Float64Array.from(columns.weight),
      months: Float64Array.from(columns.months),
      channel: Int32Array.from(columns.channel),
      seller: Int32Array.from(columns.seller),
      release: Int32Array.from(columns.release),
      door: Uint8Array.from(columns.door),
      channels: channels.names,
      sellers: sellers.names,
      releases: releases.names,
    }),
  };
}
