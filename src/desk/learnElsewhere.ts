import { spawn } from 'node:child_process';
import { listToLearn } from '@/store/toLearn';
import type { Desk } from './desk';
import { learnPending } from './learning';

/** Several truths are often confirmed in a row. */
const REST_MS = 500;

/** Learn in a program of its own on the same data directory; false where it could not. */
function learnThere(directory: string): Promise<boolean> {
  return new Promise((resolve) => {
    spawn(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', 'learn'], {
      stdio: 'ignore',
      env: { ...process.env, PINPRICK_DATA: directory },
    })
      .on('error', () => resolve(false))
      .on('exit', (code) => resolve(code === 0));
  });
}

/**
 * See to it that what is noted is learned soon, in another program: learning from many cases takes the processor for
 * seconds, and nobody at the desk is to wait for it.
 */
export function learnElsewhere(): Desk['learner'] {
  let running = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const run = async (desk: Desk): Promise<void> => {
    if (running || desk.store.looking || (await listToLearn(desk.store)).length === 0) return;
    running = true;
    try {
      if (!(await learnThere(desk.store.directory))) await learnPending(desk);
    } finally {
      running = false;
    }
    soon(desk);
  };
  const soon = (desk: Desk): void => {
    clearTimeout(timer);
    // What cannot be learned now stays noted.
    timer = setTimeout(() => run(desk).catch((error) => console.error(error)), REST_MS);
    timer.unref();
  };
  return async (desk) => soon(desk);
}
