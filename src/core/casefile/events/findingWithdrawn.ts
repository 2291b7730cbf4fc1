import { type EventKind, without } from './eventKind';

export const findingWithdrawn: EventKind<'findingWithdrawn'> = {
  type: 'findingWithdrawn',
  apply: (file, { body }) => ({ ...file, findings: without(file.findings, body.check) }),
};
