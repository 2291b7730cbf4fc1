import { rm } from 'node:fs/promises';
import { LAID_OUT, testDesk } from './testDesk';

/** Lay the demo world out once for all tests; each takes a copy. */
export default async function setup(): Promise<() => Promise<void>> {
  const { desk, directory } = await testDesk(true);
  await desk.store.close();
  process.env[LAID_OUT] = directory;
  return () => rm(directory, { recursive: true, force: true });
}
