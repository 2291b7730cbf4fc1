import { randomNormal } from 'd3-random';
import type { LaidChoice } from '@/core/devices/benchSeen';
import type { TagRead } from '@/core/devices/inventory';
import type { Surroundings, Tray } from '../device';

/** A tag as it lies in reach of the stand-in. */
export interface LaidTag {
  epc: string;
  tid?: string;
  user?: string;
  /** Mean strength of its answer, dBm. */
  rssi: number;
  /** Share of rounds in which it answers. */
  answers: number;
}

/** What the stand-in tray is told of the item whose place it takes. */
export interface TrayItem {
  /** EPC of the item's own tag; null where its record gives no number. */
  epc: string | null;
  /** EPC of another item of the house. */
  other: string;
}

/** What can be laid on it. */
export const TRAY_CHOICES: LaidChoice[] = [
  { id: 'own', label: 'the item with its tag' },
  { id: 'weak', label: 'its tag, hardly in reach' },
  { id: 'paper', label: 'paper that looks like a tag' },
  { id: 'blank', label: 'a chip that was never written' },
  { id: 'clone', label: 'its tag, and a copy of it' },
  { id: 'neighbour', label: 'the item, a neighbour beside it' },
  { id: 'two', label: 'the item with a second tag' },
  { id: 'other', label: 'the tag of another product' },
  { id: 'shelf', label: 'a shelf of 500 tags' },
  { id: 'stops', label: 'a reader that stops half-way' },
];

const NEAR = { rssi: -48, answers: 0.9 };
const WEAK = { rssi: -63, answers: 0.55 };
const FAR = { rssi: -70, answers: 0.25 };
const ROUND_MS = 60;
/** The reader that stops does so after so many rounds. */
const STOPS_AFTER = 4;
const SHELF = 500;
/** Chips of a made-up maker: class, extended header, designer, model, a number of 48 bits. */
const chip = (number: number): string => `E280F0222000${number.toString(16).toUpperCase().padStart(12, '0')}`;
const NEVER_WRITTEN = '0'.repeat(24);
/** One answer in so many comes cut off. */
const CUT_ONE_IN = 60;
/** A tag is heard twice in one round now and then. */
const TWICE_ONE_IN = 8;

/** The serial at the end of an EPC, moved on: another piece of the same. */
const another = (epc: string, by: number): string =>
  epc.slice(0, -8) + ((Number.parseInt(epc.slice(-8), 16) + by) >>> 0).toString(16).toUpperCase().padStart(8, '0');

/** What lies there for each choice. */
export function laidTags(choice: string, { epc, other }: TrayItem): LaidTag[] {
  const own = epc ?? other;
  switch (choice) {
    case 'own':
    case 'stops':
      return [{ epc: own, tid: chip(4_711), ...NEAR }];
    case 'weak':
      return [{ epc: own, tid: chip(4_711), ...WEAK }];
    case 'blank':
      return [{ epc: NEVER_WRITTEN, tid: chip(99), ...NEAR }];
    case 'clone':
      return [
        { epc: own, tid: chip(4_711), ...NEAR },
        { epc: own, tid: chip(80_001), rssi: -51, answers: 0.85 },
      ];
    case 'neighbour':
      return [
        { epc: own, tid: chip(4_711), ...NEAR },
        { epc: other, tid: chip(5_120), ...FAR },
      ];
    case 'two':
      return [
        { epc: own, tid: chip(4_711), ...NEAR },
        { epc: another(own, 17), tid: chip(4_728), rssi: -50, answers: 0.9 },
      ];
    case 'other':
      return [{ epc: other, tid: chip(5_120), ...NEAR }];
    case 'shelf':
      return Array.from({ length: SHELF }, (_, i) => ({
        epc: another(other, i),
        tid: chip(10_000 + i),
        rssi: -45 - (i % 30),
        answers: 0.3 + (i % 7) / 10,
      }));
    default:
      return [];
  }
}

/** One round: who answers, how strongly, what comes twice and what comes cut off. */
export function heardOnce(tags: LaidTag[], random: () => number): TagRead[] {
  const noise = randomNormal.source(random)(0, 1.5);
  return tags.flatMap(({ epc, tid, user, rssi, answers }) => {
    if (random() >= answers) return [];
    const heard = Math.round(rssi + noise());
    if (random() < 1 / CUT_ONE_IN) return [{ epc: epc.slice(0, 10), rssi: heard }];
    // The memories beside the EPC take an exchange of their own, which fails like any other.
    const more = random() < answers ? { ...(tid ? { tid } : {}), ...(user ? { user } : {}) } : {};
    const read: TagRead = { epc, ...more, rssi: heard };
    return random() < 1 / TWICE_ONE_IN ? [read, { epc, rssi: heard - 1 }] : [read];
  });
}

/** A tray that ships with the desk in place of a reader. */
export interface StandInTray extends Tray {
  /** What lies there: an id of `TRAY_CHOICES`. */
  laid: string;
  lay(choice: string, item: TrayItem): void;
}

/** Make a stand-in; nothing lies on it. */
export function standInTray({ random, pause }: Surroundings): StandInTray {
  let tags: LaidTag[] = [];
  const tray: StandInTray = {
    name: 'Stand-in for an RFID tray',
    laid: 'own',
    lay(choice, item) {
      tray.laid = choice;
      tags = laidTags(choice, item);
    },
    async *rounds(signal) {
      for (let round = 1; !signal.aborted; round++) {
        await pause(ROUND_MS, signal);
        if (signal.aborted || (tray.laid === 'stops' && round > STOPS_AFTER)) return;
        yield heardOnce(tags, random);
      }
    },
  };
  return tray;
}
