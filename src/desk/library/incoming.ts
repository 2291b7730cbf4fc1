import { hash } from 'node:crypto';
import type { DocumentKind } from '@/store/documents';
import type { CsvRelease } from './csvEntries';
import type { RawEntry } from './jsonEntries';

/** An entry on its way in: a document of a file, or a release of a table. */
export type Incoming = { line: number; end: number } & ({ raw: RawEntry } | { row: CsvRelease });

/** What the head of an entry says, without reading the rest of it. */
const HEAD =
  /^\s*\{\s*"kind"\s*:\s*"([a-z-]+)"\s*,\s*(?:"hash"\s*:\s*"([0-9a-f]{64})"\s*,\s*)?"body"\s*:\s*\{\s*"id"\s*:\s*"([^"\\]{1,80})"/;

/** Kinds of document that belong to a library. */
export const LIBRARY_KINDS: DocumentKind[] = ['maker', 'size-chart', 'code-scheme', 'kind', 'release'];

export interface Named {
  kind: string;
  id: string;
  /** The hash that the file gives it. */
  hash?: string;
}

/** A piece of a text as a text of its own: V8 keeps the whole text for as long as a piece of it is kept. */
const ofItsOwn = (piece: string): string => Buffer.from(piece).toString();

/** Kind and id of an entry; null where it has none. */
export function nameOf(text: string): Named | null {
  const head = HEAD.exec(text);
  if (head) return { kind: head[1] as string, hash: head[2], id: ofItsOwn(head[3] as string) };
  try {
    const { kind, hash, body } = JSON.parse(text) as { kind?: unknown; hash?: unknown; body?: { id?: unknown } };
    if (typeof kind !== 'string' || typeof body?.id !== 'string') return null;
    return { kind, id: body.id, hash: typeof hash === 'string' ? hash : undefined };
  } catch {
    return null;
  }
}

/** SHA-256 of the text that an entry came as. */
export const textHash = (text: string): string => hash('sha256', text, 'base64');
