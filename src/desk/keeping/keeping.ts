import { keyName } from '@/core/trust/statements';
import { type DayRootRow, listKeys } from '@/store/anchors';
import type { Desk } from '../desk';
import { learnSealed } from '../learning';
import { allow, THE_MACHINE } from '../people/roster';
import { Refusal } from '../refusal';
import { qrPath } from '../report/qrPath';
import { storeProblemOf } from '../storeProblem';
import { newestAnchor } from '../trust/anchors';
import { anchor } from '../trust/closeDays';
import { type BackupSheet, backUp, listBackups } from './backup';
import { checkDesk } from './checkDesk';
import { clockProblem } from './clockProblem';
import type { Keeper } from './keeper';

/** How the desk's keeping stands, for whoever answers for it. */
export interface KeepingState extends Keeper {
  /** Where backups go; null where no folder is set. */
  folder: string | null;
  keepDays: number;
  newest: BackupSheet | null;
  /** The newest day whose end is signed, with what a person keeps elsewhere, as text and as a QR code. */
  anchor: (Pick<DayRootRow, 'day' | 'cases' | 'root'> & { text: string; code: ReturnType<typeof qrPath> }) | null;
  key: { name: string; publicKey: string };
  /** Keys of other desks. */
  known: { name: string; label: string }[];
  clock: string | null;
  now: string;
}

/** Where backups go and for how long they stay: PINPRICK_BACKUP, PINPRICK_BACKUP_DAYS. */
const settings = () => ({
  folder: process.env.PINPRICK_BACKUP?.trim() || null,
  keepDays: Number(process.env.PINPRICK_BACKUP_DAYS) || 30,
});

export async function keepingState(desk: Desk): Promise<KeepingState> {
  const { folder, keepDays } = settings();
  const [newest = null] = folder ? await listBackups(folder) : [];
  const signed = await newestAnchor(desk);
  const { publicKey } = desk.key;
  const text = signed && `pinprick ${signed.day} ${signed.root} key ${keyName(publicKey)}`;
  return {
    ...desk.keeper,
    folder,
    keepDays,
    newest,
    anchor:
      signed && text ? { day: signed.day, cases: signed.cases, root: signed.root, text, code: qrPath(text) } : null,
    key: { name: keyName(publicKey), publicKey },
    known: (await listKeys(desk.store)).flatMap((key) =>
      key.own ? [] : [{ name: keyName(key.publicKey), label: key.label }],
    ),
    clock: await clockProblem(desk),
    now: desk.now(),
  };
}

/**
 * Begin a backup or a check; the keeper says how far it is.
 *
 * @returns what ends when it is done
 * @throws Refusal where `by` may not, one is running, or there is nowhere to put a backup
 */
export async function begin(desk: Desk, by: string, what: 'backup' | 'check'): Promise<{ done: Promise<void> }> {
  await allow(desk, by, 'keepDesk');
  const { keeper } = desk;
  const { folder, keepDays } = settings();
  if (keeper.running) throw new Refusal('conflict', `A ${keeper.running.what} is running already.`);
  if (what === 'backup' && !folder)
    throw new Refusal('invalid', 'No folder for backups is set: start the desk with PINPRICK_BACKUP=FOLDER.');
  keeper.running = { what, share: 0 };
  keeper.trouble = null;
  const onProgress = (share: number) => {
    keeper.running = { what, share };
  };
  const work = async () => {
    if (what === 'backup') await backUp(desk, folder ?? '', { keepDays, onProgress });
    else keeper.checked = { at: desk.now(), found: await checkDesk(desk, onProgress) };
  };
  const done = work()
    .catch((error) => {
      keeper.trouble = storeProblemOf(error)?.message ?? (error as Error).message;
    })
    .finally(() => {
      keeper.running = null;
    });
  return { done };
}

const DUE_MS = 20 * 3_600_000;
/** Backups are made when hardly anybody works. */
const NIGHT = { from: 1, to: 6 };

/**
 * What is done without anybody: yesterday's end is signed, what was sealed is learned from, and a backup made once a night. A desk that was off at night
 * makes it when it is on again after a day and a half.
 *
 * @param hour on the wall
 */
export async function nightly(desk: Desk, hour: number): Promise<void> {
  await anchor(desk);
  await learnSealed(desk);
  const { folder } = settings();
  if (!folder || desk.keeper.running) return;
  const [newest] = await listBackups(folder);
  const age = newest ? Date.parse(desk.now()) - Date.parse(newest.madeAt) : Number.POSITIVE_INFINITY;
  const night = hour >= NIGHT.from && hour < NIGHT.to;
  if (age > (night ? DUE_MS : 1.8 * DUE_MS)) await (await begin(desk, THE_MACHINE, 'backup')).done;
}
