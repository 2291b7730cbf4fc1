import { writeFile } from 'node:fs/promises';
import { readCaseFolder } from '@/desk/caseFolder';
import { THE_MACHINE } from '@/desk/people/roster';
import { exportCase } from '@/desk/transfer';
import { bytesOf } from '../files';
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
  const { makePack } = await import('@/desk/pack');
  const bytes = await withDesk((desk) => makePack(desk, number));
  await writeFile(to, bytes);
  print({ case: number, file: to, bytes: bytes.length });
  return FINE;
}

export async function verify(path: string): Promise<number> {
  const { verifyFile } = await import('@/desk/pack');
  const verified = verifyFile(await bytesOf(path));
  const intact = verified.changed.length === 0;
  print({ file: path, intact, ...verified });
  return intact ? FINE : PROBLEMS;
}

export async function fromFile(path: string): Promise<number> {
  const { importFile } = await import('@/desk/pack');
  const bytes = await bytesOf(path);
  const taken = await withDesk(async (desk) => {
    const number = await importFile(desk, THE_MACHINE, bytes);
    return { number, head: (await readCaseFolder(desk, number)).events.at(-1)?.hash };
  });
  print(taken);
  return FINE;
}
