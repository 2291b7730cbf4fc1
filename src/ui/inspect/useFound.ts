import { useState } from 'react';
import type { RecordedFinding } from '@/core/casefile/events/findingRecorded';
import { answersOf } from '@/core/checks/answers';
import type { Finding } from '@/core/checks/finding';
import { bothSides, outcomeOf } from '@/core/checks/outcome';

/** What a person finds at a check, in the ways that it can be said. */
export interface Found {
  /** The left of a pair, while its right is waited for. */
  left: string | null;
  dropLeft(): void;
  choose(at: number): void;
  measure(value: number): void;
  write(text: string): void;
}

/**
 * Take what is found at a check, left before right, and keep what it knows as an answer.
 *
 * @param finding the check in focus; undefined where nothing can be answered
 */
export function useFound(finding: Finding | undefined, keep: (answer: RecordedFinding) => void): Found {
  const [half, setHalf] = useState<{ check: string; left: string } | null>(null);
  const left = half && half.check === finding?.check.id ? half.left : null;
  const answer = finding?.check.answer;
  const find = (found: Omit<RecordedFinding, 'outcome'>) => {
    if (!finding) return;
    // A figure that the record has nothing to say of is kept, and tells nothing yet.
    const measuredOnly = found.value !== undefined && !finding.nominal;
    const outcome = measuredOnly ? 'cantTell' : outcomeOf(finding, found);
    if (!outcome) return;
    setHalf(null);
    keep({ outcome, ...found });
  };
  const beginPair = (side: string) => finding && setHalf({ check: finding.check.id, left: side });
  return {
    left,
    dropLeft: () => setHalf(null),
    choose: (at) => {
      const label = finding && answersOf(finding.check)[at]?.label;
      if (!label) return;
      if (answer?.form !== 'pair') find({ choice: label });
      else if (left === null) beginPair(label);
      else find({ left, right: label });
    },
    measure: (value) => {
      if (answer?.form !== 'quantity' || !answer.sides) find({ value });
      else if (left === null) beginPair(String(value));
      else find(bothSides(left, String(value)));
    },
    write: (text) => find({ text }),
  };
}
