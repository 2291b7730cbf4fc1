import { type EventKind, without } from './eventKind';

export interface FactWithdrawn {
  place: string;
  fact: string;
}

export const factWithdrawn: EventKind<'factWithdrawn'> = {
  type: 'factWithdrawn',
  apply: (file, { body: { place, fact } }) => ({
    ...file,
    facts: { ...file.facts, [place]: without(file.facts[place] ?? {}, fact) },
  }),
};
