import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Desk, openDesk } from '@/desk/desk';
import { fillDemo } from '../fillDemo';
import { laidOut, RUN_FOLDER } from './laidOut';

export interface TestDesk {
  desk: Desk;
  directory: string;
  close(): Promise<void>;
}

/**
 * A desk on a directory of its own, with or without the demo world.
 *
 * @param history with the two years of confirmed cases too, which take half a minute
 */
export async function testDesk(demo: boolean, history = false): Promise<TestDesk> {
  const directory = await mkdtemp(join(tmpdir(), 'pinprick-test-'));
  const copied = demo && !history && RUN_FOLDER in process.env;
  if (copied) await cp(await laidOut(), directory, { recursive: true });
  const desk = await openDesk(directory);
  if (demo && !copied) await fillDemo(desk, { history });
  const at: TestDesk = {
    desk,
    directory,
    // Whatever desk is open then: a test of a restart puts another one in place.
    close: async () => {
      await at.desk.store.close();
      await rm(directory, { recursive: true, force: true });
    },
  };
  return at;
}
