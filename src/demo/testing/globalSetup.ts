import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RUN_FOLDER } from './laidOut';

/** A folder for what the workers of a run share. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(tmpdir(), 'pinprick-tests-'));
  process.env[RUN_FOLDER] = folder;
  return () => rm(folder, { recursive: true, force: true });
}
