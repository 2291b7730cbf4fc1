import { existsSync } from 'node:fs';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { openDesk } from '@/desk/desk';
import { fillDemo } from '../fillDemo';

/** Where a run of tests keeps what its workers share, see globalSetup. */
export const RUN_FOLDER = 'PINPRICK_TEST_RUN';
const POLL_MS = 100;

/**
 * A data directory with the demo world, to be copied and left as it is. The first test of a run that asks for it lays
 * it out, for all; a run that needs none starts at once.
 */
export async function laidOut(): Promise<string> {
  const folder = process.env[RUN_FOLDER];
  if (!folder) throw new Error('Only a run of tests lays the demo world out once for all.');
  const [directory, ready, failed] = ['demo', 'ready', 'failed'].map((name) => join(folder, name)) as [
    string,
    string,
    string,
  ];
  const first = await mkdir(directory).then(
    () => true,
    () => false,
  );
  if (first) {
    try {
      const desk = await openDesk(directory);
      await fillDemo(desk, { history: false });
      await desk.store.close();
      await writeFile(ready, '');
    } catch (error) {
      await writeFile(failed, String(error));
      throw error;
    }
  }
  while (!existsSync(ready)) {
    if (existsSync(failed))
      throw new Error('The demo world could not be laid out; the first test that asked says why.');
    await setTimeout(POLL_MS);
  }
  return directory;
}
