import { join } from 'node:path';
import type { Came, Found } from '@/core/library/libraryImport';
import type { LibraryJob } from '@/core/library/libraryJob';
import { strangerRemark } from '@/core/releases/fillSizes';
import type { Maker, Release } from '@/core/releases/release';
import { partRemarks } from '@/core/releases/releaseRemarks';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { type DocumentKind, listDocuments, readDocument } from '@/store/documents';
import { addSlips, gtin14Of, slipsOfImport } from '@/store/indexRelease';
import { type LibraryImport, ownersOf, readImport, type Staged, setImport, stage, standingOf } from '@/store/library';
import { writesInBulk } from '@/store/writer';
import type { Desk } from '../desk';
import { Refusal } from '../refusal';
import { signatureHolds } from '../trust/deskKey';
import { csvReleases } from './csvEntries';
import { identityOf, mergeRows, type Nameable } from './csvRelease';
import { documentHash } from './documentHash';
import { type Incoming, LIBRARY_KINDS, type Named, nameOf, textHash } from './incoming';
import { BrokenFile, jsonEntries } from './jsonEntries';
import { type LibraryHead, type LibrarySeal, libraryRoot, libraryStatement } from './libraryFile';
import { type Finder, outerProblem, ownProblem } from './soundness';

/** Entries that are put beside the records in one go: as many as keep a save waiting for no more than a moment. */
const AT_ONCE = 100;

/** How far it has come is kept so often, at least. */
const SAY_EVERY_MS = 500;

/** The import was stopped by somebody. */
class Stopped extends Error {}

/** The document of an entry; undefined where it is no JSON. */
function bodyOf(text: string): unknown {
  try {
    return (JSON.parse(text) as { body?: unknown }).body;
  } catch {
    return undefined;
  }
}

export const importPath = (desk: Pick<Desk, 'store'>, file: string): string =>
  join(desk.store.directory, 'imports', file);

/** One import while it is staged: what it has brought so far, and what it may name. */
class Staging {
  readonly seen = new Set<string>();
  readonly brought = new Map<string, unknown>();
  readonly root = libraryRoot();
  head: LibraryHead['library'] | null = null;
  private readonly known = new Map<string, Promise<unknown>>();
  private nameable: Promise<Nameable> | null = null;
  private lookedAhead = false;
  /** When something of it was kept last. */
  written = Number.NEGATIVE_INFINITY;
  found: Found;

  constructor(
    readonly desk: Desk,
    readonly row: LibraryImport,
    readonly job: LibraryJob,
  ) {
    this.found = { ...row.found, trouble: null };
  }

  /** Among what the file brought, or what is kept. Releases are not held in memory. */
  readonly find: Finder = <T>(kind: DocumentKind, id: string) => {
    const name = `${kind} ${id}`;
    if (this.brought.has(name)) return Promise.resolve(this.brought.get(name) as T);
    const found = this.known.get(name) ?? readDocument<T>(this.desk.store, kind, id).then((each) => each?.body);
    if (kind !== 'release') this.known.set(name, found);
    return found as Promise<T | undefined>;
  };

  /** What a table may name. */
  names(): Promise<Nameable> {
    const all = async <T>(kind: DocumentKind) =>
      (await listDocuments<T>(this.desk.store, kind)).map(({ body }) => body);
    this.nameable ??= (async () => ({
      makers: await all<Nameable['makers'][number]>('maker'),
      kinds: await all<Nameable['kinds'][number]>('kind'),
      charts: await all<Nameable['charts'][number]>('size-chart'),
    }))();
    return this.nameable;
  }

  /** Read everything but releases from the whole file. False where that was done, or it is a table. */
  async lookAhead(): Promise<boolean> {
    if (this.lookedAhead || this.job.format !== 'json') return false;
    this.lookedAhead = true;
    for await (const { text } of jsonEntries(importPath(this.desk, this.row.file))) {
      const named = nameOf(text);
      if (named && named.kind !== 'release' && LIBRARY_KINDS.includes(named.kind as DocumentKind))
        this.brought.set(`${named.kind} ${named.id}`, bodyOf(text));
    }
    this.known.clear();
    return true;
  }

