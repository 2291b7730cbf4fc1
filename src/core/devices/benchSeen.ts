import type { ScaleCheck, ScaleKind } from './weight';

/** Something that a stand-in can be made to read. */
export interface LaidChoice {
  id: string;
  label: string;
}

/** What lies on a stand-in, and what else may. */
export interface StandInSeen {
  laid: string;
  choices: LaidChoice[];
}

/** The devices of a desk as a screen sees them; null for what is not there. */
export interface BenchSeen {
  tray: { name: string; standIn: StandInSeen | null } | null;
  scale: {
    name: string;
    kind: ScaleKind;
    /** The check of this shift; null where there is none. */
    check: ScaleCheck | null;
    /** The known weight at hand, g, and how far it may be off. */
    known: { grams: number; tolerance: number };
    standIn: StandInSeen | null;
  } | null;
  /** What the jaws of the stand-in can be on; null where calipers are real, and type by themselves. */
  calipers: LaidChoice[] | null;
}
