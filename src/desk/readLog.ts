import type { Transaction } from 'sequelize';
import type { CaseEvent } from '@/core/casefile/event';
import { fold } from '@/core/casefile/fold';
import { endOf, findCase, readEvents } from '@/store/cases';
import type { CaseRow } from '@/store/tables';
import type { Desk } from './desk';
import type { KnownLog } from './memory';
import { logTrouble } from './trust/caseTrouble';

/** A log as it was read, with what does not hold about it; null where all of it holds. */
export interface ReadLog extends KnownLog {
  row: CaseRow;
  trouble: string | null;
}

/** The log of a case, from memory where it was read and walked before. */
export async function readLog(desk: Desk, row: CaseRow, transaction?: Transaction): Promise<ReadLog> {
  const known = desk.memory.logs.get(row.head);
  // Its end is looked at each time; all of it when the desk is checked.
  if (known?.file.id === row.id && (await endOf(desk.store, row.id, transaction)) === `${row.seq} ${row.head}`)
    return { ...known, row, trouble: null };
  const events: CaseEvent[] = await readEvents(desk.store, row.id, transaction);
  // Something was added between the two readings.
  const now = events.length > row.seq && !transaction ? await findCase(desk.store, { id: row.id }) : null;
  if (now && now.head !== row.head) return readLog(desk, now);
  const trouble = logTrouble(row, events);
  const log = { events, file: fold(row.id, events) };
  if (trouble === null) desk.memory.logs.set(row.head, log);
  return { ...log, row, trouble };
}
