import type { Outcome } from '../../checks/check';
import type { EventKind } from './eventKind';

/** The device that a measured value came from. */
export interface Supplied {
  device: 'scale' | 'calipers';
  /** Standard uncertainty of this reading, in the unit of the value; of two sides the larger. */
  uncertainty: number;
  /** How it came about, for whoever asks. */
  working: string;
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
