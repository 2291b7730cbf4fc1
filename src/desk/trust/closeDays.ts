import type { Transaction } from 'sequelize';
import { type DayRoot, dayStatement, rootOfHeads } from '@/core/trust/statements';
import { type DayRootRow, headsNow, keepRoot, newestRoot } from '@/store/anchors';
import type { Desk } from '../desk';

const dayBefore = (day: string): string => new Date(Date.parse(day) - 86_400_000).toISOString().slice(0, 10);

/**
 * Sign what the desk held at the end of yesterday, once, before anything of today is written.
 *
 * @returns the root, or null where that day is closed already or there is nothing yet
 */
export async function closeYesterday(desk: Desk, transaction: Transaction): Promise<DayRootRow | null> {
  const day = dayBefore(desk.now().slice(0, 10));
  if (desk.closed.day >= day) return null;
  const newest = await newestRoot(desk.store, transaction);
  if (newest && newest.day >= day) {
    // Only what is on the disk is remembered: the caller's transaction may still fail.
    desk.closed.day = newest.day;
    return null;
  }
  return closeDay(desk, day, newest, transaction);
}

/** Sign what the desk holds now as the end of a day. */
async function closeDay(
  desk: Desk,
  day: string,
  newest: DayRootRow | null,
  transaction: Transaction,
): Promise<DayRootRow | null> {
  const heads = await headsNow(desk.store, transaction);
  if (heads.length === 0) return null;
  const root: DayRoot = { day, cases: heads.length, root: rootOfHeads(heads), previous: newest?.root ?? null };
  // A day on which nothing happened has the root of the one before, and needs none of its own.
  if (newest?.root === root.root) return null;
  const signed = { ...root, ...desk.key.sign(dayStatement(root)) };
  await keepRoot(desk.store, signed, transaction);
  return signed;
}

/** Close yesterday where that is still to be done. */
export const anchor = (desk: Desk): Promise<DayRootRow | null> =>
  desk.store.write((transaction) => closeYesterday(desk, transaction));
