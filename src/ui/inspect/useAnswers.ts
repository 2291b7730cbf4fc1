'use client';
import { useRef, useState } from 'react';
import { answersOf, pairOutcome, textOutcome } from '@/core/checks/answers';
import { measuredOutcome } from '@/core/checks/finding';
import { useCaseBook } from '../casebook/CaseBook';
import type { Walk } from './useWalk';

/** The ways to answer the check in focus. */
export interface Answers {
  answerable: boolean;
  /** The left of a pair, while its right is waited for. */
  left: string | null;
  choose(at: number): void;
  measure(value: number): void;
  write(text: string): void;
  cantTell(): void;
  excuse(reason: string): void;
  note(text: string): void;
  /** Take back the answer to this check, or else the last one that was given here. */
  undo(): void;
}

/** Record answers to the check in focus and walk on. */
export function useAnswers({ current, goTo, advance }: Walk): Answers {
  const { file, record } = useCaseBook();
  const [half, setHalf] = useState<{ check: string; left: string } | null>(null);
  /** Checks answered here, newest last, for taking back the answer that a hurried hand just gave. */
  const answered = useRef<string[]>([]);
  const sealed = file.seal !== null;
  const id = current?.check.id ?? '';
  const left = half?.check === id ? half.left : null;
  const answerable =
    !sealed &&
    current !== undefined &&
    current.check.answer.form !== 'codes' &&
    (current.mark !== 'excused' || file.findings[id]?.state === 'excused');
  const keep: typeof record = (type, body) => {
    record(type, body);
    answered.current.push(id);
    setHalf(null);
    advance();
  };
  return {
    answerable,
    left,
    choose: (at) => {
      const choice = current && answersOf(current.check)[at];
      if (!answerable || !choice) return;
      const { answer } = current.check;
      if (answer.form !== 'pair') keep('findingRecorded', { check: id, outcome: choice.outcome, choice: choice.label });
      else if (left === null) setHalf({ check: id, left: choice.label });
      else {
        const outcome = pairOutcome(answer, left, choice.label);
        keep('findingRecorded', { check: id, outcome, left, right: choice.label });
      }
    },
    measure: (value) => {
      const outcome = answerable ? measuredOutcome(current.check, value, current.nominal) : null;
      if (outcome) keep('findingRecorded', { check: id, outcome, value });
    },
    write: (text) => {
      if (!answerable || current.check.answer.form !== 'text') return;
      keep('findingRecorded', { check: id, outcome: textOutcome(current.check.answer, text), text });
    },
    cantTell: () => {
      if (answerable) keep('findingRecorded', { check: id, outcome: 'cantTell' });
    },
    excuse: (reason) => {
      if (answerable) keep('findingExcused', { check: id, reason });
    },
    note: (text) => {
      const entry = file.findings[id];
      if (entry?.state !== 'recorded') return;
      const { state: _, at: _at, by: _by, ...found } = entry;
      record('findingRecorded', { check: id, ...found, note: text });
    },
    undo: () => {
      if (sealed) return;
      if (left !== null) {
        setHalf(null);
        return;
      }
      const check = file.findings[id] ? id : answered.current.pop();
      if (!check || !file.findings[check]) return;
      record('findingWithdrawn', { check });
      goTo(check);
    },
  };
}
