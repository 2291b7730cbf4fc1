import type { Change } from '../releases/compareDocuments';

/** How an import stands, in words. `stopped`: by a person or by trouble; it can go on. `staged`: all of it lies ready, hidden. */
export const IMPORT_STATES = {
  staging: 'being read',
  stopped: 'stopped',
  staged: 'read, and not kept yet',
  kept: 'kept',
  dropped: 'dropped',
} as const;

export type ImportState = keyof typeof IMPORT_STATES;

/** What became of an entry of a file. */
export type Came = 'new' | 'changed' | 'unchanged' | 'refused' | 'left out';

/** What was found so far. */
export interface Found extends Record<'new' | 'changed' | 'unchanged' | 'refused' | 'noted', number> {
  /** Entries that would be new or changed, and that somebody left out; absent where nobody did. */
  leftOut?: number;
  /** Bytes of the file that were read, and how many it has. */
  read: number;
  bytes: number;
  /** Why it stopped, or what is wrong with the file as a whole. */
  trouble: string | null;
  /** True once what it made needless is cleared away. */
  cleared: boolean;
  /** Kinds of goods whose checks are to be learned anew once it is kept. */
  restated: string[];
  /** Whose signature the file carries, and whether it holds; null where it has none. */
  seal: { publicKey: string; holds: boolean } | null;
}

/** One line of what a file brings. */
export interface LibraryEntry {
  n: number;
  line: number;
  kind: string;
  id: string;
  came: Came;
  /** Why it was refused, or what is odd about it. */
  reason: string;
}

/** The same with what it would change. */
export interface ShownEntry extends LibraryEntry {
  /** What it is called; empty where the file brings nothing of that name. */
  title: string;
  changes: Change[];
}

/** An import as it is shown. */
export interface ShownImport {
  id: number;
  /** The name that its file came under. */
  name: string;
  state: ImportState;
  by: string;
  at: string;
  found: Found;
  /** Whose key signed it, by the name that this desk gives it; null where nobody did. */
  signedBy: string | null;
}
