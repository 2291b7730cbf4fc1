import type { EventKind } from './eventKind';

/** What came of an item, as far as this desk knows. */
export type CodeOutcome = 'open' | 'genuine' | 'counterfeit' | 'undecided';

/** Another item on which a code was met. */
export interface Meeting {
  number: string;
  place: string;
  outcome: CodeOutcome;
  at: string;
}

/** Where else a code was met when it was last looked up; nowhere where `others` is empty. */
export interface CodeMet {
  /** The code's key in the register. */
  key: string;
  fact: string;
  /** As it is printed. */
  display: string;
  /** True for codes that recur on many items, false for those that ought to be unique. */
  shared: boolean;
  /** How many other items carry it, by what came of them. */
  counts: Record<CodeOutcome, number>;
  /** Some of them, the newest first. */
  others: Meeting[];
}

/** The register met a code of this item elsewhere; written by the desk, also into sealed cases. */
export const codeMet: EventKind<'codeMet'> = {
  type: 'codeMet',
  apply: (file, { body }) =>
    file.seal
      ? { ...file, notices: { ...file.notices, [body.key]: body } }
      : { ...file, met: { ...file.met, [body.key]: body } },
  refusal: () => null,
  isWork: false,
};
