'use client';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import { v4 as newUuid } from 'uuid';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { EventBodies, EventType, NewEvent } from '@/core/casefile/event';
import type { Assessment } from '@/core/judgement/assess';
import type { CaseFolder } from '@/core/judgement/grounds';
import { type Grounds, groundsOf } from '@/core/judgement/grounds';
import { may, ROLES } from '@/core/people/permissions';
import type { Person } from '@/core/people/person';
import { useMay, useMe } from '../people/Me';
import { type ScanDesk, useScanDesk } from '../scan/useScanDesk';
import { useAssessment } from './useAssessment';
import { type CaseLog, useCaseLog } from './useCaseLog';

const ROLE_DOES = Object.fromEntries(ROLES.map(({ value, does }) => [value, does]));

interface CaseBookValue {
  number: string;
  file: CaseFile;
  grounds: Grounds;
  /** Settles when it was sent, or could not be: whoever leaves the case with it waits for that. */
  record<T extends EventType>(type: T, body: EventBodies[T]): Promise<void>;
  nameOf(person: string): string;
  /** Who could be asked for an opinion on it. */
  checkers: Person[];
  /** What whoever is here tried to enter and may not, as a sentence; empty where nothing was. */
  refused: string;
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
  people,
  children,
}: {
  folder: CaseFolder;
  /** What the case comes to, as it came with the page. */
  first: Assessment;
  /** Everybody who works here or did. */
  people: Person[];
  children: ReactNode;
}) {
  const log = useCaseLog(initial);
  const { folder, file, add } = log;
  const grounds = useMemo(() => groundsOf(folder.grounds), [folder.grounds]);
  const standing = useAssessment(file, grounds, first);
  const allowed = useMay();
  const role = useMe()?.role ?? 'reader';
  const [refused, setRefused] = useState('');
  const record = useCallback(
    async <T extends EventType>(type: T, body: EventBodies[T]) => {
      if (allowed(type)) await add([{ id: newUuid(), type, body } as NewEvent]);
      else setRefused(`You are here as ${role}, who ${ROLE_DOES[role]}. That was not entered.`);
    },
    [add, allowed, role],
  );
  const scans = useScanDesk({ file, grounds, record });
  const nameOf = useCallback((id: string) => people.find((person) => person.id === id)?.name ?? id, [people]);
  const checkers = useMemo(() => people.filter((each) => !each.retired && may(each.role, 'opinionGiven')), [people]);
  const { number } = folder;
  const value = useMemo(
    () => ({ number, file, grounds, record, nameOf, checkers, refused }),
    [number, file, grounds, record, nameOf, checkers, refused],
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
