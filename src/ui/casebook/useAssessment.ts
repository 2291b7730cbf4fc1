'use client';
import { useMemo } from 'react';
import type { CaseFile } from '@/core/casefile/caseFile';
import type { Assessment } from '@/core/judgement/assess';
import type { Grounds } from '@/core/judgement/grounds';
import { type Task, useNewest } from './useNewest';

/** So few draws give a figure to look at; all of them are done once the hand rests. */
const AT_ONCE = 40;
const REST_MS = 60;

interface Basis {
  file: CaseFile;
  grounds: Grounds;
}

interface Assessed {
  assessment: Assessment;
  /** True where all draws were done. */
  whole: boolean;
}

const roughlyThenWhole: Task<Basis, Assessed> = async function* (work, { file, grounds }, hand) {
  if (!hand.begins) yield { assessment: await work(grounds, (at) => at.assess(file, AT_ONCE)), whole: false };
  if (await hand.rests(REST_MS)) yield { assessment: await work(grounds, (at) => at.assess(file)), whole: true };
};

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
  const { of, result } = useNewest(basis, { assessment: first, whole: false }, roughlyThenWhole);
  return { assessment: result.assessment, settled: result.whole && of === basis };
}
