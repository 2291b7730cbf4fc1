'use client';
import { useRef } from 'react';
import { asAsked } from '@/core/checks/finding';
import { useCaseBook, useSaving } from '../casebook/CaseBook';
import type { Trial } from '../scan/wedge';
import { type Found, useFound } from './useFound';
import type { Walk } from './useWalk';

/** The ways to answer the check in focus. */
export interface Answers {
  answerable: boolean;
  found: Found;
  cantTell(): void;
  excuse(reason: string): void;
  note(text: string): void;
  /** Take back the answer to this check, or else the last one that was given here. */
  undo(): void;
  /** Take back the last answers that were given here: a scanner gave them. */
  takeBack(keys: number): void;
  /** What the next key does is shown at once, and can be undone as if it had never been pressed. */
  tryOut(): Trial;
}

/** Record answers to the check in focus and walk on. */
export function useAnswers(walk: Walk): Answers {
  const { current, goTo, advance } = walk;
  const { file, record } = useCaseBook();
  const log = useSaving();
  /** Checks answered here, newest last, for taking back the answer that a hurried hand just gave. */
  const answered = useRef<string[]>([]);
  const sealed = file.seal !== null || file.closed !== null;
  const id = current?.check.id ?? '';
  const answerable =
    !sealed &&
    current !== undefined &&
    current.check.answer.form !== 'codes' &&
    (current.mark !== 'excused' || current.noFigure === true || file.findings[id]?.state === 'excused');
  const keep: typeof record = (type, body) => {
    const sent = record(type, body);
    answered.current = [...answered.current, id];
    advance();
    return sent;
  };
  const found = useFound(answerable && current ? asAsked(current) : undefined, (answer) =>
    keep('findingRecorded', { check: id, ...answer }),
  );
  return {
    answerable,
    found,
    cantTell: () => {
      if (!answerable) return;
      found.dropLeft();
      keep('findingRecorded', { check: id, outcome: 'cantTell' });
    },
    excuse: (reason) => {
      if (answerable) keep('findingExcused', { check: id, reason: reason.slice(0, 400) });
    },
    note: (text) => {
      const entry = file.findings[id];
      if (entry?.state !== 'recorded') return;
      const { state: _, at: _at, by: _by, ...recorded } = entry;
      record('findingRecorded', { check: id, ...recorded, note: text.slice(0, 400) });
    },
    takeBack: (keys) => {
      for (let i = 0; i < keys; i++) {
        const check = answered.current.pop();
        if (check && file.findings[check]) record('findingWithdrawn', { check });
      }
    },
    tryOut: () => {
      const sent = log.tryOut();
      const goBack = walk.remember();
      const asFound = found.remember();
      const before = answered.current;
      return {
        keep: sent.keep,
        takeBack: () => {
          sent.takeBack();
          goBack();
          asFound();
          answered.current = before;
        },
      };
    },
    undo: () => {
      if (sealed) return;
      if (found.left !== null) {
        found.dropLeft();
        return;
      }
      const check = file.findings[id] ? id : answered.current.pop();
      if (!check || !file.findings[check]) return;
      record('findingWithdrawn', { check });
      goTo(check);
    },
  };
}
