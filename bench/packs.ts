import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { cp } from 'node:fs/promises';
import { resolve } from 'node:path';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import type { NewEvent } from '@/core/casefile/event';
import { readCaseFolder } from '@/desk/caseFolder';
import { openDesk } from '@/desk/desk';
import { THE_MACHINE } from '@/desk/people/roster';
import { addPhotograph } from '@/desk/photographs';
import { recordEvents } from '@/desk/recordEvents';
import { bar } from './bar';
import { QUIET } from './servers';

const CASE = 'PP-0412';
/** Photographs near to the largest that are kept: 2 GB of them. */
const PICTURES = 46;
const PICTURE_BYTES = 44_000_000;

/** A picture of the size asked for, to a few per cent: noise does not shrink. Each width is another picture. */
async function largePicture(width: number): Promise<Buffer> {
  const height = Math.round(PICTURE_BYTES / 3 / width);
  return sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#667788',
      noise: { type: 'gaussian', mean: 128, sigma: 60 },
    },
  })
    .png({ compressionLevel: 0 })
    .toBuffer();
}

/** Run the command line in a process of its own; returns the most memory that it held at once, in MiB. */
function memoryOf(args: string[], data: string): Promise<number> {
  const cli = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'src/cli/main.ts', ...args], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...QUIET, PINPRICK_DATA: data },
  });
  let most = 0;
  // The loader starts the command in a child of its own: the largest of the family is it.
  const family = (pid: number): number[] => [
    pid,
    ...readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(' ').filter(Boolean).map(Number).flatMap(family),
  ];
  const timer = setInterval(() => {
    try {
      for (const pid of family(cli.pid as number))
        most = Math.max(
          most,
          Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024,
        );
    } catch {
      // It has just ended.
    }
  }, 50);
  return new Promise((done, failed) =>
    cli.on('exit', (code) => {
      clearInterval(timer);
      if (code === 0) done(most);
      else failed(new Error(`pinprick ${args[0]} ended with ${code}`));
    }),
  );
}

/** What evidence packs of two gigabytes take of memory, beside the same case with one picture. */
export async function benchPacks(): Promise<void> {
  const [few, many, other] = ['.cache/packs-few', '.cache/packs-many', '.cache/packs-other'].map((path) =>
    resolve(path),
  ) as [string, string, string];
  for (const path of [few, many, other]) rmSync(path, { recursive: true, force: true });
  await memoryOf(['prepare', '--demo'], few);
  await cp(few, many, { recursive: true });
  for (const [data, count] of [
    [few, 1],
    [many, PICTURES],
  ] as const) {
    const desk = await openDesk(data);
    for (let i = 0; i < count; i++) {
      const photo = await addPhotograph(desk, THE_MACHINE, [await largePicture(3600 + i)]);
      const event = { id: uuid(), type: 'photoAdded', body: { ...photo, name: `large ${i}.png` } } as NewEvent;
      const { events } = await readCaseFolder(desk, CASE);
      await recordEvents(desk, { number: CASE, events: [event], expectedSeq: events.length, by: 'isolde-varr' });
    }
    await desk.store.close();
  }
  const [small, large] = [resolve(few, 'pack.zip'), resolve(many, 'pack.zip')];
  const made = [
    await memoryOf(['pack', CASE, '--to', small], few),
    await memoryOf(['pack', CASE, '--to', large], many),
  ];
  const seen = [await memoryOf(['verify', small], few), await memoryOf(['verify', large], many)];
  const taken = [await memoryOf(['import', small], other), await memoryOf(['import', large], `${other}-large`)];
  console.log('\nPacks of 2 GB: memory beyond what a pack with one picture takes');
  for (const [what, [one = 0, all = 0]] of [
    ['made', made],
    ['verified', seen],
    ['taken in', taken],
  ] as const)
    bar(`  ${what} (${one.toFixed(0)} MiB with one)`, all - one, 200, 'at most', 'MiB');
  for (const path of [few, many, other, `${other}-large`]) rmSync(path, { recursive: true, force: true });
}
