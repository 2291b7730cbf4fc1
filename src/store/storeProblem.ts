/** Something about the data directory or the database that a person must put right; the message says what. */
export class StoreProblem extends Error {
  override name = 'StoreProblem';
}

/** By what the system or the database calls it: what happened, what of it is kept, and what to do. */
const SENTENCES: [code: RegExp, sentence: string][] = [
  [
    /SQLITE_FULL|ENOSPC|EDQUOT|disk is full/,
    'The disk is full. What was acknowledged before is kept; this was not. Free space on the disk of the data directory and try again.',
  ],
  [
    /SQLITE_READONLY|EROFS|EACCES|EPERM|readonly database/,
    'The data directory cannot be written. Everything can still be looked at; this was not kept. Give the desk’s user the right to write there.',
  ],
  [
    /SQLITE_BUSY|SQLITE_LOCKED|database is locked/,
    'Another program holds the database, so this was not kept. End it (a copy, a browser of databases, a second desk), then try again.',
  ],
  [
    /SQLITE_CORRUPT|SQLITE_NOTADB|malformed|not a database/,
    'The database is damaged. Stop working on it, run “pinprick check”, and restore the newest backup into a new folder.',
  ],
  [
    /SQLITE_IOERR|EIO|disk I\/O error/,
    'The disk could not be read or written. This was not kept; look after the disk, and restore a backup to another one if it goes on.',
  ],
  [
    /no such table/,
    'The database lost its tables while the desk was running. Nothing was kept; stop the desk and restore the newest backup into a new folder.',
  ],
  [/EMFILE|ENFILE/, 'Too many files are open on this machine, so this was not kept. Try again in a moment.'],
];

/** The sentence for what the disk or the database refused; null for faults of another kind. */
export function storeProblemOf(error: unknown): StoreProblem | null {
  if (error instanceof StoreProblem) return error;
  if (!(error instanceof Error)) return null;
  const { code = '', parent, original } = error as Error & { code?: string; parent?: Error; original?: Error };
  const says = [code, error.message, parent?.message, original?.message].join(' ');
  const sentence = SENTENCES.find(([pattern]) => pattern.test(says))?.[1];
  return sentence ? new StoreProblem(sentence, { cause: error }) : null;
}
