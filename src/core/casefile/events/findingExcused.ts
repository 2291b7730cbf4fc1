import type { EventKind } from './eventKind';

export interface FindingExcused {
  check: string;
  reason: string;
}

export const findingExcused: EventKind<'findingExcused'> = {
  type: 'findingExcused',
  apply: (file, { body: { check, reason } }, stamp) => ({
    ...file,
    findings: { ...file.findings, [check]: { state: 'excused', reason, ...stamp } },
  }),
};
