import { createReadStream, createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { exportLibrary } from '@/desk/library/exportLibrary';
import { bringFile, takeIn } from '@/desk/library/library';
import { stageLibrary } from '@/desk/library/stageLibrary';
import { THE_MACHINE } from '@/desk/people/roster';
import { FINE, type Options, PROBLEMS, print } from '../outcome';
import { withDesk } from '../withDesk';

/** Take a library in: all of it, or nothing where anything of it is refused. */
export async function library(path: string): Promise<number> {
  const report = await withDesk(async (desk) => {
    const brought = await bringFile(desk, THE_MACHINE, path, createReadStream(path));
    const job =
      brought.format === 'csv' ? { format: 'csv' as const, mapping: brought.mapping } : { format: 'json' as const };
    return takeIn(desk, THE_MACHINE, { ...brought, job });
  });
  print(report);
  return report.kept ? FINE : PROBLEMS;
}

export async function stage(id: string): Promise<number> {
  await withDesk((desk) => stageLibrary(desk, Number(id)));
  return FINE;
}

export async function toFile(_: string, { to, maker }: Options): Promise<number> {
  await withDesk((desk) =>
    pipeline(Readable.from(exportLibrary(desk, maker ? { maker } : {})), to ? createWriteStream(to) : process.stdout, {
      end: Boolean(to),
    }),
  );
  return FINE;
}
