'use client';
import { useRef, useState } from 'react';
import { answersOf } from '@/core/checks/answers';
import { bothSides, outcomeOf } from '@/core/checks/outcome';
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
  /** Take back the last answers that were given here: a scanner gave them. */
  takeBack(keys: number): void;
}

/** Record answers to the check in focus and walk on. */
export function useAnswers({ current, goTo, advance }: Walk): Answers {
  const { file, record } = useCaseBook();
  const [half, setHalf] = useState<{ check: string; left: string } | null>(null);
  /** Checks answered here, newest last, for taking back the answer that a hurried hand just gave. */
  const answered = useRef<string[]>([]);
  const sealed = file.seal !== null || file.closed !== null;
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
  /** Keep what was found, if the check knows it as an answer. */
  const find = (found: Parameters<typeof outcomeOf>[1]) => {
    const outcome = answerable ? outcomeOf(current, found) : null;
    if (outcome) keep('findingRecorded', { check: id, outcome, ...found });
  };
  return {
    answerable,
    left,
    choose: (at) => {
      const label = current && answersOf(current.check)[at]?.label;
      if (!answerable || !label) return;
      if (current.check.answer.form !== 'pair') find({ choice: label });
      else if (left === null) setHalf({ check: id, left: label });
      else find({ left, right: label });
    },
    measure: (value) => {
      const sides = answerable && current.check.answer.form === 'quantity' && current.check.answer.sides;
      if (!sides) find({ value });
      else if (left === null) setHalf({ check: id, left: String(value) });
      else find(bothSides(left, String(value)));
    },
    write: (text) => find({ text }),
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
    takeBack: (keys) => {
      for (let i = 0; i < keys; i++) {
        const check = answered.current.pop();
        if (check && file.findings[check]) record('findingWithdrawn', { check });
      }
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
