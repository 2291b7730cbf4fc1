'use client';
import { createContext, type ReactNode, useCallback, useContext, useMemo } from 'react';
import { v4 as newUuid } from 'uuid';
import type { CaseEvent, EventBodies, EventType, NewEvent } from '@/core/casefile/event';
import { advance, type CaseFile, fold } from '@/core/casefile/fold';
import { scannedFact } from '@/core/codes/scanned';
import type { Assessment } from '@/core/judgement/assess';
import { type CaseFolder, type Grounds, groundsOf } from '@/core/judgement/grounds';

import { useAssessment } from './useAssessment';
import { type CaseLog, useCaseLog } from './useCaseLog';

export interface Checker {
  id: string;
  name: string;
}

interface CaseBookValue {
  log: CaseLog;
  file: CaseFile;
  grounds: Grounds;
  assessment: Assessment;
  /** True once the intervals are those that a verdict would seal. */
  settled: boolean;
  record<T extends EventType>(type: T, body: EventBodies[T]): void;
  /** Keep a scanned number, symbol or tag: at the place named, else on the packaging. Does nothing on a sealed case. */
  readScan(raw: string, place?: string): void;
  nameOf(checker: string): string;
  /** Who works at this bench. */
  checkers: Checker[];
}

const CaseBookContext = createContext<CaseBookValue | null>(null);

/** Pending events count at once; they get their real place in the chain from the server. */
function foldWithPending(id: string, events: CaseEvent[], pending: NewEvent[], at: string): CaseFile {
  return pending.reduce(
    (file, event) =>
      advance(file, {
        ...event,
        seq: file.seq + 1,
        at,
        by: file.touched.by,
        previous: file.head,
        hash: '',
      } as CaseEvent),
    fold(id, events),
  );
}

/** One case for all views under it: its log, its state and its assessment, all computed from the same events. */
export function CaseBook({
  folder: initial,
  checkers,
  children,
}: {
  folder: CaseFolder;
  checkers: Checker[];
  children: ReactNode;
}) {
  const log = useCaseLog(initial);
  const { folder, pending, add } = log;
  const file = useMemo(
    () => foldWithPending(folder.id, folder.events, pending, new Date().toISOString()),
    [folder, pending],
  );
  const grounds = useMemo(() => groundsOf(folder.grounds), [folder]);
  const { assessment, settled } = useAssessment(file, grounds);
  const record = useCallback(
    <T extends EventType>(type: T, body: EventBodies[T]) => add([{ id: newUuid(), type, body } as NewEvent]),
    [add],
  );
  const readScan = useCallback(
    (raw: string, place?: string) => {
      const fact = scannedFact(raw);
      const prints = (id: string | undefined) =>
        grounds.kind.places.some((each) => each.id === id && each.facts.includes(fact));
      const usual = grounds.kind.places.find((each) => each.side === 'packaging' && each.facts.includes(fact))?.id;
      const at = prints(place) ? place : usual;
      if (at && !file.seal) record('factRead', { place: at, fact, state: 'read', raw, via: 'scanned' });
    },
    [grounds, file.seal, record],
  );
  const nameOf = useCallback((id: string) => checkers.find((checker) => checker.id === id)?.name ?? id, [checkers]);
  const value = useMemo(
    () => ({ log, file, grounds, assessment, settled, record, readScan, nameOf, checkers }),
    [log, file, grounds, assessment, settled, record, readScan, nameOf, checkers],
  );
  return <CaseBookContext value={value}>{children}</CaseBookContext>;
}

/** The case that the view stands in. */
export function useCaseBook(): CaseBookValue {
  const value = useContext(CaseBookContext);
  if (!value) throw new Error('useCaseBook is for views inside a CaseBook.');
  return value;
}
