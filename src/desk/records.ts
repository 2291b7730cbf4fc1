import type { Transaction } from 'sequelize';
import type { CodeScheme } from '@/core/codes/schemes/codeScheme';
import type { Maker, Release } from '@/core/releases/release';
import { type DocumentKind, readDocument, saveDocument } from '@/store/documents';
import { indexMaker, indexRelease } from '@/store/indexRelease';
import type { Desk } from './desk';
import { markRestated } from './learning';
import { type Entry, type Finder, outerProblem, ownProblem } from './library/soundness';
import { parseFile } from './parseFile';
import { allow } from './people/roster';
import { Refusal } from './refusal';

/** A reference document with its kind, as a records file lists them. */
export interface RecordsEntry extends Entry {
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
  const find = finderOf(desk, entries);
  for (const entry of entries) {
    const problem = ownProblem(entry) ?? (await outerProblem(desk.store, find, entry));
    if (problem)
      throw new Refusal('invalid', `The ${entry.kind.replace('-', ' ')} “${entry.body.id}” is not sound: ${problem}`);
  }
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
        const before = kind === 'maker' ? await readDocument<Maker>(desk.store, kind, body.id, transaction) : null;
        await saveDocument(desk.store, kind, body, desk.now(), transaction);
        if (before && before.body.name !== (body as Maker).name)
          await indexMaker(desk.store.sequelize, body.id, transaction);
        if (kind !== 'release') continue;
        const release = body as Release;
        const maker = await find<Maker>('maker', release.maker);
        await indexRelease(desk.store.sequelize, { release, makerName: maker?.name ?? release.maker }, transaction);
      }
    });
  }
}

/** The kinds of record that are edited on the screen. */
const EDITED: DocumentKind[] = ['maker', 'code-scheme', 'size-chart', 'release', 'kind'];

/**
 * Keep one record as it was edited on the screen.
 *
 * @returns the revision under which it is kept
 * @throws Refusal with a sentence that says what is unsound, or that somebody else has kept another revision meanwhile
 */
export async function saveEditedRecord(desk: Desk, by: string, entry: RecordsEntry): Promise<{ revision: number }> {
  const { kind, body, from } = entry;
  if (typeof kind !== 'string') throw new Refusal('invalid', 'Say which kind of record it is.');
  await allow(desk, by, kind === 'kind' ? 'editChecks' : 'editRecords');
  if (!EDITED.includes(kind)) throw new Refusal('invalid', `A ${kind.slice(0, 40)} is not edited on the screen.`);
  const maker = kind === 'maker' || kind === 'kind' ? null : (body as Partial<CodeScheme> | undefined)?.maker;
  if (maker !== null && (typeof maker !== 'string' || !(await readDocument<Maker>(desk.store, 'maker', maker))))
    throw new Refusal(
      'invalid',
      typeof maker === 'string'
        ? `The maker “${maker.slice(0, 80)}” is not in the records.`
        : 'A record names its maker by an id.',
    );
  await saveRecords(desk, [{ kind, body, from }]);
  const restated = kind === 'kind' ? body.id : kind === 'release' ? (body as Release).kind : null;
  if (restated) {
    await desk.store.write((transaction) => markRestated(desk, restated, transaction));
    await desk.learner(desk);
  }
  const kept = await readDocument(desk.store, kind, body.id);
  return { revision: kept?.revision ?? 1 };
}
