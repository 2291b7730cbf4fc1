'use client';
import { createContext, type ReactNode, useCallback, useContext, useMemo } from 'react';
import { v4 as newUuid } from 'uuid';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { EventBodies, EventType, NewEvent } from '@/core/casefile/event';
import type { Assessment } from '@/core/judgement/assess';
import type { CaseFolder } from '@/core/judgement/grounds';
import { type Grounds, groundsOf } from '@/core/judgement/grounds';
import { type ScanDesk, useScanDesk } from '../scan/useScanDesk';
import { useAssessment } from './useAssessment';
import { type CaseLog, useCaseLog } from './useCaseLog';

export interface Checker {
  id: string;
  name: string;
}

interface CaseBookValue {
  number: string;
  file: CaseFile;
  grounds: Grounds;
  record<T extends EventType>(type: T, body: EventBodies[T]): void;
  nameOf(checker: string): string;
  /** Who works at this bench. */
  checkers: Checker[];
}

interface Standing {
  assessment: Assessment;
  /** True once the intervals are those that a verdict would seal. */
  settled: boolean;
}

// What changes together stands together, so that a saved answer draws no check anew.
const CaseBookContext = createContext<CaseBookValue | null>(null);
const StandingContext = createContext<Standing | null>(null);
const LogContext = createContext<CaseLog | null>(null);
const ScanContext = createContext<ScanDesk | null>(null);

/** One case for all views under it: its log, its state and its assessment, all computed from the same events. */
export function CaseBook({
  folder: initial,
  first,
  checkers,
  children,
}: {
  folder: CaseFolder;
  /** What the case comes to, as it came with the page. */
  first: Assessment;
  checkers: Checker[];
  children: ReactNode;
}) {
  const log = useCaseLog(initial);
  const { folder, file, add } = log;
  const grounds = useMemo(() => groundsOf(folder.grounds), [folder.grounds]);
  const standing = useAssessment(file, grounds, first);
  const record = useCallback(
    <T extends EventType>(type: T, body: EventBodies[T]) => add([{ id: newUuid(), type, body } as NewEvent]),
    [add],
  );
  const scans = useScanDesk({ file, grounds, record });
  const nameOf = useCallback((id: string) => checkers.find((checker) => checker.id === id)?.name ?? id, [checkers]);
  const { number } = folder;
  const value = useMemo(
    () => ({ number, file, grounds, record, nameOf, checkers }),
    [number, file, grounds, record, nameOf, checkers],
  );
  const { assessment, settled } = standing;
  const weighed = useMemo(() => ({ assessment, settled }), [assessment, settled]);
  return (
    <LogContext value={log}>
      <CaseBookContext value={value}>
        <ScanContext value={scans}>
          <StandingContext value={weighed}>{children}</StandingContext>
        </ScanContext>
      </CaseBookContext>
    </LogContext>
  );
}

function needed<T>(value: T | null): T {
  if (!value) throw new Error('This is for views inside a CaseBook.');
  return value;
}

/** The case that the view stands in. */
export const useCaseBook = (): CaseBookValue => needed(useContext(CaseBookContext));
/** What the evidence says so far. */
export const useStanding = (): Standing => needed(useContext(StandingContext));
/** What of the case is kept, and what stands in the way. */
export const useSaving = (): CaseLog => needed(useContext(LogContext));
/** What becomes of scans. */
export const useScans = (): ScanDesk => needed(useContext(ScanContext));
