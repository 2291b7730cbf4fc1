'use client';
import { useDeferredValue, useMemo } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { gatherFindings } from '@/core/checks/findings';
import { condense } from '@/core/crossread/condense';
import { contextOf } from '@/core/crossread/context';
import { crossread } from '@/core/crossread/crossread';
import type { Grounds } from '@/core/judgement/grounds';
import { readChain } from '@/core/judgement/readings';

/**
 * What is printed with what is being typed, cross-read. Keys come first: what they mean is worked out as soon as no
 * further key waits.
 */
export function useCrossReading(file: CaseFile, grounds: Grounds, facts: CaseFile['facts']) {
  const settledFile = useDeferredValue(file);
  const settledFacts = useDeferredValue(facts);
  const context = useMemo(
    () => contextOf({ ...settledFile, facts: settledFacts }, grounds),
    [grounds, settledFacts, settledFile],
  );
  const reading = useMemo(() => crossread(context), [context]);
  return useMemo(() => {
    const findings = gatherFindings(settledFile, context, reading);
    return {
      context,
      reading,
      doubts: condense(reading, findings, context),
      chain: readChain(reading, findings, context),
    };
  }, [settledFile, context, reading]);
}
