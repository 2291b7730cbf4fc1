import type { Desk } from '../desk';
import { storeProblemOf } from '../storeProblem';
import { anchor } from '../trust/closeDays';
import { type BackupSheet, backUp, listBackups } from './backup';

/** How the desk's keeping stands, for whoever answers for it. */
export interface KeepingState {
  /** Null where no folder for backups is set. */
  folder: string | null;
  newest: BackupSheet | null;
  /** Why the last attempt failed; null where it did not. */
  trouble: string | null;
}

const DUE_MS = 20 * 3_600_000;
/** Backups are made when hardly anybody works, in the desk's own time. */
const NIGHT = { from: 1, to: 6 };
let trouble: string | null = null;

/** The folder that backups go to: PINPRICK_BACKUP. */
export const backupFolder = (): string | null => process.env.PINPRICK_BACKUP?.trim() || null;

export async function keepingState(): Promise<KeepingState> {
  const folder = backupFolder();
  const [newest = null] = folder ? await listBackups(folder) : [];
  return { folder, newest, trouble };
}

/** Make a backup now, into the folder that is set. */
export async function backUpNow(desk: Desk, folder: string): Promise<BackupSheet> {
  try {
    const keepDays = Number(process.env.PINPRICK_BACKUP_DAYS ?? 30) || 30;
    const sheet = await backUp(desk, folder, { keepDays });
    trouble = null;
    return sheet;
  } catch (error) {
    trouble = storeProblemOf(error)?.message ?? (error as Error).message;
    throw error;
  }
}

/**
 * What is done without anybody: yesterday's end is signed, and a backup made once a night. A desk that was off at night
 * makes it when it is on again after a day and a half.
 *
 * @param hour of the day on the wall
 */
export async function nightly(desk: Desk, hour: number): Promise<void> {
  await anchor(desk);
  const { folder, newest } = await keepingState();
  if (!folder) return;
  const age = newest ? Date.parse(desk.now()) - Date.parse(newest.madeAt) : Number.POSITIVE_INFINITY;
  const night = hour >= NIGHT.from && hour < NIGHT.to;
  if (age > (night ? DUE_MS : 1.8 * DUE_MS)) await backUpNow(desk, folder).catch(() => undefined);
}
