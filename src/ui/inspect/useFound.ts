import { useState } from 'react';
import type { RecordedFinding, Supplied } from '@/core/casefile/events/findingRecorded';
import { answersOf } from '@/core/checks/answers';
import type { Finding } from '@/core/checks/finding';
import { asMeasured, bothSides, outcomeOf } from '@/core/checks/outcome';

/** A measured value, with the device that it came from where one supplied it. */
export interface Measured {
  value: number;
  supplied?: Supplied;
}

/** What a person finds at a check, in the ways that it can be said. */
export interface Found {
  /** The left of a pair, while its right is waited for. */
  left: string | null;
  dropLeft(): void;
  /** A way back to how it stands now. */
  remember(): () => void;
  choose(at: number): void;
  measure(measured: Measured): void;
  write(text: string): void;
}

/** Of two sides the less sure reading speaks for both; where one was typed by hand, neither does. */
function lessSure(left: Supplied | undefined, right: Supplied | undefined): Supplied | undefined {
  if (!left || !right) return undefined;
  const pictures = [...(left.pictures ?? []), ...(right.pictures ?? [])];
  const speaks = left.uncertainty > right.uncertainty ? left : right;
  return pictures.length > 0 && left.device === right.device ? { ...speaks, pictures } : speaks;
}

/**
 * Take what is found at a check, left before right, and keep what it knows as an answer.
 *
 * @param finding the check in focus; undefined where nothing can be answered
 */
export function useFound(finding: Finding | undefined, keep: (answer: RecordedFinding) => void): Found {
  const [half, setHalf] = useState<{ check: string; left: string; supplied?: Supplied } | null>(null);
  const first = half && half.check === finding?.check.id ? half : null;
  const left = first?.left ?? null;
  const answer = finding?.check.answer;
  const find = (found: Omit<RecordedFinding, 'outcome'>) => {
    if (!finding) return;
    // A figure that the record has nothing to say of is kept, and tells nothing yet.
    const measuredOnly = found.value !== undefined && !finding.nominal;
    const check = asMeasured(finding.check, found.supplied);
    const outcome = measuredOnly ? 'cantTell' : outcomeOf({ ...finding, check }, found);
    if (!outcome) return;
    setHalf(null);
    keep({ outcome, ...found });
  };
  const beginPair = (side: string, supplied?: Supplied) =>
    finding && setHalf({ check: finding.check.id, left: side, ...(supplied ? { supplied } : {}) });
  return {
    left,
    dropLeft: () => setHalf(null),
    remember: () => () => setHalf(half),
    choose: (at) => {
      const label = finding && answersOf(finding.check)[at]?.label;
      if (!label) return;
      if (answer?.form !== 'pair') find({ choice: label });
      else if (left === null) beginPair(label);
      else find({ left, right: label });
    },
    measure: ({ value, supplied }) => {
      const by = lessSure(first?.supplied, supplied);
      if (answer?.form !== 'quantity' || !answer.sides) find({ value, ...(supplied ? { supplied } : {}) });
      else if (left === null) beginPair(String(value), supplied);
      else find({ ...bothSides(left, String(value)), ...(by ? { supplied: by } : {}) });
    },
    write: (text) => find({ text }),
  };
}
