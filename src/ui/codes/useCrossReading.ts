'use client';
import { useMemo } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Day } from '@/core/dates/day';
import type { CodesReading } from '@/core/judgement/codesReading';
import type { Grounds } from '@/core/judgement/grounds';
import { type Task, useNewest } from '../casebook/useNewest';

interface Basis {
  file: CaseFile;
  grounds: Grounds;
  today: Day;
}

const read: Task<Basis, CodesReading> = async function* (work, { file, grounds, today }) {
  yield await work(grounds, (at) => at.readCodes(file, today));
};

/**
 * What is printed with what is being typed, cross-read beside the page. Of keys that come faster than they are read,
 * only the newest state is read.
 *
 * @param first the reading that came with the page
 */
export function useCrossReading(
  file: CaseFile,
  grounds: Grounds,
  facts: CaseFile['facts'],
  today: Day,
  first: CodesReading,
): CodesReading {
  const { findings, met, circumstances, sizeKey } = file;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is cross-read; a new head of the log changes nothing
  const basis = useMemo(
    () => ({ file: { ...file, facts }, grounds, today }),
    [facts, findings, met, circumstances, sizeKey, grounds, today],
  );
  return useNewest(basis, first, read).result;
}
