import { fold } from '@/core/casefile/fold';
import type { Day } from '@/core/dates/day';
import { type Assessment, assess } from '@/core/judgement/assess';
import { type CodesReading, readCodes } from '@/core/judgement/codesReading';
import { type CaseFolder, groundsOf } from '@/core/judgement/grounds';

/** Enough draws for a first look. */
const DRAWS = 40;

/** What a case comes to, with roughly drawn intervals: what its page shows until it has worked out its own. */
export function firstAssessment({ id, events, grounds }: CaseFolder): Assessment {
  return assess(fold(id, events), groundsOf(grounds), { draws: DRAWS });
}

/** What is printed, cross-read: what the page of its codes begins with. */
export function firstCodes({ id, events, grounds }: CaseFolder, today: Day): CodesReading {
  return readCodes(fold(id, events), groundsOf(grounds), today);
}
