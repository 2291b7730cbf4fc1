import type { ScaleCheck } from '@/core/devices/weight';
import type { Scale, Surroundings, Tray } from '@/devices/device';
import { typedByCalipers } from '@/devices/standIns/standInCalipers';
import { type StandInScale, standInScale } from '@/devices/standIns/standInScale';
import { type StandInTray, standInTray } from '@/devices/standIns/standInTray';

/** The devices of a bench. They are the machine's, not a person's: whoever is there reads the same tray. */
export interface Bench {
  tray: Tray | null;
  scale: Scale | null;
  /** Calipers type into whatever page is open; of their stand-in only the desk knows. */
  calipers: { press(on: string, mm: number): string } | null;
  /** What the scale showed for a known weight, last; gone with the program, as a scale that was moved is. */
  scaleCheck: ScaleCheck | null;
}

const SURROUNDINGS: Surroundings = {
  random: Math.random,
  clock: Date.now,
  pause: (ms, signal) =>
    new Promise((resolve) => {
      const done = () => {
        clearTimeout(timer);
        signal.removeEventListener('abort', done);
        resolve();
      };
      const timer = setTimeout(done, ms);
      signal.addEventListener('abort', done);
    }),
};

/** What can stand at a bench, by the word that PINPRICK_DEVICES takes. A driver is one more line. */
const BENCHES: Record<string, () => Bench> = {
  'stand-in': () => ({
    tray: standInTray(SURROUNDINGS),
    scale: standInScale(SURROUNDINGS),
    calipers: { press: (on, mm) => typedByCalipers(on, mm, SURROUNDINGS) },
    scaleCheck: null,
  }),
};

/**
 * The devices that a desk was told of. A stand-in never takes part by itself: what it says is made up.
 *
 * @param which a word of `BENCHES`; none where it is empty
 * @throws Error with a sentence where there is no such bench
 */
export function connectBench(which: string): Bench {
  if (which === '') return { tray: null, scale: null, calipers: null, scaleCheck: null };
  const connect = BENCHES[which];
  if (!connect)
    throw new Error(`PINPRICK_DEVICES=${which} names no devices; there are: ${Object.keys(BENCHES).join(', ')}.`);
  return connect();
}

/** The stand-in that a device is, where it is one. */
export const trayStandIn = (tray: Tray | null): StandInTray | null =>
  tray && 'lay' in tray ? (tray as StandInTray) : null;
export const scaleStandIn = (scale: Scale | null): StandInScale | null =>
  scale && 'lay' in scale ? (scale as StandInScale) : null;
