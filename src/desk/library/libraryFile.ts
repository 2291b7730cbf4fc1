import { createHash } from 'node:crypto';
import type { DocumentKind } from '@/store/documents';

/** The first line of a library file. */
export interface LibraryHead {
  library: { version: 1; madeAt: string; house: string; publicKey: string };
}

/** One document of a library file, with the hash of its content. */
export interface LibraryLine {
  kind: DocumentKind;
  hash: string;
  body: { id: string };
}

/** The last line of a library file: the hash over all others, signed by the desk that made it. */
export interface LibrarySeal {
  seal: { documents: number; root: string; signature: string };
}

/** The running hash of a library: over kind, id and content of each document, in the order of the file. */
export function libraryRoot() {
  const hash = createHash('sha256');
  let documents = 0;
  return {
    add(kind: string, id: string, content: string): void {
      documents++;
      hash.update(`${kind} ${id} ${content}\n`);
    },
    end: () => ({ documents, root: hash.digest('hex') }),
  };
}

/** What the desk signs of a library. */
export const libraryStatement = (root: string, documents: number): string => `pinprick library ${documents} ${root}`;
