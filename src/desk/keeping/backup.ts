import { copyFile, mkdir, open, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { newestRoot } from '@/store/anchors';
import { fileHash, pathOfPhotograph, photographFiles } from '@/store/photographs';
import { openCopy, type Store } from '@/store/store';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';
import { StoreProblem } from '../storeProblem';

/** What a backup says of itself, beside its database: `pinprick-….json`. */
export interface BackupSheet {
  format: 'pinprick-backup';
  version: 1;
  madeAt: string;
  /** File name of the database in the folder. */
  database: string;
  bytes: number;
  sha256: string;
  cases: number;
  events: number;
  photographs: number;
  /** Public key of the desk; the key itself is not in a backup. */
  publicKey: string;
  /** The newest day root, so that the backup and the desk can be held against each other. */
  root: { day: string; root: string } | null;
}

/** What lies in a data directory before there is a database in it. */
const KEYS = ['desk-key.pem', 'session-key'];
const SHEET = /^pinprick-\d{8}T\d{6}Z\.json$/;
const stampOf = (at: string): string => at.replace(/[-:]/g, '').replace(/\.\d+/, '');

/** The backups in a folder, the newest first. A sheet that cannot be read is no backup. */
export async function listBackups(folder: string): Promise<BackupSheet[]> {
  const names = (await readdir(folder).catch(() => []))
    .filter((name) => SHEET.test(name))
    .sort()
    .reverse();
  const sheets = await Promise.all(
    names.map(
      async (name) => JSON.parse(await readFile(join(folder, name), 'utf8').catch(() => 'null')) as BackupSheet,
    ),
  );
  return sheets.filter((sheet) => sheet?.format === 'pinprick-backup');
}

async function countOf({ sequelize }: Store, table: string): Promise<number> {
  const [rows] = await sequelize.query(`SELECT COUNT(*) AS n FROM ${table}`);
  return (rows as { n: number }[])[0]?.n ?? 0;
}

/** Copy the photographs that a folder lacks, and see that each arrived whole. */
async function copyPhotographs(from: string, to: string, onProgress: (share: number) => void): Promise<number> {
  const there = new Set(await photographFiles({ directory: to }));
  const all = await photographFiles({ directory: from });
  const missing = all.filter((sha256) => !there.has(sha256));
  for (const [i, sha256] of missing.entries()) {
    const target = pathOfPhotograph({ directory: to }, sha256);
    await mkdir(dirname(target), { recursive: true });
    await copyFile(pathOfPhotograph({ directory: from }, sha256), `${target}.part`);
    if ((await fileHash(`${target}.part`)) !== sha256) {
      await rm(`${target}.part`, { force: true });
      throw new StoreProblem(
        `The photograph ${sha256.slice(0, 12)}… was changed on the disk since it was kept, so it is not copied. What was copied before it is whole.`,
      );
    }
    await rename(`${target}.part`, target);
    onProgress((i + 1) / missing.length);
  }
  return all.length;
}

/** Who is signed in where ends with the desk, and a PIN is short enough to be found by trying: neither is copied. */
async function leaveOut(path: string): Promise<void> {
  const copy = openCopy(path, 'toChange');
  try {
    await copy.query('DELETE FROM shifts');
    await copy.query(`DELETE FROM credentials WHERE kind = 'pin'`);
    await copy.query('VACUUM');
  } finally {
    await copy.close();
  }
}

/**
 * Copy all that a desk keeps to a folder while it works: the database as it is at one instant, and the photographs that
 * the folder lacks. What was written is read again before the backup counts.
 *
 * @param keepDays older backups are taken away; photographs stay
 * @throws StoreProblem with what was kept and what to do
 */
export async function backUp(
  desk: Desk,
  folder: string,
  { keepDays = 30, onProgress = () => undefined }: { keepDays?: number; onProgress?: (share: number) => void } = {},
): Promise<BackupSheet> {
  const root = resolve(folder);
  if (root === desk.store.directory)
    throw new Refusal('invalid', 'A backup in the data directory itself would be lost with it; name another folder.');
  const madeAt = desk.now();
  const database = `pinprick-${stampOf(madeAt)}.sqlite`;
  const path = join(root, database);
  try {
    await mkdir(root, { recursive: true });
    await rm(`${path}.part`, { force: true });
    await desk.store.sequelize.query('VACUUM INTO :path', { replacements: { path: `${path}.part` } });
  } catch (error) {
    throw new StoreProblem(
      `No backup could be written to ${root} (${(error as Error).message}). The desk itself is untouched; free space there or name another folder.`,
    );
  }
  await leaveOut(`${path}.part`);
  onProgress(0.3);
  const photographs = await copyPhotographs(desk.store.directory, root, (share) => onProgress(0.3 + share * 0.5));
  const copy = openCopy(`${path}.part`);
  try {
    const [said] = await copy.query('PRAGMA integrity_check');
    if ((said as { integrity_check: string }[])[0]?.integrity_check !== 'ok')
      throw new StoreProblem(`The backup in ${root} came out damaged, so it does not count. Try another disk.`);
  } finally {
    await copy.close();
  }
  const file = await open(`${path}.part`, 'r+');
  await file.sync().finally(() => file.close());
  await rename(`${path}.part`, path);
  const newest = await newestRoot(desk.store);
  const sheet: BackupSheet = {
    format: 'pinprick-backup',
    version: 1,
    madeAt,
    database,
    bytes: (await stat(path)).size,
    sha256: await fileHash(path),
    cases: await countOf(desk.store, 'cases'),
    events: await countOf(desk.store, 'case_events'),
    photographs,
    publicKey: desk.key.publicKey,
    root: newest && { day: newest.day, root: newest.root },
  };
  await writeFile(path.replace(/sqlite$/, 'json'), `${JSON.stringify(sheet, null, 2)}\n`);
  onProgress(0.95);
  const floor = new Date(Date.parse(madeAt) - keepDays * 86_400_000).toISOString();
  for (const old of (await listBackups(root)).filter((each) => each.madeAt < floor)) {
    await rm(join(root, old.database), { force: true });
    await rm(join(root, old.database.replace(/sqlite$/, 'json')), { force: true });
  }
  onProgress(1);
  return sheet;
}

/**
 * Put a backup into an empty data directory.
 *
 * @param name file name of its database; the newest unless said otherwise
 * @throws StoreProblem where there is something already, or the backup is not whole
 */
export async function restore(folder: string, directory: string, name?: string): Promise<BackupSheet> {
  const backups = await listBackups(folder);
  const sheet = name ? backups.find(({ database }) => database === name) : backups[0];
  if (!sheet) throw new StoreProblem(`There is no backup${name ? ` “${name}”` : ''} in ${resolve(folder)}.`);
  const target = resolve(directory);
  if ((await readdir(target).catch(() => [])).some((each) => !KEYS.includes(each)))
    throw new StoreProblem(
      `${target} is not empty. A backup goes into a new folder, so that nothing is lost: name one with PINPRICK_DATA.`,
    );
  const from = join(folder, sheet.database);
  if ((await fileHash(from).catch(() => '')) !== sheet.sha256)
    throw new StoreProblem(`${from} is missing or was changed since it was made; take another backup.`);
  await mkdir(target, { recursive: true });
  await copyPhotographs(folder, target, () => undefined);
  await copyFile(from, join(target, 'pinprick.sqlite.part'));
  await rename(join(target, 'pinprick.sqlite.part'), join(target, 'pinprick.sqlite'));
  return sheet;
}
