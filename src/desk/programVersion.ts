import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const CORE = join(process.cwd(), 'src', 'core');

/** Of every file that reads and weighs, in order: what a number kept by hand would be forgotten for. */
function digest(): string {
  const hash = createHash('sha256');
  for (const path of readdirSync(CORE, { recursive: true, encoding: 'utf8' }).sort())
    if (/(?<!\.test)\.ts$|\.json$/.test(path)) hash.update(path).update(readFileSync(join(CORE, path)));
  return hash.digest('hex').slice(0, 16);
}

/**
 * The version of this program that reads and weighs, as it was when it started. Versions that differ may come to
 * different decisions on the same entries, so what one worked out is not held against the other.
 */
export const PROGRAM_VERSION = digest();
