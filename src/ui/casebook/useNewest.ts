'use client';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { Grounds } from '@/core/judgement/grounds';
import { AGAIN_MS, type Beside, startBeside, Unfetched } from './beside';

/** What a task knows of the hand that it works for. */
export interface Hand {
  /** True of what stood when the page came, with its first result. */
  begins: boolean;
  /** Wait until the hand has rested for so many ms. False at once where something newer came instead. */
  rests(ms: number): Promise<boolean>;
}

/** Work on something, a result after another, each better than the one before. */
export type Task<Of, Result> = (at: Beside['work'], of: Of, hand: Hand) => AsyncGenerator<Result>;

/**
 * Work on the newest of what comes, beside the page, one at a time. What comes faster than it can be worked on is passed
 * over, but what has been worked out is shown: a hand that never rests is followed as quickly as the machine can.
 *
 * @param first what came with the page of what stood then
 * @returns the latest result, and what it is of
 */
export function useNewest<Of extends { grounds: Grounds }, Result>(
  newest: Of,
  first: Result,
  task: Task<Of, Result>,
): { of: Of; result: Result } {
  const [known, setKnown] = useState({ of: newest, result: first });
  const [fault, setFault] = useState<Error | null>(null);
  const begun = useRef(newest);
  const beside = useRef<Beside | null>(null);
  const wanted = useRef<Of | null>(null);
  const busy = useRef(false);
  const interrupt = useRef<() => void>(() => undefined);
  useEffect(() => {
    const started = startBeside();
    beside.current = started;
    busy.current = false;
    return () => {
      beside.current = null;
      started.end();
    };
  }, []);
  useEffect(() => {
    const workOn = async () => {
      const of = wanted.current;
      const at = beside.current;
      if (busy.current || !of || !at) return;
      busy.current = true;
      wanted.current = null;
      const rests: Hand['rests'] = (ms) =>
        new Promise((answer) => {
          const timer = setTimeout(() => answer(true), ms);
          interrupt.current = () => {
            clearTimeout(timer);
            answer(false);
          };
          if (wanted.current) interrupt.current();
        });
      try {
        for await (const result of task(at.work, of, { begins: of === begun.current, rests })) {
          if (beside.current !== at) return;
          startTransition(() => setKnown({ of, result }));
          if (wanted.current) break;
        }
      } catch (error) {
        if (error instanceof Unfetched) {
          // What was known stands until it can be worked out again.
          wanted.current ??= of;
          await new Promise((done) => setTimeout(done, AGAIN_MS));
        } else setFault(error as Error);
      }
      if (beside.current !== at) return;
      busy.current = false;
      void workOn();
    };
    wanted.current = newest;
    interrupt.current();
    void workOn();
  }, [newest, task]);
  if (fault) throw fault;
  return known;
}
