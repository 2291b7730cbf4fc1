import type { CaseFile } from '@/core/casefile/caseFile';
import type { Day } from '@/core/dates/day';
import { type Assessment, assess } from '@/core/judgement/assess';
import { type CodesReading, readCodes } from '@/core/judgement/codesReading';
import type { Grounds } from '@/core/judgement/grounds';

/** What is worked out of a case beside the page. */
export interface CaseWork {
  /** What the cases that follow are held against: large, and seldom another. */
  hold(grounds: Grounds): void;
  /** @param draws all that a verdict rests on unless said otherwise */
  assess(file: CaseFile, draws?: number): Assessment;
  readCodes(file: CaseFile, today: Day): CodesReading;
}

export function caseWork(): CaseWork {
  let held: Grounds;
  return {
    hold: (grounds) => {
      held = grounds;
    },
    assess: (file, draws) => assess(file, held, { draws }),
    readCodes: (file, today) => readCodes(file, held, today),
  };
}
