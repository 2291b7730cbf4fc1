import type { Outcome } from '../../checks/check';
import type { EventKind } from './eventKind';

/** What a person found at one check. */
export interface RecordedFinding {
  outcome: Outcome;
  choice?: string;
  value?: number;
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
