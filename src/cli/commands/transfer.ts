import { createReadStream, createWriteStream } from 'node:fs';
import { stat, writeFile } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { readCaseFolder } from '@/desk/caseFolder';
import { THE_MACHINE } from '@/desk/people/roster';
import { exportCase } from '@/desk/transfer';
import { readable } from '../files';
import { FINE, type Options, PROBLEMS, print, UsageError } from '../outcome';
import { withDesk } from '../withDesk';

export async function toFile(number: string, { to }: Options): Promise<number> {
  const exported = await withDesk((desk) => exportCase(desk, number));
  if (to) await writeFile(to, `${JSON.stringify(exported, null, 2)}\n`);
  else print(exported);
  return FINE;
}

export async function pack(number: string, { to }: Options): Promise<number> {
  if (!to) throw new UsageError('Say where to write the pack: --to FILE.');
  const { makePack } = await import('@/desk/pack/makePack');
  await withDesk(async (desk) => pipeline(await makePack(desk, number), createWriteStream(to)));
  print({ case: number, file: to, bytes: (await stat(to)).size });
  return FINE;
}

export async function verify(path: string): Promise<number> {
  const { verifyFile } = await import('@/desk/pack/verifyFile');
  await readable(path);
  const verified = await verifyFile(path);
  const intact = verified.changed.length === 0;
  print({ file: path, intact, ...verified });
  return intact ? FINE : PROBLEMS;
}

export async function fromFile(path: string): Promise<number> {
  const { importFile } = await import('@/desk/pack/importFile');
  await readable(path);
  const taken = await withDesk(async (desk) => {
    const number = await importFile(desk, THE_MACHINE, createReadStream(path));
    return { number, head: (await readCaseFolder(desk, number)).events.at(-1)?.hash };
  });
  print(taken);
  return FINE;
}
