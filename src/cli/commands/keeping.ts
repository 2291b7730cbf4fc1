import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { rootEvent } from '@/core/trust/rootEvent';
import { keyName } from '@/core/trust/statements';
import { backUp, restore } from '@/desk/keeping/backup';
import { checkDesk } from '@/desk/keeping/checkDesk';
import { THE_MACHINE } from '@/desk/people/roster';
import { newestAnchor, trustKey } from '@/desk/trust/anchors';
import { anchor } from '@/desk/trust/closeDays';
import { KEY_FILE } from '@/desk/trust/deskKey';
import { bytesOf } from '../files';
import { FINE, type Options, PROBLEMS, print, UsageError } from '../outcome';
import { DATA, withDesk } from '../withDesk';

const progress = (share: number): void => {
  if (process.stderr.isTTY) process.stderr.write(`\r${Math.round(share * 100)} %${share === 1 ? '\n' : ''}`);
};

export async function backup(folder: string, { keep }: Options): Promise<number> {
  const keepDays = keep === undefined ? undefined : Number(keep);
  if (keepDays !== undefined && !(Number.isInteger(keepDays) && keepDays >= 1 && keepDays <= 3650))
    throw new UsageError('--keep takes a number of days, 1 to 3650.');
  print(await withDesk((desk) => backUp(desk, folder, { keepDays, onProgress: progress })));
  return FINE;
}

export async function fromBackup(folder: string, { name }: Options): Promise<number> {
  const sheet = await restore(folder, DATA, name);
  const check = await withDesk((desk) => checkDesk(desk, progress));
  print({ restored: sheet.database, of: sheet.madeAt, to: DATA, check });
  return check.problems.length === 0 ? FINE : PROBLEMS;
}

export async function check(): Promise<number> {
  const found = await withDesk((desk) => checkDesk(desk, progress));
  print(found);
  return found.problems.length === 0 ? FINE : PROBLEMS;
}

export async function anchorDay(_: string, { to }: Options): Promise<number> {
  const newest = await withDesk(async (desk) => {
    await anchor(desk);
    return newestAnchor(desk);
  });
  print(newest);
  if (to && !newest) throw new UsageError('No day has ended yet, so there is nothing to keep.');
  if (to && newest) {
    const kept = to.endsWith('.jsonld') ? rootEvent(newest, new Date().toISOString()) : newest;
    await writeFile(to, `${JSON.stringify(kept, null, 2)}\n`, { flag: 'wx' });
  }
  return FINE;
}

export async function key(_: string, { to }: Options): Promise<number> {
  const { publicKey } = await withDesk(async (desk) => desk.key);
  // Whoever has the file can sign in this desk's name.
  if (to) await writeFile(to, await bytesOf(join(DATA, KEY_FILE)), { mode: 0o600, flag: 'wx' });
  print({ publicKey, name: keyName(publicKey), ...(to ? { file: to } : {}) });
  return FINE;
}

export async function trust(publicKey: string, { name }: Options): Promise<number> {
  if (!name?.trim()) throw new UsageError('Say whose key it is: --name NAME.');
  await withDesk((desk) => trustKey(desk, THE_MACHINE, publicKey, name));
  print({ publicKey, name: keyName(publicKey), of: name });
  return FINE;
}
