import { spawn } from 'node:child_process';
import type { Desk } from './desk';
import { allow } from './people/roster';
import { readQueue } from './queue';
import { Refusal } from './refusal';
import { listReleases } from './releases';

/** True where nothing is kept yet: neither an item nor a record. */
export async function isEmpty(desk: Desk): Promise<boolean> {
  if ((await listReleases(desk)).count > 0) return false;
  const { open, done, otherShelf } = await readQueue(desk, null, { shelf: 'sealed', donePage: 1 });
  return open.count + done.count + otherShelf === 0;
}

/** What the program that lays it out said last. */
const lastLine = (text: string): string => text.trim().split('\n').at(-1) ?? '';

let running: Promise<void> | null = null;

/** Lay out the demo world in a program of its own on the same data directory, so that nobody waits for it. */
function layOutThere(directory: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const program = spawn(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', 'prepare', '--demo'], {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, PINPRICK_DATA: directory },
    });
    let said = '';
    program.stderr.on('data', (text: Buffer) => {
      said = `${said}${text}`.slice(-2000);
    });
    program.on('error', reject);
    program.on('exit', (code) => (code === 0 ? resolve() : reject(new Error(lastLine(said)))));
  });
}

/**
 * Fill an empty desk with the demo world.
 *
 * @throws Refusal where somebody may not, or something is kept already
 */
export async function layOutDemo(desk: Desk, by: string): Promise<void> {
  await allow(desk, by, 'keepDesk');
  if (!running && !(await isEmpty(desk)))
    throw new Refusal(
      'conflict',
      'Something is kept at this desk already. The demo world goes into an empty one only.',
    );
  running ??= layOutThere(desk.store.directory).finally(() => {
    running = null;
  });
  try {
    await running;
  } catch (error) {
    throw new Refusal('invalid', `The demo world could not be laid out: ${(error as Error).message}`);
  }
}
