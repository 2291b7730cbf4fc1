import type { Outcome } from '../../checks/check';
import type { EventKind } from './eventKind';
import type { KeptScale, Spot } from './photoScaled';

/** What was measured on a photograph, so that anybody can do it again. */
export interface PictureMeasure {
  sha256: string;
  instrument: string;
  /** As the person placed them. */
  points: Spot[];
  /** What told the scale then; null: nothing did. */
  scale: KeptScale | null;
  /** What it was held against: a picture of a known item, or another of this one. */
  against?: { sha256: string; points: Spot[]; scale: KeptScale | null };
}

/** What a measured value came from. */
export interface Supplied {
  device: 'scale' | 'calipers' | 'picture';
  /** Standard uncertainty of this reading, in the unit of the value; of two sides the larger. */
  uncertainty: number;
  /** How it came about, for whoever asks. */
  working: string;
  /** Of a pair left, then right. */
  pictures?: PictureMeasure[];
}

/** What a person found at one check. */
export interface RecordedFinding {
  outcome: Outcome;
  choice?: string;
  value?: number;
  supplied?: Supplied;
  /** Of a pair. */
  left?: string;
  right?: string;
  text?: string;
  note?: string;
}

export const findingRecorded: EventKind<'findingRecorded'> = {
  type: 'findingRecorded',
  apply: (file, { body: { check, ...finding } }, stamp) => ({
    ...file,
    findings: { ...file.findings, [check]: { state: 'recorded', ...finding, ...stamp } },
  }),
};
