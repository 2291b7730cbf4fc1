import type { Channel } from '../casefile/events/circumstancesStated';
import type { PriceBand } from '../listing/priceTable';
import type { DealCosts } from '../listing/worth';
import type { Quality } from './quality';

/** What a house has settled for itself. A document: revised, pinned by verdicts. */
export interface HouseRules {
  id: string;
  name: string;
  /** P(counterfeit) by the channel that the item came through. */
  priors: Record<Channel, number>;
  /** P(packaging replaced or made up | goods genuine). */
  repacked: number;
  /** P(packaging genuine, of another item | goods counterfeit). */
  transplanted: number;
  /** P(codes on goods and foreign packaging agree by chance). */
  foreignAgrees: number;
  losses: { acceptCounterfeit: number; rejectGenuine: number; escalate: number };
  /** Hidden classes of a strand at cold start, and how many observations that is worth. */
  strands: { wellCopied: number; offDay: number; spread: number; observations: number };
  /** Decibans of evidence, either way, under which nothing is decided. */
  leastEvidence: number;
  /** After so many months a confirmed counterfeit counts half, since copies improve. */
  halfLifeMonths: number;
  school: 'weighing' | 'oneFault' | 'chain';
  /** Checks without which no case is decided, by kind of goods. */
  required: Record<string, string[]>;
  /** Learned figures that the house holds at what it says, whatever cases say. */
  frozen?: Frozen;
  /** How often prices stand where, among genuine items and among counterfeits. */
  prices?: PriceBand[];
  /** What buying costs the house. */
  costs?: DealCosts;
  house?: House;
}

/** What a house may hold against what is learned. */
export interface Frozen {
  /** How far the strands of an item hang together. */
  quality?: Quality;
  /** True where the priors by channel stand as stated. */
  shares?: boolean;
  /** True where stated chances are worth what their support says. */
  support?: boolean;
  /** Share of confirmed truths that are wrong. */
  truthErrors?: number;
  /** True where copies fade with the half-life that is stated. */
  memory?: boolean;
  /** True where copies are not told apart by make. */
  makes?: boolean;
  /** True where a release’s chances are the kind’s. */
  releases?: boolean;
  /** True where nobody’s own rate of slips is applied. */
  checkers?: boolean;
  /** True where prices tell what the house’s table says. */
  prices?: boolean;
}

/** Who the house is, for its letters, and how it tells time. */
export interface House {
  name: string;
  address: string;
  /** IANA name, such as `Etc/GMT-1`. */
  timeZone: string;
  /** ISO 4217. */
  currency: string;
  /** BCP 47 tags of the languages in which it writes. */
  languages: string[];
  /** SHA-256 of a picture that is kept at this desk. */
  logo?: string;
  /** Pictures are kept as the camera made them, too, with what it wrote of place and owner. */
  originals?: boolean;
}

/** What stands for a house that said nothing of itself. */
export const UNNAMED_HOUSE: House = { name: '', address: '', timeZone: 'UTC', currency: 'EUR', languages: ['en'] };

/** The probabilities of P(genuine) between which escalating is cheapest. */
export interface Thresholds {
  accept: number;
  reject: number;
}

/**
 * Where the decision turns, from the losses. Accepting costs `acceptCounterfeit * (1 - p)`, rejecting
 * `rejectGenuine * p`, escalating `escalate`; the cheapest wins.
 *
 * @example thresholds({ acceptCounterfeit: 20, rejectGenuine: 5, escalate: 1 }) // { accept: 0.95, reject: 0.2 }
 */
export function thresholds(losses: HouseRules['losses']): Thresholds {
  const { acceptCounterfeit, rejectGenuine, escalate } = losses;
  const even = acceptCounterfeit / (acceptCounterfeit + rejectGenuine);
  return {
    accept: Math.max(1 - escalate / acceptCounterfeit, even),
    reject: Math.min(escalate / rejectGenuine, even),
  };
}