  restate(kind: string): void {
    if (!this.found.restated.includes(kind)) this.found.restated = [...this.found.restated, kind];
  }
}

async function* incoming(staging: Staging, path: string): AsyncGenerator<Incoming> {
  const { job } = staging;
  if (job.format === 'json') {
    for await (const raw of jsonEntries(path)) yield { line: raw.line, end: raw.end, raw };
    return;
  }
  const rows = await csvReleases(path, job.mapping);
  for (const [i, row] of rows.entries())
    yield { line: row.line, end: Math.round((staging.found.bytes * (i + 1)) / rows.length), row };
}

/** An entry as far as its name is known: what it is, or why it is none. */
interface Ready {
  n: number;
  line: number;
  named: Named | null;
  source: string | null;
  problem: string | null;
  /** What is odd about it, as far as its lines tell. */
  remark?: string;
  body(before: () => Promise<Release | null>): Promise<{ id: string }>;
}

async function ready(staging: Staging, entry: Incoming, n: number): Promise<Ready> {
  const { line } = entry;
  if ('raw' in entry) {
    const { text } = entry.raw;
    const named = nameOf(text);
    const problem =
      named === null
        ? 'It is no document: it has no kind, or no id.'
        : LIBRARY_KINDS.includes(named.kind as DocumentKind)
          ? null
          : `A library holds no “${named.kind.slice(0, 40)}”.`;
    return {
      n,
      line,
      named,
      source: textHash(text),
      problem,
      body: async () => (JSON.parse(text) as { body: { id: string } }).body,
    };
  }
  const { row } = entry;
  const names = await staging.names();
  const identity = identityOf(row, names);
  const source = staging.job.format === 'csv' ? staging.job.mapping.source : '';
  if ('problem' in identity)
    return {
      n,
      line,
      named: { kind: 'release', id: row.styleCode.slice(0, 80) },
      source: null,
      problem: identity.problem,
      body: async () => ({ id: '' }),
    };
  return {
    n,
    line,
    named: { kind: 'release', id: identity.id },
    source: null,
    problem: null,
    remark: [...Object.values(row.otherwise), numberlessRemark(row.numberless)].filter(Boolean).join(' '),
    body: async (before) => mergeRows(row, identity, names, source, await before()),
  };
}

/** Sizes named by rows that give them no barcode number. */
function numberlessRemark(sizes: string[]): string {
  const named = [...new Set(sizes.filter(Boolean))];
  return named.length === 0
    ? ''
    : `Without a barcode number: size ${named.slice(0, 12).join(', ')}${named.length > 12 ? ` and ${named.length - 12} more` : ''}.`;
}

type Verdict = Pick<Staged, 'came' | 'reason' | 'document' | 'index'>;

const refused = (reason: string): Verdict => ({ came: 'refused', reason, document: null, index: null });
const UNCHANGED: Verdict = { came: 'unchanged', reason: '', document: null, index: null };

