import { rename, rm, stat } from 'node:fs/promises';
import { basename } from 'node:path';
import type { Brought } from '@/core/library/brought';
import { type CsvMapping, guessMapping, mappingProblems, toldApart } from '@/core/library/csvColumns';
import {
  type Came,
  type Found,
  IMPORT_STATES,
  type LibraryEntry,
  type ShownEntry,
  type ShownImport,
} from '@/core/library/libraryImport';
import type { LibraryJob } from '@/core/library/libraryJob';
import { compareDocuments } from '@/core/releases/compareDocuments';
import { keyName } from '@/core/trust/statements';
import { listKeys } from '@/store/anchors';
import { type DocumentKind, listDocuments, readDocument } from '@/store/documents';
import {
  beginImport,
  clearDropped,
  clearSuperseded,
  editedMeanwhile,
  keepMapping,
  type LibraryImport,
  leaveOut,
  listEntries,
  listImports,
  readImport,
  readMapping,
  setImport,
  stagedBody,
} from '@/store/library';
import { receiveFile } from '@/store/photographs';
import { beginningOf } from '../beginningOf';
import type { Desk } from '../desk';
import { markRestated } from '../learning';
import { allow } from '../people/roster';
import { Refusal } from '../refusal';
import { readHead } from './csvEntries';
import { haltImport } from './haltImport';
import { BrokenFile } from './jsonEntries';
import { importPath, stageLibrary } from './stageLibrary';

/** Larger files than this hold no library. */
export const LARGEST_LIBRARY = 4_000_000_000;

const FILE = /^[0-9a-f]{64}$/;

