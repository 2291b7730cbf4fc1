'use client';
import { type Remote, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import { type Assessment, assess } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';
import type { Refined, RefineWorker } from '@/workers/refine.worker';

/** So few draws are done before the next key; the worker does all of them. */
const AT_ONCE = 40;

/**
 * The assessment of a case, at once with roughly drawn intervals and a moment later with the kept ones.
 *
 * @returns `settled` once the intervals are those that a verdict would seal
 */
export function useAssessment(file: CaseFile, grounds: Grounds): { assessment: Assessment; settled: boolean } {
  const day = file.touched.at.slice(0, 10);
  const { facts, findings, met, circumstances, release, sizeKey, seal, truth, opinions } = file;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is assessed; a new head of the log changes nothing
  const rough = useMemo(
    () => assess(file, grounds, { draws: AT_ONCE }),
    [facts, findings, met, circumstances, release, sizeKey, seal, truth, opinions, day, grounds],
  );
  const [refined, setRefined] = useState<{ of: Assessment; values: Refined } | null>(null);
  const newest = useRef(file);
  useEffect(() => {
    newest.current = file;
  });
  const remote = useRef<Remote<RefineWorker> | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/refine.worker.ts', import.meta.url), { type: 'module' });
    remote.current = wrap<RefineWorker>(worker);
    return () => {
      remote.current = null;
      worker.terminate();
    };
  }, []);
  useEffect(() => {
    let current = true;
    // A hand that answers quickly is not followed step by step.
    const timer = setTimeout(() => {
      void remote.current
        ?.refine(newest.current, grounds)
        .then((values) => current && setRefined({ of: rough, values }));
    }, 60);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [grounds, rough]);
  const settled = refined?.of === rough;
  const assessment = useMemo(
    () => (settled && refined ? { ...rough, ...refined.values } : rough),
    [rough, refined, settled],
  );
  return { assessment, settled };
}
