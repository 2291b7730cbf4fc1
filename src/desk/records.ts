import type { Transaction } from 'sequelize';
import type { KindDefinition } from '@/core/checks/check';
import { checkKind, releaseProblems } from '@/core/checks/checkKind';
import { checksFor } from '@/core/checks/findings';
import { checkScheme } from '@/core/codes/schemes/checkScheme';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import { formatProblem } from '@/core/formats/validate';
import type { Maker, Release } from '@/core/releases/release';
import { releaseSizeProblems } from '@/core/releases/releaseSizeProblems';
import { checkChart } from '@/core/sizes/checkChart';
import type { SizeChart } from '@/core/sizes/sizeChart';
import { type DocumentKind, readDocument, saveDocument } from '@/store/documents';
import { indexRelease } from '@/store/releaseIndex';
import type { Desk } from './desk';
import { markRestated } from './learning';
import { parseFile } from './parseFile';
import { allow } from './people/roster';
import { Refusal } from './refusal';

/** A reference document with its kind, as a records file lists them. */
export interface RecordsEntry {
  kind: DocumentKind;
  body: { id: string };
  /** The revision that an editor began with, 0 for a new one; another newest one is not overwritten. */
  from?: number;
}

/**
 * Read the text of a records file: docs/formats/records.schema.json.
 *
 * @throws Refusal with a sentence where it is not whole or not of that format
 */
export function parseRecords(text: string): RecordsEntry[] {
  return parseFile<RecordsEntry[]>(text, 'records', 'a records file');
}

/** What is wrong with a document that follows its format. */
const UNSOUND: Partial<Record<DocumentKind, (body: unknown) => string[]>> = {
  'code-scheme': (body) => checkScheme(body as CodeScheme),
  'size-chart': (body) => checkChart(body as SizeChart),
  kind: (body) => checkKind(body as KindDefinition),
  release: (body) => [...releaseProblems(body as Release), ...releaseSizeProblems(body as Release)],
};

/** Finds a document among those that are taken in, or among those that are kept. */
type Finder = <T>(kind: DocumentKind, id: string) => Promise<T | undefined>;

function finderOf(desk: Desk, entries: RecordsEntry[]): Finder {
  const known = new Map<string, Promise<unknown>>(
    entries.map(({ kind, body }) => [`${kind} ${body.id}`, Promise.resolve(body)]),
  );
  return <T>(kind: DocumentKind, id: string) => {
    const key = `${kind} ${id}`;
    const found = known.get(key) ?? readDocument<T>(desk.store, kind, id).then((document) => document?.body);
    known.set(key, found);
    return found as Promise<T | undefined>;
  };
}

/** @throws Refusal where a release names what nobody knows, or leaves its kind's checks unsound */
async function requireSoundRelease(find: Finder, release: Release): Promise<void> {
  const names = `The release “${release.id}” names the`;
  if (!(await find('maker', release.maker)))
    throw new Refusal('invalid', `${names} maker “${release.maker}”, who is not in the records.`);
  if (release.chart && !(await find('size-chart', release.chart)))
    throw new Refusal('invalid', `${names} size chart “${release.chart}”, which is not in the records.`);
  const { add, off } = release.checks;
  // Most releases are asked what their kind is asked, which is sound.
  if (add.length + off.length === 0) return;
  const kind = await find<KindDefinition>('kind', release.kind);
  const unsound = kind ? checkKind({ ...kind, checks: checksFor(kind, release) }) : [];
  if (unsound.length > 0)
    throw new Refusal('invalid', `The release “${release.id}” is not sound: ${unsound.join(' ')}`);
}

/** @throws Refusal where the newest revision of a document is not the one that its editor began with */
async function refuseOverwriting(desk: Desk, { kind, body, from }: RecordsEntry, transaction: Transaction) {
  const newest = (await readDocument(desk.store, kind, body.id, transaction))?.revision ?? 0;
  if (from === newest) return;
  const sentence =
    from === 0
      ? `There is a ${kind} “${body.id}” already; give this one another name.`
      : `Somebody has kept revision ${newest} of this ${kind} meanwhile. Copy what you changed, load the page again and enter it there.`;
  throw new Refusal('conflict', sentence);
}

/** Records are kept for so long in one go, and then whoever waits to save has a turn. */
const PORTION_MS = 20;
const TURN_MS = 40;
const FEW = 5;

