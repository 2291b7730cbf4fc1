import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What phones make of pictures, as their bytes tell. */
export const isHeic = (mime: string): boolean => /^image\/hei[cf](?:-sequence)?$/.test(mime);

/** A picture that takes longer than this is damaged, or made to take long. */
const LONGEST_MS = 60_000;
const TOO_LARGE = 3;
/** Memory of the program that unpacks it, MB. */
const MOST_MB = 1500;

/** One at a time, so that many pictures sent at once do not fill the memory. */
let last: Promise<unknown> = Promise.resolve();

function convert(from: string, to: string, mostPixels: number): Promise<number | null> {
  return new Promise((resolve) => {
    spawn(
      process.execPath,
      [`--max-old-space-size=${MOST_MB}`, 'scripts/heicToJpeg.mjs', from, to, String(mostPixels)],
      {
        stdio: 'ignore',
        timeout: LONGEST_MS,
      },
    )
      .on('error', () => resolve(null))
      .on('exit', resolve);
  });
}

/**
 * A HEIC or HEIF picture as a JPEG, upright.
 *
 * @param path of a file that is one by its bytes
 * @returns the bytes; or why there are none
 */
export function jpegOfHeic(path: string, mostPixels: number): Promise<Buffer | 'too large' | 'unreadable'> {
  const work = async () => {
    const to = join(tmpdir(), `pinprick-${randomUUID()}.jpg`);
    try {
      const code = await convert(path, to, mostPixels);
      if (code !== 0) return code === TOO_LARGE ? ('too large' as const) : ('unreadable' as const);
      return await readFile(to);
    } finally {
      await rm(to, { force: true });
    }
  };
  const turn = last.then(work);
  last = turn.catch(() => undefined);
  return turn;
}
