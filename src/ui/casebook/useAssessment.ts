'use client';
import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Assessment } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';
import { AGAIN_MS, type Beside, startBeside, Unfetched } from './beside';

/** So few draws give a figure to look at; all of them are done once the hand rests. */
const AT_ONCE = 40;
const REST_MS = 60;

/**
 * The assessment of a case, always worked out beside the page: roughly drawn after each change, and a moment later as
 * it would be kept.
 *
 * @param first the assessment that came with the page
 * @returns `settled` once it is of the case as it stands, with the intervals that a verdict would seal
 */
export function useAssessment(
  file: CaseFile,
  grounds: Grounds,
  first: Assessment,
): { assessment: Assessment; settled: boolean } {
  const day = file.touched.at.slice(0, 10);
  const { facts, findings, met, circumstances, release, sizeKey, seal, truth, opinions } = file;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is assessed; a new head of the log changes nothing
  const basis = useMemo(
    () => ({ file, grounds }),
    [facts, findings, met, circumstances, release, sizeKey, seal, truth, opinions, day, grounds],
  );
  const [known, setKnown] = useState({ of: basis, assessment: first, settled: false });
  const [fault, setFault] = useState<Error | null>(null);
  const begun = useRef(basis);
  const beside = useRef<Beside | null>(null);
  useEffect(() => {
    const started = startBeside();
    beside.current = started;
    return () => started.end();
  }, []);
  useEffect(() => {
    let current = true;
    let timer: ReturnType<typeof setTimeout>;
    const work = (draws?: number) => {
      beside.current
        ?.work(basis.grounds, (at) => at.assess(basis.file, draws))
        .then(
          (assessment) => {
            if (current) startTransition(() => setKnown({ of: basis, assessment, settled: draws === undefined }));
          },
          (error) => {
            if (!current) return;
            // What was known stands, and cannot be sealed, until it can be worked out again.
            if (error instanceof Unfetched) timer = setTimeout(work, AGAIN_MS);
            else setFault(error);
          },
        );
    };
    if (begun.current !== basis) work(AT_ONCE);
    begun.current = basis;
    // A hand that answers quickly is not followed step by step.
    timer = setTimeout(work, REST_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [basis]);
  if (fault) throw fault;
  return { assessment: known.assessment, settled: known.settled && known.of === basis };
}
