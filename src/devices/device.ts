import type { TagRead } from '@/core/devices/inventory';
import type { ScaleKind, ScaleReading } from '@/core/devices/weight';

/** A device at the bench. A real one and its stand-in fill the same interface. */
interface Device {
  /** As people call it. */
  name: string;
}

/** An RFID reader with a tray. */
export interface Tray extends Device {
  /**
   * Rounds of inventory, one after another, until the signal ends it; each with what answered in it.
   *
   * @throws Error with a sentence where the reader cannot be reached; ends early where it falls silent
   */
  rounds(signal: AbortSignal): AsyncIterable<TagRead[]>;
}

/** A scale. */
export interface Scale extends Device {
  kind: ScaleKind;
  /**
   * What it shows, reading after reading, until the signal ends it.
   *
   * @throws Error with a sentence where it cannot be reached
   */
  readings(signal: AbortSignal): AsyncIterable<ScaleReading>;
}

/** What a stand-in has to know of the world around it. */
export interface Surroundings {
  /** Evenly between 0 and 1. */
  random(): number;
  /** ms. */
  clock(): number;
  /** Settles after so many ms, or when the signal ends. */
  pause(ms: number, signal: AbortSignal): Promise<void>;
}
