import { constants } from 'node:fs';
import { access, readFile } from 'node:fs/promises';
import { Refusal } from '@/desk/refusal';

const unreadable = (path: string) => (error: NodeJS.ErrnoException) => {
  throw new Refusal('notFound', `The file ${path} cannot be read (${error.code}).`);
};

/** @throws Refusal where it cannot be read */
export const readable = (path: string): Promise<void> => access(path, constants.R_OK).catch(unreadable(path));

/** @throws Refusal where it cannot be read */
export const bytesOf = (path: string): Promise<Uint8Array> => readFile(path).catch(unreadable(path));

export const textOf = async (path: string): Promise<string> => new TextDecoder().decode(await bytesOf(path));