async function judge(
  staging: Staging,
  { named, source, problem, remark = '', body }: Ready,
  before: { hash: string | null; source: string | null },
): Promise<Verdict & { hash?: string }> {
  if (problem || !named) return refused(problem ?? '');
  const name = `${named.kind} ${named.id}`;
  if (staging.seen.has(name)) return refused('It stands in the file twice; the first one counts.');
  staging.seen.add(name);
  if (source !== null && source === before.source) return { ...UNCHANGED, hash: before.hash ?? undefined };
  const kind = named.kind as DocumentKind;
  let read: { id: string };
  try {
    read = await body(async () => (await readDocument<Release>(staging.desk.store, 'release', named.id))?.body ?? null);
  } catch {
    return refused('It is no JSON.');
  }
  if (kind === 'release' && source === null && (read as Release).sizes.length === 0)
    return refused('Its rows name no size.');
  const own = ownProblem({ kind, body: read });
  if (own) return refused(own);
  const hash = documentHash(read);
  if (named.hash && named.hash !== hash)
    return refused('It is not what was written into the file: its content was changed since.');
  if (hash === before.hash) return { ...UNCHANGED, hash };
  if (kind !== 'release') staging.brought.set(name, read);
  let outer = await outerProblem(staging.desk.store, staging.find, { kind, body: read });
  // What it names may stand behind it in the file.
  if (outer && (await staging.lookAhead()))
    outer = await outerProblem(staging.desk.store, staging.find, { kind, body: read });
  if (outer) return refused(outer);
  const came: Came = before.hash === null ? 'new' : 'changed';
  if (came === 'changed' && kind === 'release') staging.restate((read as Release).kind);
  if (kind === 'kind') staging.restate(read.id);
  const document = { hash, body: JSON.stringify(read), source };
  if (kind !== 'release') return { came, reason: '', document, index: null, hash };
  const release = read as Release;
  const maker = await staging.find<Maker>('maker', release.maker);
  const chart = release.chart ? await staging.find<SizeChart>('size-chart', release.chart) : undefined;
  const strangers = chart ? strangerRemark(release.sizes, chart) : [];
  const reason = [remark, ...strangers, ...partRemarks(release)].filter(Boolean).join(' ');
  return { came, reason, document, index: { release, makerName: maker?.name ?? release.maker }, hash };
}

/** So much of what is odd about an entry is told, in characters; the rest is of the same kind. */
const MOST_NOTED = 300;

function note(entry: Staged, sentence: string): void {
  if (entry.reason.length < MOST_NOTED) entry.reason = [entry.reason, sentence].filter(Boolean).join(' ');
}

/** Barcode numbers that other releases have: it happens, and is said. */
async function noteClashes(staging: Staging, entries: Staged[]): Promise<void> {
  const { store } = staging.desk;
  const owners = new Map<string, string>();
  const mine: { gtin14: string; release: Release; entry: Staged; key: string }[] = [];
  for (const entry of entries)
    for (const { key, gtin } of entry.index?.release.sizes ?? [])
      if (gtin !== '')
        mine.push({
          gtin14: gtin14Of(gtin),
          release: entry.index?.release as Release,
          entry,
          key,
        });
  const found = await ownersOf(
    store,
    mine.map(({ gtin14 }) => gtin14),
    staging.row.id,
  );
  for (const { gtin14, releaseId, name, colourName, sizeKey } of found)
    for (const each of mine)
      if (each.gtin14 === gtin14 && each.release.id !== releaseId)
        note(each.entry, `The number of size ${each.key} is that of ${name}, ${colourName}, size ${sizeKey}.`);
  for (const { gtin14, release, entry, key } of mine) {
    const other = owners.get(gtin14);
    if (other !== undefined && other !== release.id)
      note(entry, `The number of size ${key} is that of “${other}” in the same file.`);
    owners.set(gtin14, release.id);
  }
}

async function stageBatch(staging: Staging, batch: Ready[], read: number, last: boolean): Promise<void> {
  const { desk, row } = staging;
  const named = batch.map(({ named: each }): [string, string] => [each?.kind ?? '', each?.id ?? '']);
  const standing = await standingOf(desk.store, named);
  const entries: Staged[] = [];
  for (const [i, entry] of batch.entries()) {
    const before = standing[i] ?? { hash: null, source: null };
    const { hash, ...verdict } = await judge(staging, entry, before);
    if (entry.named && hash) staging.root.add(entry.named.kind, entry.named.id, hash);
    const { n, line } = entry;
    entries.push({ n, line, kind: entry.named?.kind ?? '', id: entry.named?.id ?? '', ...verdict });
  }
  await noteClashes(staging, entries);
  for (const { came, reason } of entries) {
    if (came !== 'left out') staging.found[came]++;
    if (came !== 'refused' && reason !== '') staging.found.noted++;
  }
  staging.found.read = read;
  // Nothing of it has to be kept; read again after a stop, it comes to the same.
  const nothingNew = entries.every(({ came }) => came === 'unchanged');
  if (nothingNew && !last && performance.now() - staging.written < SAY_EVERY_MS) return;
  staging.written = performance.now();
  await desk.store.write(async (transaction) => {
    const now = await readImport(desk.store, row.id, transaction);
    if (now?.state !== 'staging') throw new Stopped();
    const taken = (batch.at(-1)?.n ?? row.taken - 1) + 1;
    await stage(row.id, { entries, createdAt: desk.now(), taken, found: staging.found }, transaction);
  });
}