/** Whether a file is a table: by its name, or because it does not begin as records do. */
const isTable = (name: string, begins: string): boolean =>
  /\.(csv|tsv|txt)$/i.test(name) || !/^\uFEFF?\s*[{[]/.test(begins);

/** The headings and first rows of a table. @throws Refusal where it is none */
async function headOf(path: string): Promise<{ headings: string[]; rows: string[][] }> {
  const head = await readHead(path).catch((error: Error) => {
    throw error instanceof BrokenFile ? new Refusal('invalid', error.message) : error;
  });
  if (head.headings.length < 2 || head.rows.length === 0)
    throw new Refusal(
      'invalid',
      'This is neither a records file nor a table with headings, or the table has only one column or no row.',
    );
  return head;
}

/**
 * Take a file in, to be looked at before anything of it is read into the records.
 *
 * @throws Refusal where somebody may not, or it is too large or empty
 */
export async function bringFile(
  desk: Desk,
  by: string,
  name: string,
  chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
): Promise<Brought> {
  await allow(desk, by, 'editRecords');
  const received = await receiveFile(desk.store, 'imports', chunks, LARGEST_LIBRARY);
  if (!received) throw new Refusal('invalid', 'The file is larger than 4 GB, and no library is.');
  const { path, sha256: file } = received;
  const called = basename(name).slice(0, 120) || 'file';
  let head: Awaited<ReturnType<typeof headOf>> | null;
  try {
    const begins = (await beginningOf(path, 4096)).toString('utf8');
    if (begins === '') throw new Refusal('invalid', 'The file is empty.');
    head = isTable(called, begins) ? await headOf(path) : null;
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
  await rename(path, importPath(desk, file));
  if (!head) return { file, name: called, format: 'json' };
  const { headings, rows } = head;
  const kept = await readMapping(desk.store, headings.join('\t'));
  const mapping: CsvMapping = kept ? (JSON.parse(kept) as CsvMapping) : guessMapping(headings, rows, called);
  return {
    file,
    name: called,
    format: 'csv',
    headings: toldApart(headings),
    rows,
    mapping,
    remembered: kept !== null,
    choices: await csvChoices(desk),
  };
}

/** @throws Refusal where the job is none */
async function soundJob(desk: Desk, file: string, job: LibraryJob): Promise<LibraryJob> {
  if (job.format !== 'csv') return { format: 'json' };
  const { columns, fixed, dateOrder, source } = job.mapping;
  const mapping: CsvMapping = { columns, fixed, dateOrder, source: String(source).slice(0, 200) };
  const [problem] = mappingProblems(mapping);
  if (problem) throw new Refusal('invalid', problem);
  const { headings } = await readHead(importPath(desk, file));
  await desk.store.write((transaction) =>
    keepMapping(
      desk.store,
      { headings: headings.join('\t'), mapping: JSON.stringify(mapping), at: desk.now() },
      transaction,
    ),
  );
  return { format: 'csv', mapping };
}

/**
 * Begin to read a file that was brought; what is found of it can be looked at before it is kept.
 *
 * @param run reads it, here or elsewhere
 * @throws Refusal where somebody may not, there is no such file, or another import is not at its end
 */
export async function beginLibrary(
  desk: Desk,
  by: string,
  { file, name, job }: { file: string; name: string; job: LibraryJob },
  run: (desk: Desk, id: number) => unknown,
): Promise<number> {
  await allow(desk, by, 'editRecords');
  if (!FILE.test(file)) throw new Refusal('invalid', 'There is no such file; bring it again.');
  const { size } = await stat(importPath(desk, file)).catch(() => {
    throw new Refusal('notFound', 'There is no such file; bring it again.');
  });
  const sound = await soundJob(desk, file, job);
  const id = await desk.store.write(async (transaction) => {
    const [last] = await listImports(desk.store, 1);
    if (last && (last.state === 'staging' || last.state === 'staged' || last.state === 'stopped'))
      throw new Refusal('conflict', `“${last.name}” is not at its end yet: keep it or drop it first.`);
    const row = { file, name: name.slice(0, 120), job: JSON.stringify(sound), by, at: desk.now(), bytes: size };
    return beginImport(desk.store, row, transaction);
  });
  await run(desk, id);
  return id;
}

/** @throws Refusal where there is no such import, or it stands otherwise */
async function requireImport(desk: Desk, id: number, ...states: LibraryImport['state'][]): Promise<LibraryImport> {
  const row = await readImport(desk.store, id);
  if (!row) throw new Refusal('notFound', `There is no import ${id}.`);
  if (states.length > 0 && !states.includes(row.state))
    throw new Refusal('conflict', `“${row.name}” is ${IMPORT_STATES[row.state]}, so that cannot be done.`);
  return row;
}

/** Stop reading a file; it can go on later. */
export async function stopLibrary(desk: Desk, by: string, id: number): Promise<void> {
  await allow(desk, by, 'editRecords');
  await requireImport(desk, id, 'staging');
  await haltImport(desk, id, 'Stopped by hand.');
}

/** Go on reading a file where it was stopped. */
export async function resumeLibrary(
  desk: Desk,
  by: string,
  id: number,
  run: (desk: Desk, id: number) => unknown,
): Promise<void> {
  await allow(desk, by, 'editRecords');
  const row = await requireImport(desk, id, 'stopped');
  const found: Found = { ...row.found, trouble: null };
  await desk.store.write((transaction) => setImport(id, { state: 'staging', found }, transaction));
  await run(desk, id);
}

/** Leave entries out, by their numbers. */
export async function leaveOutOfLibrary(desk: Desk, by: string, id: number, numbers: number[]): Promise<void> {
  await allow(desk, by, 'editRecords');
  const row = await requireImport(desk, id, 'staged');
  await desk.store.write((transaction) => leaveOut(desk.store, row, numbers, transaction));
}

/** So many rows are cleared away in one go, and so long the others have a turn. */
const CLEARED = 100;
const TURN_MS = 30;
const turn = () => new Promise((resolve) => setTimeout(resolve, TURN_MS));

async function clearAway(desk: Desk, row: LibraryImport): Promise<void> {
  if (row.state === 'dropped') {
    while ((await desk.store.write((transaction) => clearDropped(desk.store, row.id, CLEARED, transaction))) > 0)
      await turn();
  } else {
    for (let after: number | null = 0; after !== null; await turn()) {
      const from: number = after;
      after = await desk.store.write((transaction) =>
        clearSuperseded(desk.store, row.id, { after: from, limit: CLEARED }, transaction),
      );
    }
  }
  await rm(importPath(desk, row.file), { force: true });
  const found: Found = { ...row.found, cleared: true };
  await desk.store.write((transaction) => setImport(row.id, { found }, transaction));
}

/**
 * Keep all that an import brings: from this moment it is seen, all of it at once. What somebody edited meanwhile stays as it
 * was edited.
 *
 * @returns how many entries stayed as they were edited, and what ends when the older rows are cleared away
 * @throws Refusal where somebody may not, or it is not read to its end
 */
export async function keepLibrary(
  desk: Desk,
  by: string,
  id: number,
): Promise<{ edited: number; cleared: Promise<void> }> {
  await allow(desk, by, 'editRecords');
  const row = await requireImport(desk, id, 'staged');
  const [edited, found] = await desk.store.write(async (transaction) => {
    const meanwhile = (await editedMeanwhile(desk.store, id, row.since, transaction)).map(({ n }) => n);
    const left = meanwhile.length > 0 ? await leaveOut(desk.store, row, meanwhile, transaction) : row.found;
    await setImport(id, { state: 'kept' }, transaction);
    for (const kind of row.found.restated) await markRestated(desk, kind, transaction);
    return [meanwhile.length, left];
  });
  await desk.learner(desk);
  return { edited, cleared: clearAway(desk, { ...row, found, state: 'kept' }) };
}

/** Drop an import: nothing of it was ever seen. */
export async function dropLibrary(desk: Desk, by: string, id: number): Promise<{ cleared: Promise<void> }> {
  await allow(desk, by, 'editRecords');
  const row = await requireImport(desk, id, 'staging', 'staged', 'stopped');
  await desk.store.write((transaction) => setImport(id, { state: 'dropped' }, transaction));
  return { cleared: clearAway(desk, { ...row, state: 'dropped' }) };
}

/** What is said of an import that was taken in without anybody looking. */
export interface LibraryReport extends Pick<Found, 'new' | 'changed' | 'unchanged' | 'trouble'> {
  kept: boolean;
  refused: Named[];
  /** Entries of which something odd is to be said, such as a number that another release has too. */
  odd: Named[];
}

type Named = Pick<LibraryEntry, 'line' | 'kind' | 'id' | 'reason'>;

/** So many refused entries, and as many odd ones, are named. */
const NAMED = 20;

/**
 * Take a file in without looking at it first: all of it is kept, or nothing where anything of it is refused.
 *
 * @throws Refusal where it cannot be begun
 */
export async function takeIn(
  desk: Desk,
  by: string,
  { file, name, job }: { file: string; name: string; job: LibraryJob },
): Promise<LibraryReport> {
  const id = await beginLibrary(desk, by, { file, name, job }, stageLibrary);
  const { state, found } = await requireImport(desk, id);
  const named = async (came: Came | null): Promise<Named[]> =>
    (await listEntries(desk.store, id, { came, noted: came === null, after: -1, limit: NAMED })).map(
      ({ line, kind, id: of, reason }) => ({ line, kind, id: of, reason }),
    );
  const [refused, odd] = [await named('refused'), await named(null)];
  const kept = state === 'staged' && found.refused === 0;
  const { cleared } = kept ? await keepLibrary(desk, by, id) : await dropLibrary(desk, by, id);
  await cleared;
  return {
    kept,
    new: found.new,
    changed: found.changed,
    unchanged: found.unchanged,
    refused,
    odd,
    trouble: found.trouble,
  };
}

/** What was under way when the server ended: reading can go on when somebody wants it, clearing goes on at once. */
export async function recoverLibrary(desk: Desk): Promise<void> {
  for (const row of await listImports(desk.store)) {
    if (row.state === 'staging') {
      const found: Found = {
        ...row.found,
        trouble: 'The desk was stopped while it was read. It can go on where it stopped.',
      };
      await desk.store.write((transaction) => setImport(row.id, { state: 'stopped', found }, transaction));
    } else if (row.state !== 'staged' && row.state !== 'stopped' && !row.found.cleared) await clearAway(desk, row);
  }
}

/** The newest imports. */
export async function shownImports(desk: Desk): Promise<ShownImport[]> {
  const keys = await listKeys(desk.store);
  const label = (publicKey: string): string => {
    const known = keys.find((key) => key.publicKey === publicKey);
    if (known?.own) return 'this desk';
    return known?.label ?? `a desk that is not known here, key ${keyName(publicKey)}`;
  };
  return (await listImports(desk.store)).map(({ id, name, state, by, at, found }) => {
    const { seal } = found;
    return { id, name, state, by, at, found, signedBy: seal?.holds ? label(seal.publicKey) : null };
  });
}

const PAGE = 40;
const CAME: Came[] = ['new', 'changed', 'refused', 'left out'];

/** Some entries of an import, with what they would change. */
export async function shownEntries(
  desk: Desk,
  id: number,
  { came: asked, noted, after }: { came: string | null; noted: boolean; after: number },
): Promise<ShownEntry[]> {
  const came = CAME.find((each) => each === asked) ?? null;
  const entries = await listEntries(desk.store, id, { came, noted, after, limit: PAGE });
  return Promise.all(
    entries.map(async (entry) => {
      const kind = entry.kind as DocumentKind;
      const brings = entry.came === 'new' || entry.came === 'changed';
      const [before, next] = await Promise.all([
        entry.came === 'changed' ? readDocument<object>(desk.store, kind, entry.id) : undefined,
        brings ? stagedBody<{ name?: string; colourName?: string }>(desk.store, id, kind, entry.id) : null,
      ]);
      const title = [next?.name, next?.colourName].filter(Boolean).join(', ');
      return { ...entry, title, changes: before && next ? compareDocuments(before.body, next) : [] };
    }),
  );
}

/** What a table's rows may be where no column says so. */
async function csvChoices(desk: Desk) {
  const names = async (kind: DocumentKind) =>
    (await listDocuments<{ name: string }>(desk.store, kind)).map(({ body }) => body.name);
  return { maker: await names('maker'), kind: await names('kind'), chart: await names('size-chart') };
}
