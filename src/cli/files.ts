import { readFile } from 'node:fs/promises';
import { Refusal } from '@/desk/refusal';

/** @throws Refusal where it cannot be read */
export async function bytesOf(path: string): Promise<Uint8Array> {
  try {
    return await readFile(path);
  } catch (error) {
    throw new Refusal('notFound', `The file ${path} cannot be read (${(error as NodeJS.ErrnoException).code}).`);
  }
}

export const textOf = async (path: string): Promise<string> => new TextDecoder().decode(await bytesOf(path));