async function stageSlips({ desk, row }: Staging): Promise<void> {
  for await (const run of slipsOfImport(desk.store.sequelize, row.id))
    await desk.store.write((transaction) => addSlips(run, transaction));
}

/** Whether the seal of a library file is that of all that stood before it, by the desk that its head names. */
function holdSeal({ head, root, found }: Staging, { seal }: LibrarySeal): void {
  const { documents, root: own } = root.end();
  const publicKey = head?.publicKey ?? '';
  const { signature } = seal;
  const holds =
    seal.root === own &&
    seal.documents === documents &&
    signatureHolds(libraryStatement(own, documents), { publicKey, signature });
  found.seal = { publicKey, holds };
}

async function stageAll(staging: Staging): Promise<void> {
  const { desk, row, found, root } = staging;
  await writesInBulk(desk.store);
  let batch: Ready[] = [];
  let n = 0;
  let read = 0;
  const flush = async (last: boolean) => {
    if (batch.length > 0) await stageBatch(staging, batch, read, last);
    batch = [];
  };
  for await (const entry of incoming(staging, importPath(desk, row.file))) {
    const text = 'raw' in entry ? entry.raw.text : '';
    if (n === 0 && /^\s*\{\s*"library"\s*:/.test(text)) staging.head = (JSON.parse(text) as LibraryHead).library;
    else if (/^\s*\{\s*"seal"\s*:/.test(text)) {
      await flush(true);
      holdSeal(staging, JSON.parse(text) as LibrarySeal);
    } else {
      read = entry.end;
      const next = await ready(staging, entry, n++);
      if (next.n >= row.taken) batch.push(next);
      else if (next.named) {
        // It was staged before the import was stopped.
        staging.seen.add(`${next.named.kind} ${next.named.id}`);
        if (next.named.hash) root.add(next.named.kind, next.named.id, next.named.hash);
      }
      if (batch.length >= AT_ONCE) await flush(false);
    }
  }
  await flush(true);
  await stageSlips(staging);
  if (n === 0) throw new BrokenFile('There is no document in the file.');
  if (staging.head && !found.seal) throw new BrokenFile('The file ends before its seal. It did not arrive whole.');
  if (found.seal && !found.seal.holds)
    throw new BrokenFile('The file is not what was signed: something in it was changed, added or taken out since.');
}

/**
 * Read the file of an import, and put what it brings beside the records, hidden until it is kept. Where it breaks off, it can
 * go on later.
 *
 * @throws Refusal where there is no such import, or it is not being staged
 */
export async function stageLibrary(desk: Desk, id: number): Promise<void> {
  const row = await readImport(desk.store, id);
  if (row?.state !== 'staging') throw new Refusal('notFound', `There is no import ${id} that is being read.`);
  const staging = new Staging(desk, row, JSON.parse(row.job) as LibraryJob);
  try {
    await stageAll(staging);
    await desk.store.write((transaction) =>
      setImport(id, { state: 'staged', found: { ...staging.found, read: staging.found.bytes } }, transaction),
    );
  } catch (error) {
    if (error instanceof Stopped) return;
    const trouble = error instanceof BrokenFile ? error.message : `It stopped: ${(error as Error).message}`;
    await desk.store.write((transaction) =>
      setImport(id, { state: 'stopped', found: { ...staging.found, trouble } }, transaction),
    );
    if (!(error instanceof BrokenFile)) throw error;
  }
}