/**
 * Keep reference documents: each is held against its format and the others before any is kept, gets a new revision where
 * it changed, and releases are put into the index. More than a portion of them go in one portion after the other, so that
 * nobody who saves waits for them; where the disk or the power fails in between, the rest is kept by doing it again.
 *
 * @throws Refusal with a sentence that names the document at fault; nothing is kept then
 */
export async function saveRecords(desk: Desk, entries: RecordsEntry[]): Promise<void> {
  for (const { kind, body } of entries) {
    const problem = formatProblem(kind, body);
    if (problem) throw new Refusal('invalid', `The ${kind} “${body.id}” is not sound: ${problem}`);
    const unsound = UNSOUND[kind]?.(body) ?? [];
    if (unsound.length > 0) throw new Refusal('invalid', `The ${kind} “${body.id}” is not sound: ${unsound.join(' ')}`);
  }
  const find = finderOf(desk, entries);
  for (const { kind, body } of entries) if (kind === 'release') await requireSoundRelease(find, body as Release);
  // What releases name comes before them.
  const ordered = [
    ...entries.filter(({ kind }) => kind !== 'release'),
    ...entries.filter(({ kind }) => kind === 'release'),
  ];
  let at = 0;
  while (at < ordered.length) {
    if (at > 0) await new Promise((turn) => setTimeout(turn, TURN_MS));
    await desk.store.write(async (transaction) => {
      // An editor's one record, or a handful that name each other, go together.
      const until = performance.now() + PORTION_MS;
      const least = at + FEW;
      for (; at < ordered.length && (at < least || performance.now() < until); at++) {
        const { kind, body, from } = ordered[at] as RecordsEntry;
        if (from !== undefined) await refuseOverwriting(desk, { kind, body, from }, transaction);
        await saveDocument(desk.store, kind, body, desk.now(), transaction);
        if (kind !== 'release') continue;
        const release = body as Release;
        const maker = await find<Maker>('maker', release.maker);
        await indexRelease(desk.store, release, maker?.name ?? release.maker, transaction);
      }
    });
  }
}

/** The kinds of record that are edited on the screen. */
const EDITED: DocumentKind[] = ['code-scheme', 'size-chart', 'release'];

/**
 * Keep one record as it was edited on the screen.
 *
 * @returns the revision under which it is kept
 * @throws Refusal with a sentence that says what is unsound, or that somebody else has kept another revision meanwhile
 */
export async function saveEditedRecord(desk: Desk, by: string, entry: RecordsEntry): Promise<{ revision: number }> {
  await allow(desk, by, 'editRecords');
  const { kind, body, from } = entry;
  if (!EDITED.includes(kind))
    throw new Refusal('invalid', `A ${String(kind).slice(0, 40)} is not edited on the screen.`);
  const maker = (body as Partial<CodeScheme> | undefined)?.maker;
  if (typeof maker !== 'string' || !(await readDocument<Maker>(desk.store, 'maker', maker)))
    throw new Refusal('invalid', `The maker “${String(maker).slice(0, 80)}” is not in the records.`);
  await saveRecords(desk, [{ kind, body, from }]);
  if (kind === 'release') {
    await desk.store.write((transaction) => markRestated(desk, (body as Release).kind, transaction));
    await desk.learner(desk);
  }
  const kept = await readDocument(desk.store, kind, body.id);
  return { revision: kept?.revision ?? 1 };
}

/** What an editor of code schemes or size charts works on. */
export interface EditedRecord<T> {
  body: T;
  /** 0 for one that is not kept yet. */
  revision: number;
}

/**
 * The newest revision of a code scheme or size chart.
 *
 * @throws Refusal where there is none
 */
async function readRecord<T>(desk: Desk, kind: DocumentKind, id: string): Promise<EditedRecord<T>> {
  const found = await readDocument<T>(desk.store, kind, id);
  if (!found) throw new Refusal('notFound', `There is no ${kind} “${id.slice(0, 80)}”.`);
  return found;
}

/** @throws Refusal where there is no such scheme */
export const readScheme = (desk: Desk, id: string) => readRecord<CodeScheme>(desk, 'code-scheme', id);

/** @throws Refusal where there is no such chart */
export const readChart = (desk: Desk, id: string) => readRecord<SizeChart>(desk, 'size-chart', id);
