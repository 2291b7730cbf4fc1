import type { LRUCache } from 'lru-cache';
import { fold } from '@/core/casefile/fold';
import type { Day } from '@/core/dates/day';
import { type Assessment, assess } from '@/core/judgement/assess';
import { type CodesReading, readCodes } from '@/core/judgement/codesReading';
import { type CaseFolder, groundsOf } from '@/core/judgement/grounds';
import type { Desk } from './desk';
import { groundsKey } from './grounds';

/** Enough draws for a first look. */
const DRAWS = 40;

/** What of a memory a folder may use: its head and documents; null where somebody sees less than the whole log. */
function keyOf({ memory }: Desk, { events, grounds }: CaseFolder): string | null {
  const head = events.at(-1)?.hash ?? '';
  return memory.logs.get(head)?.events === events ? `${head}/${groundsKey(grounds)}` : null;
}

/** What a case comes to, with roughly drawn intervals: what its page shows until it has worked out its own. */
export function firstAssessment(desk: Desk, folder: CaseFolder): Assessment {
  const work = () => assess(fold(folder.id, folder.events), groundsOf(folder.grounds), { draws: DRAWS });
  const key = keyOf(desk, folder);
  return key === null ? work() : remembered(desk.memory.assessments, key, work);
}

/** What is printed, cross-read: what the page of its codes begins with. */
export function firstCodes(desk: Desk, folder: CaseFolder, today: Day): CodesReading {
  const work = () => readCodes(fold(folder.id, folder.events), groundsOf(folder.grounds), today);
  const key = keyOf(desk, folder);
  return key === null ? work() : remembered(desk.memory.readings, `${key}/${today}`, work);
}

function remembered<T extends object>(memory: LRUCache<string, T>, key: string, work: () => T): T {
  const known = memory.get(key);
  if (known !== undefined) return known;
  const made = work();
  memory.set(key, made);
  return made;
}
