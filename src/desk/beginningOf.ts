import { open } from 'node:fs/promises';

/** The first bytes of a file, at most so many. */
export async function beginningOf(path: string, most: number): Promise<Buffer> {
  const file = await open(path, 'r');
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(most), 0, most, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}
