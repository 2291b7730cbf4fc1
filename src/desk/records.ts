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

/** @throws Refusal where what a release adds and switches off leaves its kind's checks unsound */
async function requireSoundChecks(desk: Desk, release: Release, transaction: Transaction): Promise<void> {
  const { add, off } = release.checks;
  // Most releases are asked what their kind is asked, which is sound: nothing to read, however many are taken in.
  if (add.length + off.length === 0) return;
  const kind = await readDocument<KindDefinition>(desk.store, 'kind', release.kind, transaction);
  const unsound = kind ? checkKind({ ...kind.body, checks: checksFor(kind.body, release) }) : [];
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

/**
 * Keep reference documents, all or none: each is held against its format, gets a new revision where it
 * changed, and releases are put into the index.
 *
 * @throws Refusal with a sentence that names the document at fault
 */
export async function saveRecords(desk: Desk, entries: RecordsEntry[]): Promise<void> {
  for (const { kind, body } of entries) {
    const problem = formatProblem(kind, body);
    if (problem) throw new Refusal('invalid', `The ${kind} “${body.id}” is not sound: ${problem}`);
    const unsound = UNSOUND[kind]?.(body) ?? [];
    if (unsound.length > 0) throw new Refusal('invalid', `The ${kind} “${body.id}” is not sound: ${unsound.join(' ')}`);
  }
  await desk.store.write(async (transaction) => {
    for (const { kind, body, from } of entries) {
      if (from !== undefined) await refuseOverwriting(desk, { kind, body, from }, transaction);
      await saveDocument(desk.store, kind, body, desk.now(), transaction);
      if (kind !== 'release') continue;
      const release = body as Release;
      await requireSoundChecks(desk, release, transaction);
      const maker = await readDocument<Maker>(desk.store, 'maker', release.maker, transaction);
      if (!maker)
        throw new Refusal(
          'invalid',
          `The release “${release.id}” names the maker “${release.maker}”, who is not in the records.`,
        );
      await indexRelease(desk.store, release, maker.body.name, transaction);
    }
    // Charts may stand behind the releases that name them.
    const charts = new Map<string, string>();
    for (const { kind, body } of entries) {
      const { chart } = body as Partial<Release>;
      if (kind === 'release' && chart) charts.set(chart, body.id);
    }
    for (const [chart, release] of charts)
      if (!(await readDocument(desk.store, 'size-chart', chart, transaction)))
        throw new Refusal(
          'invalid',
          `The release “${release}” names the size chart “${chart}”, which is not in the records.`,
        );
  });
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
