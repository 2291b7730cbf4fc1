import { randomNormal } from 'd3-random';
import type { LaidChoice } from '@/core/devices/benchSeen';
import type { ScaleReading } from '@/core/devices/weight';
import type { Scale, Surroundings } from '../device';

/** What can be laid on it. */
export const SCALE_CHOICES: LaidChoice[] = [
  { id: 'nothing', label: 'nothing' },
  { id: 'known', label: 'a known weight of 200 g' },
  { id: 'item', label: 'the item, as heavy as its record says' },
  { id: 'light', label: 'the item, a twelfth lighter' },
  { id: 'hand', label: 'the item with a hand on it' },
  { id: 'draught', label: 'the item in a draught' },
  { id: 'over', label: 'more than it bears' },
];

/** The known weight of the stand-in, g, and how far it may be off. */
export const KNOWN_WEIGHT = { grams: 200, tolerance: 0.02 };

const EVERY_MS = 125;
const KIND = { resolution: 0.1, capacity: 2_000 };
/** It shows so much too much, as a share: what a check finds. */
const GAIN_OFF = 0.0004;
/** Its zero wanders while it warms up, g a second. */
const DRIFT = 0.002;
const WARM_AFTER_S = 60;
const NOISE_G = 0.035;
/** A load comes to rest as e to the minus time over this, ms. */
const SETTLES_MS = 350;
/** How far a load strikes beyond its weight as it is laid down, as a share. */
const STRIKES = 0.2;

/** A scale that ships with the desk in place of one. */
export interface StandInScale extends Scale {
  /** What lies there: an id of `SCALE_CHOICES`. */
  laid: string;
  /** @param grams what the item weighs by its record */
  lay(choice: string, grams: number): void;
}

const LOADS: Record<string, (grams: number) => number> = {
  nothing: () => 0,
  known: () => KNOWN_WEIGHT.grams,
  light: (grams) => (grams * 11) / 12,
  over: () => KIND.capacity * 1.2,
};

/** Make a stand-in; nothing lies on it. */
export function standInScale({ random, clock, pause }: Surroundings): StandInScale {
  const noise = randomNormal.source(random)(0, NOISE_G);
  const began = clock();
  let before = 0;
  let load = 0;
  let since = clock();
  /** What it would show without steps, g. */
  const shows = (now: number): number => {
    const rest = Math.exp((since - now) / SETTLES_MS);
    const settled = load + (before - load) * rest + STRIKES * (load - before) * rest * Math.sin((now - since) / 60);
    const drift = DRIFT * Math.min(WARM_AFTER_S, (now - began) / 1000);
    const restless = scale.laid === 'hand' ? 8 * Math.sin(now / 700) + 3 * noise() * 20 : 0;
    const draught = scale.laid === 'draught' ? Math.sin(now / 900) : 0;
    return settled * (1 + GAIN_OFF) + drift + restless + draught + noise();
  };
  const scale: StandInScale = {
    name: 'Stand-in for a scale',
    kind: KIND,
    laid: 'nothing',
    lay(choice, grams) {
      const now = clock();
      before = load;
      load = (LOADS[choice] ?? ((each: number) => each))(grams);
      since = now;
      scale.laid = choice;
    },
    async *readings(signal) {
      while (!signal.aborted) {
        await pause(EVERY_MS, signal);
        if (signal.aborted) return;
        const at = clock();
        const exact = shows(at);
        const reading: ScaleReading = {
          at,
          grams: Number((Math.round(exact / KIND.resolution) * KIND.resolution).toFixed(1)),
        };
        yield exact > KIND.capacity ? { ...reading, over: true } : reading;
      }
    },
  };
  return scale;
}
